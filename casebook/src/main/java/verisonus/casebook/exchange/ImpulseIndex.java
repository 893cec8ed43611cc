package verisonus.casebook.exchange;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.simulate.loudspeaker.ImpulseCharacter;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;

/**
 * What impulse responses that were read before sound like, so that a large folder is not read anew each time. It is only a
 * shortcut: a file of another size or date is read again, and an index that cannot be read or written is done without.
 */
final class ImpulseIndex {
    private static final Logger LOG = LoggerFactory.getLogger(ImpulseIndex.class);
    private static final String SCHEMA = "verisonus.impulse-index/1";

    private record Known(long bytes, long modifiedMs, ImpulseCharacter character) {}

    private final Optional<Path> file;
    private final Map<String, Known> known = new HashMap<>();
    private boolean changed;

    /** Where the player's own files are; where no such folder can be had, nothing outlives the session. */
    static ImpulseIndex ofPlayer() {
        try {
            return new ImpulseIndex(UserFolder.path().resolve("impulse-index.json"));
        } catch (OutputFault e) {
            LOG.info("impulse responses are not indexed: {}", e.getMessage());
            return new ImpulseIndex();
        }
    }

    /** Kept nowhere. */
    ImpulseIndex() {
        file = Optional.empty();
    }

    /** @param file where the index is kept; it need not be there yet */
    ImpulseIndex(Path file) {
        this.file = Optional.of(file);
        if (!Files.exists(file)) return;
        try {
            JsonNode all = Json.read(file);
            if (!all.path("schema").asString("").equals(SCHEMA)) return;
            for (JsonNode n : all.path("files")) {
                known.put(n.path("file").asString(""), new Known(n.path("bytes").asLong(-1),
                        n.path("modified_ms").asLong(-1),
                        Json.value(file.toString(), n.path("character"), ImpulseCharacter.class)));
            }
        } catch (InputFault | JacksonException e) {
            LOG.info("the index {} is left aside: {}", file, e.getMessage());
            known.clear();
        }
    }

    /** What a file sounds like, where it is as it was. */
    Optional<ImpulseCharacter> find(Path impulse) {
        return Optional.ofNullable(known.get(impulse.toAbsolutePath().toString())).filter(k -> {
            try {
                return k.bytes == Files.size(impulse) && k.modifiedMs == modifiedMs(impulse);
            } catch (IOException e) {
                return false;
            }
        }).map(Known::character);
    }

    void keep(Path impulse, ImpulseCharacter character) {
        try {
            known.put(impulse.toAbsolutePath().toString(),
                    new Known(Files.size(impulse), modifiedMs(impulse), character));
            changed = true;
        } catch (IOException e) {
            LOG.info("{} is not indexed: {}", impulse, e.getMessage());
        }
    }

    private static long modifiedMs(Path file) throws IOException {
        return Files.getLastModifiedTime(file).toMillis();
    }

    /** Writes what is new, in one step. */
    void save() {
        if (changed && file.isPresent()) write(file.get());
    }

    private void write(Path to) {
        ObjectNode out = Json.object(SCHEMA);
        ArrayNode files = out.putArray("files");
        known.forEach((path, k) -> files.addObject().put("file", path).put("bytes", k.bytes)
                .put("modified_ms", k.modifiedMs).set("character", Json.tree(k.character)));
        Path folder = to.toAbsolutePath().getParent();
        try {
            Path temporary = Files.createTempFile(folder, ".impulses", ".part");
            Files.writeString(temporary, Json.text(out));
            Files.move(temporary, to, StandardCopyOption.REPLACE_EXISTING);
            changed = false;
        } catch (IOException e) {
            LOG.info("the index {} is not kept: {}", to, e.getMessage());
        }
    }
}
