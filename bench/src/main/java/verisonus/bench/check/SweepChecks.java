package verisonus.bench.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import verisonus.core.sound.Sound;
import verisonus.core.travel.sweep.ExponentialSweep;
import verisonus.core.travel.sweep.SweepReport;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.ResponseCurve;
import verisonus.core.travel.system.SystemSound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** Sets of three sweeps, each set spoiled in one way: those that are accepted may not be off where they say something. */
final class SweepChecks {
    private static final int SETS = 14;
    private static final Sound SIGNAL = ExponentialSweep.STANDARD.signal();

    private SweepChecks() {}

    /** A way of spoiling one run or all. */
    private interface Spoiling {
        List<Sound> of(List<Sound> runs, SplittableRandom random);
    }

    static List<Figure> all() {
        return List.of(figure("good", (r, _) -> r), figure("level control", SweepChecks::levelled),
                figure("drop-outs of 60 ms in one run", SweepChecks::dropped),
                figure("muted beginning", SweepChecks::muted),
                figure("recorded at 16 kHz", (r, _) -> r.stream().map(s -> s.atRate(16_000)).toList()));
    }

    private static Figure figure(String name, Spoiling how) {
        Figure f = new Figure("sweep: " + name + ", accepted sets", "the loudspeaker that was played through", "dB",
                0.6);
        SplittableRandom random = new SplittableRandom(5);
        int refused = 0;
        for (int set = 0; set < SETS; set++) {
            PlaybackSystem s = PlaybackSystem.ALL.get(set % 3 == 0 ? 0 : set % 3 == 1 ? 2 : 5);
            Sound clean = heard(s);
            List<Sound> runs = new ArrayList<>();
            for (int i = 0; i < 3; i++) runs.add(noisy(clean, random));
            try {
                SweepReport said = report(how.of(runs, random));
                SweepReport truth = report(List.of(clean));
                double[] hz = said.curve().hz();
                double offset = offset(said.curve(), truth.curve());
                for (int b = 0; b < hz.length; b++) {
                    if (hz[b] > 60 && said.signalOverNoiseDb()[b] > 10)
                        f.add(said.curve().levelDb()[b] - offset, truth.curve().levelDbAt(hz[b]));
                }
            } catch (InputFault e) {
                refused++;
                f.add(0, 0);
            }
        }
        System.out.printf("sweep: %s: %d of %d sets refused%n", name, refused, SETS);
        return f;
    }

    private static double offset(ResponseCurve said, ResponseCurve truth) {
        double sum = 0;
        int n = 0;
        for (double f : said.hz()) {
            if (f < 290 || f > 3200) continue;
            sum += said.levelDbAt(f) - truth.levelDbAt(f);
            n++;
        }
        return n == 0 ? 0 : sum / n;
    }

    private static SweepReport report(List<Sound> runs) {
        List<SweepReport.Run> named = new ArrayList<>();
        for (Sound s : runs) named.add(new SweepReport.Run("run " + (named.size() + 1), s));
        return SweepReport.of(ExponentialSweep.STANDARD, named, Optional.empty());
    }

    private static Sound heard(PlaybackSystem s) {
        PlaybackSystem plain = new PlaybackSystem(s.id(), s.name(), s.curve(), Optional.empty(), s.room(), 1, false, 75,
                "");
        return Sound.mono(new SystemSound(plain, 75).of(SIGNAL, Progress.NONE).channel(0), 48_000);
    }

    private static Sound noisy(Sound s, SplittableRandom random) {
        float[] x = s.mid().clone();
        for (int i = 0; i < x.length; i++) x[i] += (float) (0.0005 * (2 * random.nextDouble() - 1));
        return Sound.mono(x, 48_000);
    }

    private static List<Sound> levelled(List<Sound> runs, SplittableRandom random) {
        double attack = Math.exp(Math.log(0.005) + random.nextDouble() * Math.log(200));
        double release = Math.exp(Math.log(0.2) + random.nextDouble() * Math.log(15));
        return runs.stream().map(s -> {
            float[] x = s.mid().clone();
            double follower = 1e-4;
            for (int i = 0; i < x.length; i++) {
                double level = Math.abs(x[i]);
                follower += (level - follower) * (1 - Math.exp(-1 / ((level > follower ? attack : release) * 48_000)));
                x[i] *= (float) Math.pow(Math.max(1, follower / 0.03), -0.6);
            }
            return Sound.mono(x, 48_000);
        }).toList();
    }

    private static List<Sound> dropped(List<Sound> runs, SplittableRandom random) {
        List<Sound> out = new ArrayList<>(runs);
        float[] x = out.get(0).mid().clone();
        int at = (int) ((2.8 + 5 * random.nextDouble()) * 48_000);
        for (int i = at; i < at + 2880; i++) x[i] = (float) (0.0005 * (2 * random.nextDouble() - 1));
        out.set(0, Sound.mono(x, 48_000));
        return out;
    }

    private static List<Sound> muted(List<Sound> runs, SplittableRandom random) {
        int until = (int) ((2.55 + random.nextDouble()) * 48_000);
        return runs.stream().map(s -> {
            float[] x = s.mid().clone();
            for (int i = 0; i < until; i++) x[i] *= 0.001f;
            return noisy(Sound.mono(x, 48_000), random);
        }).toList();
    }
}
