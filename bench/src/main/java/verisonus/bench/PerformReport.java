package verisonus.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import verisonus.casebook.store.CaseEntry;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.Medium;
import verisonus.core.compare.HeardChange;
import verisonus.core.perform.GuitarTrim;
import verisonus.core.perform.SolvedVariant;
import verisonus.core.perform.VariantGoal;
import verisonus.core.perform.VariantSolver;
import verisonus.core.perform.device.Translation;
import verisonus.core.perform.device.Translator;
import verisonus.core.perform.foot.FootLimits;
import verisonus.core.perform.foot.PedalRange;
import verisonus.core.perform.foot.PedalRangeFinder;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.ToneSearch;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;
import verisonus.demo.DemoCasebook;
import verisonus.demo.Takes;

/**
 * Do variants come out as asked, do trims bring another guitar nearer, are the limits of pedals where a direct render has them, and
 * what does turning again gain on another device? Every figure is read from renders at final quality.
 */
final class PerformReport {
    private static final double DIRT_OFF = 0.03;
    private static final double LOUDNESS_OFF_LU = 0.2;

    private PerformReport() {}

    /** A tone and the take it is played with. */
    private record Played(String name, Tone tone, Sound di) {}

    public static void main(String[] args) throws IOException {
        List<Played> demo = demo();
        variants(demo);
        guitars(demo);
        pedals(demo);
        devices(demo);
    }

    private static List<Played> demo() throws IOException {
        Path file = Files.createTempDirectory("perform").resolve(DemoCasebook.FILE_NAME);
        DemoCasebook.writeTo(file);
        List<Played> out = new ArrayList<>();
        try (Casebook book = Casebook.open(file);
                ExecutorService workers = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
            for (CaseEntry c : book.cases()) {
                Sound di = sound(book, c, Medium.Role.DI);
                Tone tone = book.tones().tone(c.id()).map(d -> d.tone())
                        .orElseGet(() -> new ToneSearch(sound(book, c, Medium.Role.REFERENCE), di,
                                SearchOptions.defaults(), workers, Progress.NONE).run().tone());
                out.add(new Played(c.name(), tone, di));
            }
        }
        return out;
    }

    private static Sound sound(Casebook book, CaseEntry c, Medium.Role role) {
        return book.recordings().media(c.id()).stream().filter(m -> m.role() == role).findFirst()
                .map(m -> book.recordings().sound(m.hash()))
                .orElseThrow();
    }

    private static void variants(List<Played> demo) {
        int asked = 0;
        int reached = 0;
        int within = 0;
        double worstLu = 0;
        double worstDirt = 0;
        double[] louder = {3, 0, -4, 2, 6, 0};
        double[] dirtier = {0.1, 0.05, -0.1, 0.15, 0, -0.05};
        long started = System.nanoTime();
        for (Played p : demo) {
            VariantSolver solver = new VariantSolver(p.tone, p.di, Optional.empty(), Optional.empty());
            for (int g = 0; g < louder.length; g++) {
                asked++;
                SolvedVariant v = solver.solved("lead",
                        VariantGoal.NOTHING.louder(louder[g]).dirtier(dirtier[g]), Progress.NONE);
                double lu = Math.abs(v.after().loudnessLufs() - v.before().loudnessLufs() - louder[g]);
                double dirt = Math.abs(v.after().dirt() - v.before().dirt() - dirtier[g]);
                if (v.amiss().isEmpty()) {
                    reached++;
                    worstLu = Math.max(worstLu, lu);
                    worstDirt = Math.max(worstDirt, dirt);
                    if (lu <= LOUDNESS_OFF_LU && dirt <= DIRT_OFF) within++;
                } else {
                    System.out.println("  " + p.name + ": " + v.amiss());
                }
            }
        }
        System.out.printf(Locale.ROOT, "variants: %d of %d goals said to be reached, %d of them within 0.2 LU and 0.03"
                + " (worst %.2f LU, %.3f); %.1f s each%n", reached, asked, within, worstLu, worstDirt,
                (System.nanoTime() - started) / 1e9 / asked);
    }

    private static void guitars(List<Played> demo) {
        double before = 0;
        double after = 0;
        int better = 0;
        int pairs = 0;
        for (Played p : demo) {
            for (int k = 0; k < 2; k++) {
                Takes.Style style = Takes.Style.values()[(pairs * 3) % Takes.Style.values().length];
                Sound a = Takes.performed(style, 71 + pairs, 1, Takes.Guitar.SINGLE_COIL, 8).sound();
                Sound b = Takes.performed(style, 71 + pairs, 2,
                        k == 0 ? Takes.Guitar.HUMBUCKER : Takes.Guitar.PARTIALS, 8).sound().gained(k == 0 ? 5 : -3);
                GuitarTrim t = GuitarTrim.of("other guitar", p.tone, a, b, Progress.NONE);
                Tone trimmed = t.variant().on(t.base());
                double was = colourDb(t.base(), a, t.base(), b);
                double is = colourDb(t.base(), a, trimmed, b);
                before += was;
                after += is;
                if (is < was) better++;
                pairs++;
            }
        }
        System.out.printf(Locale.ROOT, "another guitar: %d of %d pairs nearer, colour %.2f dB before, %.2f after%n",
                better, pairs, before / pairs, after / pairs);
    }

