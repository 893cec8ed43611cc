package verisonus.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import verisonus.casebook.sheet.CaseSheet;
import verisonus.casebook.sheet.SheetFormat;
import verisonus.casebook.sheet.ToneSheet;
import verisonus.casebook.store.CaseEntry;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.Medium;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.PassageSpectra;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.SystemSound;
import verisonus.core.travel.trim.Trim;
import verisonus.core.travel.trim.TrimSolver;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;
import verisonus.demo.DemoCasebook;

/**
 * Do trims bring the demo's tones back on the six systems, how many controls do they take, and what does a sheet cost? The bands are
 * counted on tones rendered at final quality, not on what the solver predicted.
 */
final class TravelReport {
    private static final double OFF_DB = 1.5;

    private TravelReport() {}

    public static void main(String[] args) throws IOException {
        Path file = Files.createTempDirectory("travel").resolve(DemoCasebook.FILE_NAME);
        DemoCasebook.writeTo(file);
        try (Casebook book = Casebook.open(file)) {
            int before = 0;
            int after = 0;
            int bands = 0;
            int controls = 0;
            int pairs = 0;
            for (CaseEntry c : book.cases()) {
                if (book.tones().tone(c.id()).isEmpty()) continue;
                Tone tone = book.tones().tone(c.id()).orElseThrow().tone();
                Sound di = book.recordings().media(c.id()).stream().filter(m -> m.role() == Medium.Role.DI).findFirst()
                        .map(m -> book.recordings().sound(m.hash())).orElseThrow();
                long started = System.nanoTime();
                TrimSolver solver = new TrimSolver(tone, di, PlaybackSystem.WORKING_LEVEL_DB_SPL, true, Progress.NONE);
                PassageSpectra made = spectra(tone, di);
                for (PlaybackSystem s : PlaybackSystem.ALL) {
                    Trim t = solver.on(s);
                    int[] off = off(made, made, s);
                    int[] then = off(made, spectra(t.tone(), di), s);
                    before += off[0];
                    after += then[0];
                    bands += off[1];
                    controls += turned(t);
                    pairs++;
                }
                System.out.printf(Locale.ROOT, "%-16s trims for six systems in %.1f s%n", c.name(),
                        (System.nanoTime() - started) / 1e9);
                sheet(book, c);
            }
            System.out.printf(Locale.ROOT, "bands over 1.5 dB: %d of %d before, %d after; %.1f controls a trim%n",
                    before,
                    bands, after, (double) controls / pairs);
            auditions(book);
        }
    }

    private static PassageSpectra spectra(Tone tone, Sound di) {
        return PassageSpectra.of(Renderer.render(tone, di, Quality.FINAL, Progress.NONE));
    }

    private static long turned(Trim t) {
        return t.steps().stream().filter(s -> !s.place().control().endsWith("frequency")).count()
                + (t.off().isEmpty() ? 0 : 1);
    }

    /** Bands that are off on a system, and those that the tone has; the sub is the bass player's. */
    private static int[] off(PassageSpectra made, PassageSpectra there, PlaybackSystem s) {
        double[] hz = PassageSpectra.BANDS.centresHz();
        double[] wanted = made.power(2);
        double[] heard = there.power(s.loudspeakers()).clone();
        for (int b = 0; b < hz.length; b++) heard[b] *= Math.pow(10, s.levelDbAt(hz[b]) / 10);
        double loudness = 10 * Math.log10(PassageSpectra.weighted(heard) / PassageSpectra.weighted(wanted));
        int off = 0;
        int bands = 0;
        for (NamedBand n : NamedBand.values()) {
            if (n == NamedBand.SUB || PassageSpectra.isEmpty(n, wanted)) continue;
            bands++;
            double d = 10 * Math.log10(PassageSpectra.bandPower(n, heard) / PassageSpectra.bandPower(n, wanted));
            if (Math.abs(d - loudness) > OFF_DB) off++;
        }
        return new int[]{off, bands};
    }

    private static void sheet(Casebook book, CaseEntry c) {
        ToneSheet sheet = CaseSheet.of(book, c, Progress.NONE);
        long started = System.nanoTime();
        byte[] pdf = SheetFormat.PDF.write(sheet);
        System.out.printf(Locale.ROOT, "%-16s PDF %d kB in %.2f s%n", c.name(), pdf.length / 1000,
                (System.nanoTime() - started) / 1e9);
    }

    /** Two auditions of one system against each other. */
    private static void auditions(Casebook book) {
        Optional<Medium> reference = book.recordings().media(book.cases().get(0).id()).stream()
                .filter(m -> m.role() == Medium.Role.REFERENCE).findFirst();
        Sound sound = book.recordings().sound(reference.orElseThrow().hash());
        for (PlaybackSystem s : List.of(PlaybackSystem.ALL.get(0), PlaybackSystem.ALL.get(4))) {
            Sound one = new SystemSound(s, s.levelDbSpl()).of(sound, Progress.NONE);
            Sound two = new SystemSound(s, s.levelDbSpl()).of(sound, Progress.NONE);
            double most = 0;
            for (int i = 0; i < one.frames(); i++)
                most = Math.max(most, Math.abs(one.channel(0)[i] - two.channel(0)[i]));
            System.out.printf(Locale.ROOT, "two auditions of the %s: largest difference %s%n", s.name(), most == 0
                    ? "none"
                    : Figures.of("%.0f dB", 20 * Math.log10(most)));
        }
    }
}
