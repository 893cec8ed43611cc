package verisonus.core.simulate;

import java.util.Locale;
import verisonus.core.rig.Block;
import verisonus.core.sound.Biquad;

/**
 * A valve amplifier up to its loudspeaker terminals, presence left out: {@link TriodeStage}s with the gain control
 * after the first, {@link ToneStack}, master, push-pull power stage whose supply droops (10 ms down, 100 ms back) and
 * output transformer. Runs at the oversampled rate.
 */
final class AmpStage implements NonlinearStage {
    /** What makes one amp unlike another. */
    enum Voicing {
        CHIMING_EDGE(ToneStack.Parts.BRIGHT, 1, -2, 34, 0.12, 12, 14000), MID_FORWARD_CRUNCH(ToneStack.Parts.FORWARD, 2,
                2, 46, 0.2, 60,
                9000), TIGHT_SATURATED(ToneStack.Parts.SCOOPED, 3, 10, 62, 0.25, 180, 7500);

        private final ToneStack.Parts parts;
        private final int stages;
        private final double leastGainDb;
        private final double mostGainDb;
        private final double bias;
        private final double lowCutHz;
        private final double highCutHz;

        Voicing(ToneStack.Parts parts, int stages, double leastGainDb, double mostGainDb, double bias, double lowCutHz,
                double highCutHz) {
            this.parts = parts;
            this.stages = stages;
            this.leastGainDb = leastGainDb;
            this.mostGainDb = mostGainDb;
            this.bias = bias;
            this.lowCutHz = lowCutHz;
            this.highCutHz = highCutHz;
        }

        static Voicing of(String model) {
            return valueOf(model.toUpperCase(Locale.ROOT).replace(' ', '_').replace('-', '_'));
        }
    }

    /** Loss of the tone network in the middle position, made good before the power stage. */
    private static final double RECOVERY = 4;

    private final TriodeStage[] stages;
    private final ToneStack stack;
    private final double master;
    private final double sag;
    private final double droop;
    private final double recover;
    private final Biquad.Section transformerLow;
    private final Biquad.Section transformerHigh;
    private double load;

    AmpStage(Block block, double rateHz) {
        Voicing v = Voicing.of(block.model().name());
        double gainDb = v.leastGainDb + (v.mostGainDb - v.leastGainDb) * block.get("gain") / 10;
        stages = new TriodeStage[v.stages];
        double perStage = Math.pow(10, gainDb / v.stages / 20);
        for (int i = 0; i < v.stages; i++) {
            double polarity = i % 2 == 0 ? v.bias : -v.bias;
            stages[i] = new TriodeStage(perStage, polarity, v.lowCutHz, v.highCutHz, rateHz);
        }
        stack = new ToneStack(v.parts, block.get("bass"), block.get("mid"), block.get("treble"), rateHz);
        master = RECOVERY * 0.05 * Math.pow(10, 1.6 * block.get("master") / 10);
        sag = 0.06 * block.get("sag");
        droop = 1 / (0.010 * rateHz);
        recover = 1 / (0.100 * rateHz);
        transformerLow = new Biquad.Section(Biquad.onePoleHighPass(35, rateHz));
        transformerHigh = new Biquad.Section(Biquad.onePoleLowPass(16000, rateHz));
    }

    @Override
    public void process(float[] x, int n) {
        for (int i = 0; i < n; i++) {
            double y = x[i];
            for (TriodeStage stage : stages) y = stage.next(y);
            x[i] = (float) powerStage(master * stack.next(y));
        }
    }

    private double powerStage(double in) {
        double supply = 1 / (1 + sag * load);
        double out = supply * SoftClip.of(in / supply);
        double drawn = Math.abs(out);
        load += (drawn > load ? droop : recover) * (drawn - load);
        return transformerHigh.next(transformerLow.next(out));
    }

    @Override
    public void reset() {
        for (TriodeStage stage : stages) stage.reset();
        stack.reset();
        transformerLow.reset();
        transformerHigh.reset();
        load = 0;
    }
}