    private static double colourDb(Tone first, Sound a, Tone second, Sound b) {
        return HeardChange.between(HeardChange.Moments.of(played(first, a)), HeardChange.Moments.of(played(second, b)))
                .colourDb();
    }

    private static Sound played(Tone t, Sound di) {
        return Renderer.render(t, di, Quality.FINAL, Progress.NONE);
    }

    private static void pedals(List<Played> demo) {
        int controls = 0;
        int heard = 0;
        int useful = 0;
        for (Played p : demo) {
            for (Block b : withSpace(p.tone).blocks()) {
                for (Control c : b.model().controls()) {
                    boolean wanted = b.on() && (c.name().equals(ControlNames.MIX)
                            || c.name().equals(ControlNames.FEEDBACK) || c.name().equals(ControlNames.DEPTH)
                            || c.name().equals(ControlNames.GAIN) || c.name().equals(ControlNames.DECAY));
                    if (!wanted) continue;
                    controls++;
                    Tone tone = withSpace(p.tone);
                    PedalRangeFinder finder = new PedalRangeFinder(tone, p.di, FootLimits.USUAL);
                    PedalRange r = finder.of(ControlPlace.of(b, c.name()), Progress.NONE);
                    double jnd = direct(tone, b, c, r.low(), finder.phrase());
                    boolean right = !r.isUseful() || !r.lowWhy().startsWith("below") || Math.abs(jnd - 1) < 0.35;
                    if (right) heard++;
                    if (r.isUseful()) useful++;
                    System.out.printf(Locale.ROOT,
                            "  %-16s %-22s %s (%s) to %s (%s); first heard by a direct render %.2f%n",
                            p.name, ControlPlace.of(b, c.name()), c.display(r.low()), r.lowWhy(), c.display(r.high()),
                            r.highWhy(),
                            jnd);
                }
            }
        }
        System.out.printf(Locale.ROOT, "pedals: %d controls, %d useful, first heard right in %d%n", controls, useful,
                heard);
    }

    private static Tone withSpace(Tone t) {
        if (t.first(GearKind.REVERB).isPresent()) return t;
        return t.inserted(Block.of("plate").with(ControlNames.MIX, 15), t.blocks().size());
    }

    private static double direct(Tone t, Block b, Control c, double value, Sound di) {
        Sound heel = played(t.with(b.with(c.name(), c.minimum())), di);
        Sound there = played(t.with(b.with(c.name(), value)), di);
        return HeardChange.between(HeardChange.Moments.of(heel), HeardChange.Moments.of(there)).withLoudnessJnd();
    }

    private static void devices(List<Played> demo) {
        Map<String, Rig> devices = new LinkedHashMap<>();
        devices.put("small", only(4, "mid-forward crunch", "small combo", "clean echo", "room", "1×12 open",
                "dynamic microphone"));
        devices.put("crunchy", only(7, "tight saturated", "mid-hump overdrive", "octave graphic", "tape-like echo",
                "spring", "4×12 closed", "condenser microphone"));
        devices.put("clean", only(9, "open clean", "transparent overdrive", "parametric equalizer", "dual echo",
                "plain hall", "chorus", "2×12 open", "ribbon microphone"));
        double merely = 0;
        double turned = 0;
        int n = 0;
        int better = 0;
        for (Played p : demo) {
            for (Map.Entry<String, Rig> d : devices.entrySet()) {
                long started = System.nanoTime();
                try {
                    Translation t = new Translator(p.tone, p.di, d.getValue()).translated(Progress.NONE);
                    merely += t.merelyJnd();
                    turned += t.gapJnd();
                    if (t.gapJnd() < t.merelyJnd() - 0.05) better++;
                    n++;
                    System.out.printf(Locale.ROOT,
                            "  %-16s on the %s: %.2f JND merely, %.2f turned, %d changes, %.1f s%n",
                            p.name, d.getKey(), t.merelyJnd(), t.gapJnd(), t.changes().size(),
                            (System.nanoTime() - started) / 1e9);
                } catch (InputFault e) {
                    System.out.println("  " + p.name + " on the " + d.getKey() + ": " + e.getMessage());
                }
            }
        }
        System.out.printf(Locale.ROOT,
                "devices: %d translations, %.2f JND merely carried over, %.2f turned, nearer in %d%n",
                n, merely / n, turned / n, better);
    }

    private static Rig only(int blocks, String... models) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        for (String m : models) counts.put(Gear.find(m).map(Model::name).orElseThrow(), 1);
        return new Rig(List.of(), counts, Map.of(), blocks, Set.of(GearKind.AMP), Map.of(), Map.of(), List.of());
    }
}
