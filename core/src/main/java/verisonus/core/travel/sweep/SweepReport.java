package verisonus.core.travel.sweep;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import verisonus.core.sound.Sound;
import verisonus.core.travel.system.ResponseCurve;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/**
 * What a playback system does, measured: third octaves from several recordings of the sweep, 0 dB being the mean from 300 Hz to
 * 3 kHz. Runs are averaged in power, noise taken off.
 *
 * @param curve response at the microphone, its calibration taken out
 * @param signalOverNoiseDb by third octave, in the curve's order
 * @param used how many of the runs agree and are in it
 * @param remarks what was left out and why, in sentences
 */
public record SweepReport(ResponseCurve curve, double[] signalOverNoiseDb, int used, List<String> remarks) {
    /** Third octaves above 80 Hz in which two runs may differ, dB RMS. */
    private static final double AGREE_DB = 1.0;
    private static final double LEAST_OVER_NOISE_DB = 6;
    /** A converter is flatter than this, no loudspeaker in a room is less uneven than that. */
    private static final double FLAT_DB = 0.5;
    private static final double UNEVEN_DB = 1.5;
    private static final String UNJUDGED = ": the tones around its sweep do not stand out, so nothing tells whether something turned its"
            + " level; record the whole signal as it is written now, in a quieter room";

    public SweepReport {
        signalOverNoiseDb = signalOverNoiseDb.clone();
        remarks = List.copyOf(remarks);
    }

    @Override
    public double[] signalOverNoiseDb() {
        return signalOverNoiseDb.clone();
    }

    /** A recording and what it is called. */
    public record Run(String name, Sound sound) {}

    /**
     * @param calibration what the microphone itself adds, to be taken out
     * @throws InputFault naming the recording that cannot be used where too few are left
     */
    public static SweepReport of(ExponentialSweep sweep, List<Run> runs, Optional<ResponseCurve> calibration) {
        if (runs.isEmpty()) throw new InputFault("sweep", "no recording was given", "record the sweep");
        List<SweepRun> good = new ArrayList<>();
        List<String> remarks = new ArrayList<>();
        InputFault first = null;
        for (Run r : runs) {
            SweepRun run = run(sweep, r, remarks);
            if (run.fault().isEmpty()) {
                good.add(run);
                if (!run.levelJudged()) remarks.add(r.name() + UNJUDGED);
            } else {
                SweepFault f = run.fault().get();
                if (first == null) first = new InputFault(r.name(), f.words(), f.remedy());
                remarks.add(r.name() + " was left out: " + f.words());
            }
        }
        if (good.isEmpty()) throw first == null ? new InputFault("sweep", "no run", "run again") : first;
        List<SweepRun> agreed = agreeing(good);
        if (good.size() > 1 && agreed.size() < 2)
            throw new InputFault(runs.get(0).name(), SweepFault.DISAGREE.words(), SweepFault.DISAGREE.remedy());
        if (agreed.size() < good.size())
            remarks.add((good.size() - agreed.size()) + " of the runs disagrees with the others and was left out");
        if (runs.size() == 1) remarks.add("one run only: a second would show whether it can be trusted");
        return averaged(sweep, withoutHoles(agreed, remarks), calibration, remarks);
    }

    /** Without runs that are softer for a moment than most others: the sound had gone then. */
    private static List<SweepRun> withoutHoles(List<SweepRun> runs, List<String> remarks) {
        List<SweepRun> out = new ArrayList<>();
        for (SweepRun r : runs) {
            long softer = runs.stream().filter(o -> o != r && isAnywhere(r.envelope().softerThan(o.envelope())))
                    .count();
            if (softer == 0 || softer < (runs.size() - 1) / 2.0 + 0.5 && runs.size() > 2) out.add(r);
        }
        if (out.isEmpty()) return runs;
        if (out.size() < runs.size())
            remarks.add((runs.size() - out.size()) + " of the runs was left out: " + SweepFault.DROPPED_OUT.words());
        return out;
    }

    private static boolean isAnywhere(boolean[] frames) {
        for (boolean f : frames) if (f) return true;
        return false;
    }

    /** Of two sides the one that a microphone heard: a cable from output to input holds the sweep too, and is flat. */
    private static SweepRun run(ExponentialSweep sweep, Run r, List<String> remarks) {
        if (!r.sound().isStereo()) return SweepRun.of(sweep, r.sound());
        List<SweepRun> sides = Arrays.stream(r.sound().channels())
                .map(x -> SweepRun.of(sweep, Sound.mono(x, r.sound().rateHz()))).toList();
        boolean both = sides.stream().allMatch(s -> s.fault().isEmpty());
        for (int cable = 0; both && cable < 2; cable++) {
            if (unevenDb(sides.get(cable)) > FLAT_DB || unevenDb(sides.get(1 - cable)) < UNEVEN_DB) continue;
            remarks.add(Figures.of("%s: its %s side is the cable itself, the %s was read", r.name(),
                    cable == 0 ? "left" : "right", cable == 0 ? "right" : "left"));
            return sides.get(1 - cable);
        }
        return SweepRun.of(sweep, r.sound());
    }

