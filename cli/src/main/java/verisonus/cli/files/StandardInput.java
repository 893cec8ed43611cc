package verisonus.cli.files;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import verisonus.core.work.InputFault;

/**
 * A sound that comes in by a pipe: {@code -} in place of a file. It is kept in a file of its own until the command has ended, for a sound
 * is read by its content and at more than one place.
 */
public final class StandardInput implements AutoCloseable {
    /** What it is called in answers and errors. */
    static final String NAME = "standard input";
    private static final String MARK = "-";
    private static final long MOST_BYTES = 4L << 30;
    private static final int PIECE = 1 << 16;

    private final Optional<Path> file;

    private StandardInput(Optional<Path> file) {
        this.file = file;
    }

    /** Whether an argument stands for it: what is written to has a name. */
    private static boolean isAt(String[] args, int i) {
        return args[i].equals(MARK) && (i == 0 || !args[i - 1].equals("--out"));
    }

    /** Reads the pipe to its end where any argument asks for it. */
    public static StandardInput of(String[] args, InputStream in) {
        for (int i = 0; i < args.length; i++) if (isAt(args, i)) return new StandardInput(Optional.of(kept(in)));
        return new StandardInput(Optional.empty());
    }

    private static Path kept(InputStream in) {
        try {
            Path file = Files.createTempDirectory("verisonus").resolve(NAME);
            try (OutputStream out = Files.newOutputStream(file)) {
                byte[] piece = new byte[PIECE];
                long all = 0;
                for (int n = in.read(piece); n >= 0; n = in.read(piece)) {
                    all += n;
                    if (all > MOST_BYTES) {
                        new StandardInput(Optional.of(file)).close();
                        throw new InputFault(NAME, "it does not end within 4 GB", "name a file in its place");
                    }
                    out.write(piece, 0, n);
                }
            }
            return file;
        } catch (IOException e) {
            throw new InputFault(NAME, "it cannot be read", "name a file in its place", e);
        }
    }

    /** The arguments with the file in place of the mark. */
    public String[] in(String[] args) {
        if (file.isEmpty()) return args;
        String[] out = args.clone();
        for (int i = 0; i < out.length; i++) if (isAt(args, i)) out[i] = file.get().toString();
        return out;
    }

    /** A sentence with the pipe's name in place of the file's. */
    public String named(String sentence) {
        return file.map(f -> sentence.replace(f.toString(), NAME)).orElse(sentence);
    }

    @Override
    public void close() {
        if (file.isEmpty()) return;
        try {
            Files.deleteIfExists(file.get());
            Path folder = file.get().getParent();
            if (folder != null) Files.deleteIfExists(folder);
        } catch (IOException e) {
            // The system clears what lies there.
            file.get().toFile().deleteOnExit();
        }
    }
}
