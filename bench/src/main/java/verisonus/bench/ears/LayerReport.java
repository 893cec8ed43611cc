package verisonus.bench.ears;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import verisonus.core.compare.HeardChange;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.travel.MonoLoss;
import verisonus.core.travel.NamedBand;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.trial.layers.LayerMasking;
import verisonus.core.trial.layers.SecondChain;
import verisonus.core.trial.layers.TakesApart;
import verisonus.core.trial.open.Bed;
import verisonus.core.trial.setup.Nudge;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** What is found of sounds beside each other, with mixes, takes and rigs whose truth is known. */
final class LayerReport {
    private LayerReport() {}

    /** @param args which figures; all without */
    public static void main(String[] args) {
        Set<String> only = Set.of(args);
        TrialReport.part(only, "loudness", LayerReport::loudness);
        TrialReport.part(only, "masking", LayerReport::masking);
        TrialReport.part(only, "takes", LayerReport::takes);
        TrialReport.part(only, "second", LayerReport::secondChain);
        TrialReport.part(only, "nudge", LayerReport::nudge);
        TrialReport.part(only, "long", LayerReport::longSong);
    }

    private static void loudness() {
        double worst = 0;
        for (int n = 0; n < 20; n++) {
            Sound a = MadeRigs.played(MadeRigs.tone(n), MadeRigs.take(n, 1, 6));
            Sound b = MadeRigs.played(MadeRigs.tone(n + 3), MadeRigs.take(n, 2, 7)).gained(n % 7 * 4 - 12);
            MatchedSounds m = MatchedSounds.of(List.of(new Candidate("a", a), new Candidate("b", b)));
            worst = Math.max(worst, Math.abs(LoudnessMeter.integratedLufs(m.sound(0)).orElseThrow()
                    - LoudnessMeter.integratedLufs(m.sound(1)).orElseThrow()));
        }
        System.out.printf(Locale.ROOT, "loudness after matching, 20 pairs: worst %.3f LU%n", worst);
    }

    private static void masking() {
        int found = 0;
        int right = 0;
        int made = 10;
        int extra = 0;
        double before = 0;
        double after = 0;
        for (int n = 0; n < made; n++) {
            NamedBand covered = List.of(NamedBand.LOWS, NamedBand.LOW_MIDS, NamedBand.MIDS, NamedBand.UPPER_MIDS,
                    NamedBand.PRESENCE).get(n % 5);
            Sound voice = banded(MadeRigs.played(MadeRigs.tone(n), MadeRigs.take(n, 1, 8)), covered, 8);
            // The other part is strong only where the first one shall be covered.
            Sound hider = banded(noise(n, 8), covered, 24);
            double lead = LoudnessMeter.integratedLufs(voice).orElseThrow();
            hider = hider.gained(lead + 8 - LoudnessMeter.integratedLufs(hider).orElseThrow());
            List<LayerMasking> all = LayerMasking.of(List.of(new Candidate("voice", voice), new Candidate("guitar",
                    hider)));
            Optional<LayerMasking> hit = all.stream().filter(m -> m.hidden().equals("voice") && m.band() == covered)
                    .findFirst();
            if (hit.isPresent()) {
                found++;
                if (all.stream().filter(m -> m.hidden().equals("voice")).findFirst().equals(hit)) right++;
                before += hit.get().share();
                double yield = hit.get().yieldDb();
                Sound less = banded(hider, covered, -yield - 1);
                after += LayerMasking.of(List.of(new Candidate("voice", voice), new Candidate("guitar", less))).stream()
                        .filter(m -> m.hidden().equals("voice") && m.band() == covered).mapToDouble(LayerMasking::share)
                        .max().orElse(0);
            }
            extra += (int) all.stream().filter(m -> m.hidden().equals("voice") && m.band() != covered).count();
        }
        System.out.printf(Locale.ROOT,
                "masking: covered band found in %d of %d, the first named in %d, other bands named"
                        + " beside it %d; share hidden %.2f, after the hider yields as said %.2f%n",
                found, made, right, extra,
                before / Math.max(1, found), after / Math.max(1, found));
        int said = 0;
        for (int n = 0; n < made; n++) {
            Sound a = banded(MadeRigs.played(MadeRigs.tone(n), MadeRigs.take(n, 1, 8)), NamedBand.LOWS, -12);
            Sound b = banded(noise(n, 8), NamedBand.LOWS, 30);
            b = b.gained(LoudnessMeter.integratedLufs(a).orElseThrow() - 20 - LoudnessMeter.integratedLufs(b)
                    .orElseThrow());
            said += (int) LayerMasking.of(List.of(new Candidate("voice", a), new Candidate("guitar", b))).stream()
                    .filter(m -> m.hidden().equals("voice")).count();
        }
        System.out.printf(Locale.ROOT, "masking where nothing is covered: %d bands named in %d mixes%n", said, made);
    }

