package verisonus.bench.fuzz;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.function.LongFunction;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.casebook.store.CaseEntry;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.Medium;
import verisonus.core.rig.Block;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.work.Figures;

/**
 * Are hostile files read or refused, soon and within memory? Every format by seeds; a file is at fault where reading it never
 * ends, throws anything but the typed error, or allocates past a budget of its size. Arguments: how many of each, first seed.
 */
public final class FuzzReport {
    private static final double LONGEST_S = 8;
    private static final long MOST_BYTES = 300L << 20;

    /** What came of one format. */
    record Line(String kind, Map<Watched.Outcome, Integer> counts, double slowestS, double mostMb,
            List<String> faults) {
        boolean isClean() { return faults.isEmpty(); }

        String text() {
            return Figures.of("%-9s read %5d  refused %5d  threw %d  endless %d  slowest %.2f s  most %.0f MB",
                    kind, count(Watched.Outcome.READ), count(Watched.Outcome.REFUSED), count(Watched.Outcome.THREW),
                    count(Watched.Outcome.ENDLESS), slowestS, mostMb);
        }

        private int count(Watched.Outcome o) {
            return counts.getOrDefault(o, 0);
        }
    }

    private FuzzReport() {}

    public static void main(String[] args) throws IOException {
        int many = args.length > 0 ? Integer.parseInt(args[0]) : 1000;
        long first = args.length > 1 ? Long.parseLong(args[1]) : 0;
        for (Line l : lines(many, first)) {
            System.out.println(l.text());
            l.faults().stream().limit(12).forEach(f -> System.out.println("    " + f));
        }
    }

    static List<Line> lines(int many, long first) throws IOException {
        List<Line> out = new ArrayList<>();
        HostileFiles files = new HostileFiles();
        for (HostileFiles.Kind k : HostileFiles.Kind.values()) {
            out.add(line(k.name().toLowerCase(Locale.ROOT), many, first, seed -> {
                byte[] d = files.make(k, seed);
                return () -> SoundReader.decode("hostile", d);
            }));
        }
        String tone = Json.text(ToneJson.write(new Tone("t", List.of(Block.of("chiming edge").with("gain", 4),
                Block.of("2×12 open"), Block.of("clean echo")))));
        out.add(line("tone", many, first, seed -> {
            byte[] d = HostileFiles.text(tone, seed);
            return () -> ToneJson.read("hostile", Json.parse("hostile", new String(d, StandardCharsets.UTF_8)));
        }));
        String rig = Json.text(ToneJson.write(Rig.everything()));
        out.add(line("rig", many, first, seed -> {
            byte[] d = HostileFiles.text(rig, seed);
            return () -> ToneJson.readRig("hostile", Json.parse("hostile", new String(d, StandardCharsets.UTF_8)));
        }));
        out.add(books(files, many, first));
        return out;
    }

    private static Line books(HostileFiles files, int many, long first) throws IOException {
        Path folder = Files.createTempDirectory("fuzz");
        try {
            Path good = folder.resolve("good.casebook");
            try (Casebook book = Casebook.create(good)) {
                long id = book.addCase("Case", "", "");
                book.recordings().addMedium(id, Medium.Role.REFERENCE, "a.wav", files.base(HostileFiles.Kind.WAV));
            }
            byte[] base = Files.readAllBytes(good);
            return line("casebook", many, first, seed -> {
                byte[] d = damaged(base, seed);
                Path file = folder.resolve("h" + seed + ".casebook");
                return () -> openAndRead(file, d);
            });
        } finally {
            try (var all = Files.list(folder)) {
                for (Path p : all.toList()) Files.deleteIfExists(p);
            }
            Files.deleteIfExists(folder);
        }
    }

    private static byte[] damaged(byte[] base, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        byte[] d = base.clone();
        for (int i = 0; i < 1 + r.nextInt(40); i++) {
            int at = r.nextInt(3) == 0 ? r.nextInt(Math.min(d.length, 4096)) : r.nextInt(d.length);
            d[at] = (byte) r.nextInt(256);
        }
        return r.nextInt(6) == 0 ? java.util.Arrays.copyOf(d, r.nextInt(d.length)) : d;
    }

    private static void openAndRead(Path file, byte[] d) {
        try {
            Files.write(file, d);
            try (Casebook book = Casebook.open(file)) {
                for (CaseEntry c : book.cases()) {
                    for (Medium m : book.recordings().media(c.id())) book.recordings().sound(m.hash());
                    book.tones().tone(c.id());
                }
                book.logbook();
                book.rig();
            }
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        } finally {
            for (String end : new String[]{"", "-wal", "-shm"}) {
                try {
                    Files.deleteIfExists(file.resolveSibling(file.getFileName() + end));
                } catch (IOException e) {
                    throw new java.io.UncheckedIOException(e);
                }
            }
        }
    }

    private static Line line(String kind, int many, long first, LongFunction<Runnable> make) {
        Map<Watched.Outcome, Integer> counts = new EnumMap<>(Watched.Outcome.class);
        double slowest = 0;
        long most = 0;
        List<String> faults = new ArrayList<>();
        for (long seed = first; seed < first + many; seed++) {
            Watched w = Watched.reading(make.apply(seed), LONGEST_S);
            counts.merge(w.outcome(), 1, Integer::sum);
            slowest = Math.max(slowest, w.seconds());
            most = Math.max(most, w.bytes());
            if (w.outcome() == Watched.Outcome.THREW || w.outcome() == Watched.Outcome.ENDLESS
                    || w.bytes() > MOST_BYTES)
                faults.add(kind + " seed " + seed + ": " + w.outcome() + " " + w.what()
                        + Figures.of(" %.0f MB", w.bytes() / 1e6));
        }
        return new Line(kind, counts, slowest, most / 1e6, faults);
    }
}
