package verisonus.bench;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.LongStream;
import verisonus.core.evidence.replay.RiddenLevel;
import verisonus.core.evidence.replay.RiddenSpeed;
import verisonus.core.sound.Sound;
import verisonus.demo.Takes;

/**
 * Levels ridden and speeds changed on made-up records, followed with a take of the same phrase by another hand on another guitar: how often a ride is
 * found where there is one and where there is none, and how far the curve is off. Arguments: first and last seed.
 */
public final class RideReport {
    private static final double LENGTH_S = 16;
    private static final double[] SWINGS_DB = {0, 6, 12};
    /** 0: no tremolo at all. */
    private static final double[] RATIOS = {0, 1, 1.5, 2.2};

    private RideReport() {}

    public static void main(String[] args) {
        long from = args.length > 0 ? Long.parseLong(args[0]) : 1;
        long to = args.length > 1 ? Long.parseLong(args[1]) : 24;
        Tally tally = new Tally();
        LongStream.rangeClosed(from, to).forEach(seed -> one(seed, tally));
        System.out.print(tally.text());
    }

    /** How a hand moves: from one level to another in some seconds. */
    private record Ride(double swingDb, double fromS, double lengthS, boolean up) {
        private double db(double atS) {
            double share = Math.clamp((atS - fromS) / lengthS, 0, 1);
            return swingDb * ((up ? share : 1 - share) - 0.5);
        }

        private float[] on(float[] x) {
            float[] out = new float[x.length];
            for (int i = 0; i < x.length; i++)
                out[i] = (float) (x[i] * Math.pow(10, db((double) i / Effects.RATE_HZ) / 20));
            return out;
        }
    }

    private static void one(long seed, Tally tally) {
        SplittableRandom r = new SplittableRandom(seed * 77 + 3);
        Takes.Style style = Takes.Style.values()[(int) (seed % Takes.Style.values().length)];
        ReplayCase.Guitars g = ReplayCase.Guitars.of(r);
        OtherChain.Settings chain = new OtherChain.Settings(seed + 333);
        float[] dry = chain.play(KnownTone.levelled(
                Takes.performed(style, 800_000 + seed, 2 * seed + 1, g.theirs(), LENGTH_S).sound().mid()).mid(),
                OtherChain.Spoiling.NOTHING);
        Sound core = Sound.mono(chain.play(KnownTone.levelled(
                Takes.performed(style, 800_000 + seed, 2 * seed + 2, g.mine(), LENGTH_S).sound().mid()).mid(),
                OtherChain.Spoiling.NOTHING), Effects.RATE_HZ);
        double ms = 200 * Math.pow(3, r.nextDouble());
        Effects.Echo echo = new Effects.Echo(ms, 0.2 + 0.3 * r.nextDouble(), -7 - 6 * r.nextDouble(), 0, 0, 0);
        float[] wet = Effects.sum(echo.on(dry), dry, -1);
        for (double swing : SWINGS_DB) {
            Ride ride = new Ride(swing, 4 + 2 * r.nextDouble(), 2 + 3 * r.nextDouble(), r.nextBoolean());
            Sound echoed = Sound.mono(Effects.sum(dry, ride.on(wet), 1), Effects.RATE_HZ);
            judge("repeats", swing, ride, RiddenLevel.ofRepeats(echoed, core, ms), tally);
            Sound faded = Sound.mono(ride.on(dry), Effects.RATE_HZ);
            judge("guitar", swing, ride, RiddenLevel.ofGuitar(faded, core), tally);
        }
        speeds(seed, dry, core, r, tally);
    }

    /** A tremolo as fast throughout, one that was made faster or slower, or none. */
    private static void speeds(long seed, float[] dry, Sound core, SplittableRandom r, Tally tally) {
        double hz = 2.5 + 2 * r.nextDouble();
        double depth = 0.4 + 0.5 * r.nextDouble();
        for (double ratio : RATIOS) {
            double changes = 1 + 3 * r.nextDouble();
            Ride ride = new Ride(1, 5 + 3 * r.nextDouble(), changes, r.nextBoolean());
            Sound record = Sound.mono(ratio == 0 ? dry : swaying(dry, ride, hz, ratio, depth), Effects.RATE_HZ);
            Optional<RiddenSpeed> found = RiddenSpeed.of(record, core);
            String what = ratio == 0 ? "no tremolo" : String.format(Locale.ROOT, "tremolo, speed times %.1f", ratio);
            tally.share(what + ": a change found", found.isPresent());
            if (found.isEmpty() || ratio <= 1) continue;
            double right = 0;
            for (int i = 0; i < found.get().hz().size(); i++)
                if (Math.abs(found.get().hz().get(i) / hz(ride, found.get().atS().get(i), hz, ratio) - 1) < 0.1)
                    right += 1.0 / found.get().hz().size();
            tally.error(what + ": share of windows off by 10 %", 1 - right);
        }
    }

    private static double hz(Ride ride, double atS, double hz, double ratio) {
        return hz * Math.pow(ratio, ride.db(atS) + 0.5);
    }

    private static float[] swaying(float[] x, Ride ride, double hz, double ratio, double depth) {
        float[] out = new float[x.length];
        double phase = 0;
        for (int i = 0; i < x.length; i++) {
            phase += 2 * Math.PI * hz(ride, (double) i / Effects.RATE_HZ, hz, ratio) / Effects.RATE_HZ;
            out[i] = (float) (x[i] * (1 - depth * (0.5 - 0.5 * Math.cos(phase))));
        }
        return out;
    }

    private static void judge(String what, double swing, Ride ride, Optional<RiddenLevel> found, Tally tally) {
        tally.share(String.format(Locale.ROOT, "%s ridden by %.0f dB: found", what, swing), found.isPresent());
        if (found.isEmpty() || swing == 0) return;
        List<Double> at = found.get().atS();
        double[] truth = at.stream().mapToDouble(ride::db).toArray();
        double middle = Arrays.stream(truth).sorted().toArray()[truth.length / 2];
        double off = 0;
        for (int i = 0; i < truth.length; i++) off += Math.abs(truth[i] - middle - found.get().db().get(i));
        tally.error(String.format(Locale.ROOT, "%s ridden by %.0f dB: curve off, dB", what, swing), off / truth.length);
    }
}
