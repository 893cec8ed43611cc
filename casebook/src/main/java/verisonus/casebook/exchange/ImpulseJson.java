package verisonus.casebook.exchange;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Base64;
import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.rig.Impulse;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

/**
 * The measured response of a block. It travels inside the tone, as 32-bit floats in base 64, so that a tone is whole by itself;
 * a tone written by hand may name a WAV file instead, beside the tone: {@code "impulse_file": "box.wav"}.
 */
final class ImpulseJson {
    /** A response shorter than this has no colour to speak of: a third of a millisecond. */
    private static final int SHORTEST_SAMPLES = 16;

    private ImpulseJson() {}

    static void write(Impulse impulse, ObjectNode out) {
        float[] x = impulse.sound().mid();
        ByteBuffer bytes = ByteBuffer.allocate(4 * x.length).order(ByteOrder.LITTLE_ENDIAN);
        for (float v : x) bytes.putFloat(v);
        out.put("name", impulse.name()).put("sample_rate_hz", impulse.sound().rateHz()).put("samples", Base64
                .getEncoder().encodeToString(bytes.array()));
    }

    static Optional<Impulse> read(String name, JsonNode block) {
        if (block.has("impulse_file")) {
            return Optional.of(ImpulseFolder.impulse(beside(name, block.path("impulse_file").asString(""))));
        }
        JsonNode node = block.path("impulse");
        if (!node.isObject()) return Optional.empty();
        try {
            ByteBuffer bytes = ByteBuffer.wrap(Base64.getDecoder().decode(node.path("samples").asString("")))
                    .order(ByteOrder.LITTLE_ENDIAN);
            float[] x = new float[bytes.remaining() / Float.BYTES];
            for (int i = 0; i < x.length; i++) x[i] = bytes.getFloat();
            if (x.length < SHORTEST_SAMPLES)
                throw new InputFault(name, "its impulse response is empty", "name a WAV file instead");
            JsonNode rate = node.path("sample_rate_hz");
            if (!rate.isMissingNode() && !rate.isInt())
                throw new IllegalArgumentException("its rate is no number of Hz");
            return Optional.of(new Impulse(node.path("name").asString("impulse"),
                    Sound.mono(x, rate.asInt(Sound.WORKING_RATE_HZ))));
        } catch (IllegalArgumentException | JacksonException e) {
            throw new InputFault(name, "its impulse response cannot be read (" + e.getMessage() + ")",
                    "name a WAV file instead", e);
        }
    }

    /** The file that a tone names: in the tone's own folder or below it, wherever links lead. */
    private static Path beside(String tone, String named) {
        try {
            Path folder = Path.of(tone).toAbsolutePath().resolveSibling("").normalize();
            Path file = folder.resolve(named).normalize();
            boolean inside = !Path.of(named).isAbsolute() && file.startsWith(folder) && !file.equals(folder);
            if (inside && (!Files.exists(file) || file.toRealPath().startsWith(folder.toRealPath()))) return file;
        } catch (InvalidPathException | IOException e) {
            throw new InputFault(tone, "it names an impulse response that no file can be called", "name a WAV file", e);
        }
        throw new InputFault(tone, "it names an impulse response outside its own folder: " + named,
                "put the WAV file beside the tone");
    }
}