    private static Sound noise(int seed, double seconds) {
        Random random = new Random(seed);
        float[] x = new float[(int) (seconds * Sound.WORKING_RATE_HZ)];
        double brown = 0;
        for (int i = 0; i < x.length; i++) {
            brown = 0.96 * brown + 0.04 * random.nextGaussian();
            x[i] = (float) (0.3 * brown);
        }
        return Sound.mono(x, Sound.WORKING_RATE_HZ);
    }

    private static Sound banded(Sound s, NamedBand band, double db) {
        Biquad peak = Biquad.peak(Math.sqrt(band.fromHz() * band.toHz()), db, 1.1, s.rateHz());
        float[] x = s.mid().clone();
        new Biquad.Section(peak).process(x, 0, x.length);
        return Sound.mono(x, s.rateHz());
    }

    private static void takes() {
        int copies = 0;
        int falsely = 0;
        double spread = 0;
        int found = 0;
        for (int n = 0; n < 10; n++) {
            Sound a = MadeRigs.take(n, 1, 8);
            Sound b = MadeRigs.take(n, 2, 8);
            try {
                TakesApart t = TakesApart.of(a, b);
                if (t.isCopy()) falsely++;
                spread += t.spreadMs();
                found++;
                float[] late = new float[a.frames()];
                System.arraycopy(a.mid(), 0, late, 480, a.frames() - 480);
                if (TakesApart.of(a, Sound.mono(late, a.rateHz())).isCopy()) copies++;
            } catch (InputFault e) {
                System.out.println("  " + n + ": " + e.getMessage());
            }
        }
        System.out
                .printf(Locale.ROOT,
                        "takes: copies moved by 10 ms called copies %d of %d, second takes called copies %d;"
                                + " spread of the made hands %.1f ms%n",
                        copies, found, falsely, spread / Math.max(1, found));
    }

    private static void secondChain() {
        int inside = 0;
        int none = 0;
        double seconds = 0;
        SecondChain.Limits limits = SecondChain.Limits.USUAL;
        for (int n = 0; n < 10; n++) {
            Tone t = MadeRigs.tone(n);
            Sound a = MadeRigs.take(n, 1, 8);
            Sound b = MadeRigs.take(n, 2, 8);
            long started = System.nanoTime();
            List<SecondChain> all = SecondChain.of(t, Rig.everything(), a, Optional.of(b), limits, Progress.NONE);
            seconds += (System.nanoTime() - started) / 1e9 / 10;
            if (all.isEmpty()) {
                none++;
                continue;
            }
            SecondChain s = all.getFirst();
            Sound left = MadeRigs.played(t, a);
            Sound same = MadeRigs.played(s.tone(), a);
            double colour = HeardChange.between(HeardChange.Moments.of(left), HeardChange.Moments.of(same)).colourDb();
            Sound right = MadeRigs.played(s.tone(), b).gained(s.gainDb());
            int frames = Math.min(left.frames(), right.frames());
            double mono = MonoLoss.of(Sound.stereo(left.withFrames(frames).mid(), right.withFrames(frames).mid(), left
                    .rateHz())).stream().mapToDouble(MonoLoss::changeDb).min().orElse(0);
            boolean is = colour > limits.nearestDb() - 0.3 && colour < limits.furthestDb() + 0.3;
            if (is) inside++;
            System.out.printf(Locale.ROOT, "  %s: %s; whole take at final quality: colour %.1f dB, mono %.1f dB%n", t
                    .name(), s.words(), colour, mono);
        }
        System.out.printf(Locale.ROOT,
                "second chain: inside its limits on the whole take %d of %d, none found %d; %.1f s%n",
                inside, 10 - none, none, seconds);
    }

