package verisonus.cli.files;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.ToIntFunction;
import java.util.stream.Stream;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.work.InputFault;

/**
 * A folder in place of a sound: the command is run for each sound in it and answers a line a file. One that cannot be used is said so, and
 * the others go on.
 */
public final class Folder {
    /** Commands whose every path is a sound's. */
    private static final Set<String> COMMANDS = Set.of("measure", "passages", "compare", "travel");

    private final String[] args;
    private final int at;
    private final Path folder;

    private Folder(String[] args, int at) {
        this.args = args;
        this.at = at;
        folder = Path.of(args[at]);
    }

    /** Empty where no argument is a folder, or the command takes folders for something else. */
    public static Optional<Folder> in(String[] args) {
        if (args.length == 0 || !COMMANDS.contains(args[0])) return Optional.empty();
        OptionalInt at = java.util.stream.IntStream.range(1, args.length)
                .filter(i -> !args[i].startsWith("-") && isFolder(args[i])).findFirst();
        return at.isPresent() ? Optional.of(new Folder(args, at.getAsInt())) : Optional.empty();
    }

    private static boolean isFolder(String arg) {
        return arg.indexOf('\0') < 0 && Files.isDirectory(Path.of(arg));
    }

    /**
     * Runs the command for each file.
     *
     * @param command runs one with these arguments and prints its answer
     * @return the worst exit status of any
     */
    public int run(ToIntFunction<String[]> command) {
        int worst = 0;
        for (Path file : sounds()) {
            String[] one = args.clone();
            one[at] = file.toString();
            PrintStream out = System.out;
            ByteArrayOutputStream answer = new ByteArrayOutputStream();
            int status;
            System.setOut(new PrintStream(answer, true, StandardCharsets.UTF_8));
            try {
                status = command.applyAsInt(one);
            } finally {
                System.out.flush();
                System.setOut(out);
            }
            if (status == 0)
                System.out.println(line(String.valueOf(file.getFileName()),
                        answer.toString(StandardCharsets.UTF_8)));
            worst = Math.max(worst, status);
        }
        return worst;
    }

    private List<Path> sounds() {
        try (Stream<Path> files = Files.list(folder)) {
            List<Path> out = files.filter(f -> Files.isRegularFile(f) && isSound(f)).sorted().toList();
            if (out.isEmpty())
                throw new InputFault(folder.toString(), "there is no sound in it", "name a folder with recordings");
            return out;
        } catch (IOException e) {
            throw new InputFault(folder.toString(), "it may not be read", "check its permissions", e);
        }
    }

    private static boolean isSound(Path file) {
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        return !name.startsWith(".") && SoundReader.ENDINGS.stream().anyMatch(name::endsWith);
    }

    private String line(String name, String answer) {
        if (!Arrays.asList(args).contains("--json"))
            return name + ": " + String.join(" · ", answer.lines().map(l -> l.strip().replaceAll("\\s+", " "))
                    .filter(l -> !l.isEmpty()).toList());
        ObjectNode named = Json.object();
        named.put("file", name);
        Json.parse(name, answer).properties().forEach(e -> {
            if (!e.getKey().equals("file")) named.set(e.getKey(), e.getValue());
        });
        return named.toString();
    }
}