    /** How far third octaves from 50 Hz to 12.5 kHz stand about their mean, dB RMS. */
    private static double unevenDb(SweepRun run) {
        double[] hz = SweepRun.BANDS.centresHz();
        double[] db = IntStream.range(0, hz.length).filter(b -> hz[b] > 48 && hz[b] < 13000)
                .mapToDouble(b -> 10 * Math.log10(run.power()[b] + 1e-20)).toArray();
        double mean = Arrays.stream(db).average().orElse(0);
        return Math.sqrt(Arrays.stream(db).map(d -> (d - mean) * (d - mean)).average().orElse(0));
    }

    private static List<SweepRun> agreeing(List<SweepRun> runs) {
        List<SweepRun> best = List.of();
        for (SweepRun r : runs) {
            List<SweepRun> with = runs.stream().filter(o -> apartDb(r, o) <= AGREE_DB).toList();
            if (with.size() > best.size()) best = with;
        }
        return best;
    }

    /** Difference of two runs above 80 Hz where both stand out of the noise, dB RMS; a difference in loudness counts too. */
    private static double apartDb(SweepRun a, SweepRun b) {
        double[] hz = SweepRun.BANDS.centresHz();
        double sum = 0;
        int n = 0;
        for (int i = 0; i < hz.length; i++) {
            if (hz[i] < 80 || overNoiseDb(a, i) < LEAST_OVER_NOISE_DB || overNoiseDb(b, i) < LEAST_OVER_NOISE_DB)
                continue;
            double d = 10 * Math.log10((a.power()[i] + 1e-20) / (b.power()[i] + 1e-20));
            sum += d * d;
            n++;
        }
        return n == 0 ? Double.POSITIVE_INFINITY : Math.sqrt(sum / n);
    }

    private static double overNoiseDb(SweepRun r, int band) {
        return 10 * Math.log10((r.power()[band] + 1e-20) / (r.noise()[band] + 1e-20));
    }

    private static SweepReport averaged(ExponentialSweep sweep, List<SweepRun> runs,
            Optional<ResponseCurve> calibration, List<String> remarks) {
        double[] hz = SweepRun.BANDS.centresHz();
        double[] db = new double[hz.length];
        double[] over = new double[hz.length];
        for (int b = 0; b < hz.length; b++) {
            int band = b;
            double power = runs.stream().mapToDouble(r -> r.power()[band]).average().orElse(0);
            db[b] = 10 * Math.log10(power + 1e-20) - calibration.map(c -> inside(c, hz[band])).orElse(0.0);
            over[b] = runs.stream().mapToDouble(r -> overNoiseDb(r, band)).min().orElse(0);
        }
        double middle = 0;
        int n = 0;
        for (int b = 0; b < hz.length; b++) {
            if (hz[b] < 290 || hz[b] > 3200) continue;
            middle += db[b];
            n++;
        }
        for (int b = 0; b < hz.length; b++) db[b] -= middle / n;
        List<String> said = new ArrayList<>(remarks);
        long buried = Arrays.stream(over).filter(o -> o < LEAST_OVER_NOISE_DB).count();
        if (buried > 0)
            said.add(buried + " narrow bands do not stand out of the noise: their levels are upper limits");
        boolean[] known = known(sweep, runs, hz, said);
        return new SweepReport(new ResponseCurve(only(hz, known), only(db, known)), only(over, known), runs.size(),
                said);
    }

    /** Bands of which all runs say something, and the same; the others are left out and named. */
    private static boolean[] known(ExponentialSweep sweep, List<SweepRun> runs, double[] hz, List<String> said) {
        double low = runs.stream().mapToDouble(SweepRun::lowestHz).max().orElse(0);
        double high = runs.stream().mapToDouble(SweepRun::highestHz).min().orElse(Double.POSITIVE_INFINITY);
        if (low > 0) said.add(Figures.of("the sweep's beginning is missing: nothing is known under %.0f Hz", low));
        if (high < hz[hz.length - 1])
            said.add(Figures.of("it was recorded at a low rate: nothing is known over %.1f kHz", high / 1000));
        double[] unlike = unlike(sweep, runs);
        if (unlike.length > 0)
            said.add(Figures.of("the runs differ for a moment near %.0f Hz: nothing is said of it", unlike[0]));
        boolean[] out = new boolean[hz.length];
        for (int b = 0; b < out.length; b++) {
            double centre = hz[b];
            out[b] = centre / Math.pow(2, 1 / 6.0) >= low && centre * Math.pow(2, 1 / 6.0) <= high
                    && Arrays.stream(unlike).noneMatch(f -> Math.abs(Math.log(f / centre)) < Math.log(2) / 3);
        }
        return out;
    }

    /** Frequencies at which two runs that are left differ for a moment, and nobody can say which is right. */
    private static double[] unlike(ExponentialSweep sweep, List<SweepRun> runs) {
        List<Double> out = new ArrayList<>();
        for (SweepRun a : runs) {
            for (SweepRun b : runs) {
                boolean[] softer = a == b ? new boolean[0] : a.envelope().softerThan(b.envelope());
                for (int i = 0; i < softer.length; i++) if (softer[i]) out.add(sweep.hzAt(i * SweepEnvelope.FRAME_S));
            }
        }
        return out.stream().mapToDouble(Double::doubleValue).toArray();
    }

    private static double[] only(double[] values, boolean[] known) {
        return IntStream.range(0, values.length).filter(i -> known[i]).mapToDouble(i -> values[i]).toArray();
    }

    /** A calibration says nothing outside its points. */
    private static double inside(ResponseCurve c, double hz) {
        double[] f = c.hz();
        return c.levelDbAt(Math.clamp(hz, f[0], f[f.length - 1]));
    }
}
