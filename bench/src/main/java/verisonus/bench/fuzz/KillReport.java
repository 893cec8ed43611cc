package verisonus.bench.fuzz;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import verisonus.casebook.store.CaseEntry;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.rig.Rig;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;

/**
 * A program that writes a casebook is killed at random moments, while a second opening reads it: afterwards the book must open, hold
 * everything that was said to be written, and can be undone and written again.
 */
final class KillReport {
    private static final int LONGEST_MS = 900;

    private KillReport() {}

    /** @param args how many kills (200); or "write" and a file: the one that is killed */
    public static void main(String[] args) throws IOException, InterruptedException {
        if (args.length == 2 && args[0].equals("write")) {
            write(Path.of(args[1]));
            return;
        }
        int kills = args.length > 0 ? Integer.parseInt(args[0]) : 200;
        Random random = new Random(17);
        Path file = Files.createTempDirectory("kill").resolve("killed.casebook");
        Casebook.create(file).close();
        int lost = 0;
        int refused = 0;
        int reads = 0;
        long written = 0;
        for (int k = 0; k < kills; k++) {
            Process p = new ProcessBuilder(System.getProperty("java.home") + "/bin/java", "-XX:TieredStopAtLevel=1",
                    "-cp",
                    System.getProperty("java.class.path"), KillReport.class.getName(), "write", file.toString())
                    .redirectErrorStream(true).start();
            long last = -1;
            try (BufferedReader said = p.inputReader(StandardCharsets.UTF_8)) {
                String line = said.readLine();
                while (line != null && !line.startsWith("open")) line = said.readLine();
                // The second opening reads while the first one writes.
                reads += readBeside(file);
                long until = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(random.nextInt(LONGEST_MS));
                while (System.nanoTime() < until) {
                    while (said.ready()) last = number(said.readLine(), last);
                    Thread.sleep(1);
                }
                p.toHandle().destroyForcibly();
                for (String rest = said.readLine(); rest != null; rest = said.readLine()) last = number(rest, last);
            }
            p.waitFor();
            try (Casebook book = Casebook.open(file)) {
                if (book.isReadOnly()) refused++;
                List<CaseEntry> cases = book.cases();
                long there = cases.stream().mapToLong(c -> number(c.name(), -1)).max().orElse(-1);
                if (there < last) {
                    lost++;
                    System.out.println("  after kill " + k + ": " + last + " was said, " + there + " is there");
                }
                written = Math.max(written, there + 1);
                for (CaseEntry c : cases.subList(Math.max(0, cases.size() - 3), cases.size()))
                    for (Medium m : book.recordings().media(c.id())) book.recordings().sound(m.hash());
                if (k % 10 == 9 && !book.isReadOnly()) {
                    book.undo();
                    book.redo();
                }
            } catch (InputFault | OutputFault e) {
                refused++;
                System.out.println("  after kill " + k + ": " + e.getMessage());
            }
        }
        System.out.printf(Locale.ROOT, "%d kills: %d changes said to be written, lost in %d, not opened to write in %d;"
                + " read beside the writer %d times%n", kills, written, lost, refused, reads);
    }

    private static int readBeside(Path file) {
        try (Casebook beside = Casebook.open(file)) {
            return beside.cases().isEmpty() ? 0 : 1;
        } catch (InputFault | OutputFault e) {
            System.out.println("  beside: " + e.getMessage());
            return 0;
        }
    }

    private static long number(String said, long before) {
        int space = said.indexOf(' ');
        if (space < 0 || !said.startsWith("case")) return before;
        return Math.max(before, Long.parseLong(said.substring(space + 1).strip()));
    }

    /** Changes of every kind, each said when it is written. */
    private static void write(Path file) {
        try (Casebook book = Casebook.open(file)) {
            System.out.println("open");
            long n = book.cases().stream().mapToLong(c -> number(c.name(), -1)).max().orElse(-1);
            while (true) {
                n++;
                long id = book.addCase("case " + n, "", "");
                System.out.println("case " + n);
                float[] x = new float[4800];
                for (int i = 0; i < x.length; i++) x[i] = (float) Math.sin(i * 0.01 * (n % 50 + 1));
                long medium = book.recordings().addMedium(id, Medium.Role.REFERENCE, "r.wav",
                        SoundWriter.encode(Sound.mono(x, 48000),
                                SoundWriter.Format.WAV_24));
                book.recordings().addRegion(medium, Region.Role.CORE_TONE, 0, 0.1);
                book.keepRig(Rig.everything().limited((int) (n % 20) + 3, java.util.Set.of()));
                book.undo();
            }
        }
    }
}
