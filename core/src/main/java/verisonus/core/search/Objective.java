package verisonus.core.search;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.atomic.AtomicInteger;
import verisonus.core.evidence.dirt.SaturationEstimator;
import verisonus.core.evidence.dirt.SaturationFeatures;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Resampler;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.take.SearchSegment;

/**
 * How far a setting of the knobs is from the reference: a vector of residuals whose squares add up. Same phrase: what
 * the linear part cannot mend, and the envelope frame by frame. Other playing: smoothed level, envelope quantiles and
 * how the spectrum turns with level. A weak pull to the middle breaks ties.
 */
final class Objective {
    /** One evaluated setting. */
    record Point(Knobs knobs, int curve, double[] residuals, double score, Heard heard) {}

    /**
     * What is measured of a rendered candidate.
     *
     * @param dirt saturation index; empty where the performances agree and the envelopes say more
     */
    record Heard(Features features, OptionalDouble dirt) {}

    private static final double ENVELOPE_UNIT_DB = 1.5;
    /** Dirt that is off by this weighs as much as a decibel of colour. */
    private static final double DIRT_UNIT = 0.15;
    /** Dirt is read from so much of the take, where it is liveliest. */
    private static final double DIRT_S = 3;
    private static final double PULL_SAME = 0.1;
    private static final double PULL_OTHER = 0.3;
    /** Frames that differ by more than this differ by the playing, not by the gear. */
    private static final double MOST_DIFFERENCE = 4;

    /**
     * What is asked.
     *
     * @param di dry guitar, in time with the reference where it plays the same
     * @param warmUp samples of it that are rendered and not scored
     * @param reference what is wanted
     * @param levelDb wanted level by compared band: the reference's, or what several recordings have in common
     * @param dirt saturation index of the reference, for other playing; empty where it is not known or need not be asked
     * @param behind echo and space, put behind the knobs where the reference has them
     */
    record Question(float[] di, int warmUp, Features reference, double[] levelDb, Pairing pairing,
            OptionalDouble dirt, List<Block> behind) {}

    private final Question question;
    private final Features reference;
    private final Pairing pairing;
    private final LinearPart linear;
    private final double envelopeWeight;
    private final double pullFactor;
    private final AtomicInteger renders;
    private final int dirtFrom;

    /**
     * @param pullFactor how much stronger than usual the pull to the middle is
     * @param renders counts the renders made
     */
    Objective(Question question, LinearPart linear, double envelopeWeight, double pullFactor, AtomicInteger renders) {
        this.pullFactor = pullFactor;
        this.question = question;
        this.reference = question.reference;
        this.pairing = question.pairing;
        this.linear = linear;
        this.envelopeWeight = envelopeWeight;
        this.renders = renders;
        dirtFrom = question.dirt.isEmpty()
                ? 0
                : SearchSegment.of(question.di, Sound.WORKING_RATE_HZ, DIRT_S).from();
    }

    /** The same question with another weight of the envelope against the spectrum. */
    Objective weighing(double weight) {
        return new Objective(question, linear, weight * envelopeWeight, pullFactor, renders);
    }

    /** Error of each linear part at a point, dB². */
    double[] colourErrors(Point point) {
        double[] d = difference(point.heard().features());
        double[] out = new double[linear.dictionary().size()];
        for (int k = 0; k < out.length; k++) for (double v : linear.residuals(d, k)) out[k] += v * v;
        return out;
    }

    /** Renders the knobs and chooses the best linear part. */
    Point at(Knobs knobs, Quality quality) {
        Heard f = heard(knobs, quality);
        int curve = linear.bestCurve(difference(f.features()));
        return point(knobs, curve, f);
    }

    /** Renders the knobs with the linear part held. */
    Point at(Knobs knobs, int curve, Quality quality) {
        return point(knobs, curve, heard(knobs, quality));
    }

    /** A rendered point with another linear part. */
    Point with(Point p, int curve) {
        return point(p.knobs(), curve, p.heard());
    }

    private Heard heard(Knobs knobs, Quality quality) {
        renders.incrementAndGet();
        List<Block> blocks = new java.util.ArrayList<>(knobs.blocks());
        blocks.addAll(question.behind);
        float[] render = Renderer.renderMono(new Tone("candidate", blocks), question.di, quality);
        return new Heard(Features.of(render, question.warmUp, Sound.WORKING_RATE_HZ),
                question.dirt.isEmpty() ? OptionalDouble.empty() : dirt(render));
    }