    private static void nudge() {
        Random random = new Random(10);
        for (boolean same : new boolean[]{true, false}) {
            int found = 0;
            int asked = 0;
            double off = 0;
            double was = 0;
            double before = 0;
            double after = 0;
            double seconds = 0;
            for (int n = 0; n < 10; n++) {
                Tone t = MadeRigs.tone(n);
                Block amp = t.blocks().getFirst();
                List<Control> all = amp.model().controls().stream().filter(c -> !c.isChoice() && !c.rare())
                        .filter(c -> Set.of("gain", "bass", "mid", "treble", "presence").contains(c.name())).toList();
                Control c = all.get(random.nextInt(all.size()));
                double at = c.position(amp.get(c.name()));
                double by = (at > 0.5 ? -1 : 1) * (0.2 + 0.25 * random.nextDouble());
                Tone real = t.with(amp.with(c.name(), c.valueAt(at + by)));
                Sound recorded = MadeRigs.played(real, MadeRigs.take(n, same ? 1 : 2, 8)).gained(-6);
                long started = System.nanoTime();
                Nudge g = Nudge.of(t, MadeRigs.take(n, 1, 8), recorded, Progress.NONE);
                seconds += (System.nanoTime() - started) / 1e9 / 10;
                asked++;
                before += g.beforeJnd();
                after += g.afterJnd();
                was += Math.abs(by);
                Optional<Nudge.Turn> hit = g.turns().stream().limit(1)
                        .filter(x -> x.place().equals(ControlPlace.of(amp, c.name()))).findFirst();
                if (hit.isPresent()) {
                    found++;
                    off += Math.abs(c.position(hit.get().seemsAt()) - at - by);
                }
            }
            System.out.printf(Locale.ROOT,
                    "nudge, %s: the control set off named first %d of %d, its place off by %.3f of"
                            + " the track (set off by %.2f); %.2f JND before, %.2f after; %.1f s%n",
                    same ? "take sent through" : "played again", found, asked, off / Math.max(1, found), was / asked,
                    before / asked, after
                            / asked,
                    seconds);
        }
    }

    private static void longSong() {
        Sound phrase = MadeRigs.played(MadeRigs.tone(0), MadeRigs.take(0, 1, 8));
        int frames = 600 * Sound.WORKING_RATE_HZ;
        float[] x = new float[frames];
        for (int i = 0; i < frames; i++) x[i] = phrase.mid()[i % phrase.frames()];
        Sound song = Sound.stereo(x, x.clone(), Sound.WORKING_RATE_HZ);
        System.gc();
        long memory = Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
        long started = System.nanoTime();
        MatchedSounds m = MatchedSounds.of(List.of(new Candidate("record", song.slice(200, 212)), new Candidate("mine",
                MadeRigs.played(MadeRigs.tone(1), MadeRigs.take(0, 1, 12)))));
        double begun = (System.nanoTime() - started) / 1e9;
        long now = Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
        started = System.nanoTime();
        Sound bed = new Bed(120, 0).under(song);
        System.out.printf(Locale.ROOT,
                "a twelve-second region of a ten-minute song: trial begins after %.2f s, %.0f MB on top"
                        + " of the song; a bed under all of it %.1f s (%.0f s long), %d sounds%n",
                begun, (now - memory) / 1e6,
                (System.nanoTime() - started) / 1e9, bed.durationS(), m.candidates().size());
    }
}