    private OptionalDouble dirt(float[] render) {
        int to = Math.min(render.length, dirtFrom + (int) (DIRT_S * Sound.WORKING_RATE_HZ));
        // Bringing it to the estimator's rate at full quality would take longer than all the rest.
        float[] part = Resampler.quick(Sound.WORKING_RATE_HZ, SaturationFeatures.RATE_HZ)
                .resample(Arrays.copyOfRange(render, dirtFrom, to));
        return SaturationEstimator.estimate(Sound.mono(part, SaturationFeatures.RATE_HZ)).value().stream()
                .mapToDouble(SaturationReading::index).findFirst();
    }

    private double[] difference(Features f) {
        double[] d = new double[f.levelDb().length];
        for (int b = 0; b < d.length; b++) d[b] = question.levelDb[b] - f.levelDb()[b];
        // Another guitar has its own partials and gaps: what the gear does is smooth.
        return pairing == Pairing.SAME_PERFORMANCE ? d : smoothed(d);
    }

    /** Other notes put their partials elsewhere: a Gaussian of 2.5 sixth octaves leaves what the gear does. */
    static double[] smoothed(double[] d) {
        double[] out = new double[d.length];
        for (int b = 0; b < d.length; b++) {
            double sum = 0;
            double weight = 0;
            for (int i = Math.max(0, b - 7); i <= Math.min(d.length - 1, b + 7); i++) {
                double w = Math.exp(-0.5 * Math.pow((i - b) / 2.5, 2));
                sum += w * d[i];
                weight += w;
            }
            out[b] = sum / weight;
        }
        return out;
    }

    private Point point(Knobs knobs, int curve, Heard heard) {
        Features f = heard.features();
        double[] colour = linear.residuals(difference(f), curve);
        double[] motion = pairing.isSamePhrase() ? envelopeResiduals(f) : statisticResiduals(f);
        double[] r = new double[colour.length + motion.length + knobs.count() + 1];
        System.arraycopy(colour, 0, r, 0, colour.length);
        double w = Math.sqrt(envelopeWeight);
        for (int i = 0; i < motion.length; i++) r[colour.length + i] = w * motion[i];
        double pull = (pairing.isSamePhrase() ? PULL_SAME : PULL_OTHER) * pullFactor
                / Math.sqrt(Math.max(1, knobs.count()));
        for (int i = 0; i < knobs.count(); i++) r[colour.length + motion.length + i] = pull * (knobs.values()[i] - 5);
        if (question.dirt.isPresent() && heard.dirt().isPresent())
            r[r.length - 1] = (heard.dirt().getAsDouble() - question.dirt.getAsDouble()) / DIRT_UNIT;
        double score = 0;
        for (double v : r) score += v * v;
        return new Point(knobs, curve, r, score, heard);
    }

    private double[] envelopeResiduals(Features f) {
        float[][] a = f.envelopeDb();
        float[][] b = reference.envelopeDb();
        int frames = Math.min(a.length, b.length);
        int bands = Features.ENVELOPE_BANDS.count();
        double scale = 1 / (ENVELOPE_UNIT_DB * Math.sqrt((double) Math.max(1, frames) * bands));
        double[] r = new double[frames * bands];
        for (int t = 0; t < frames; t++) {
            for (int k = 0; k < bands; k++) {
                double d = (a[t][k] - b[t][k]) / ENVELOPE_UNIT_DB;
                r[t * bands + k] = scale * ENVELOPE_UNIT_DB * MOST_DIFFERENCE * Math.tanh(d / MOST_DIFFERENCE);
            }
        }
        return r;
    }

    private double[] statisticResiduals(Features f) {
        double[][] p = f.percentilesDb();
        int n = p.length * p[0].length;
        double[] tilt = smoothed(f.tiltDb());
        double[] wanted = smoothed(reference.tiltDb());
        double[] r = new double[n + tilt.length];
        for (int b = 0; b < p.length; b++) {
            for (int q = 0; q < p[0].length; q++) {
                r[b * p[0].length + q] = (p[b][q] - reference.percentilesDb()[b][q])
                        / (2 * ENVELOPE_UNIT_DB * Math.sqrt(n));
            }
        }
        for (int b = 0; b < tilt.length; b++) r[n + b] = 0.5 * (tilt[b] - wanted[b]) / (2 * Math.sqrt(tilt.length));
        return r;
    }
}
