package verisonus.core.simulate;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import verisonus.core.rig.Block;

/**
 * A valve amplifier up to its loudspeaker terminals, presence left out: {@link TriodeStage}s, {@link ToneStack}, master
 * and {@link PowerStage}. Runs at the oversampled rate.
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

    private final List<NonlinearStage> stages = new ArrayList<>();

    AmpStage(Block block, double rateHz) {
        Voicing v = Voicing.of(block.model().name());
        double gainDb = v.leastGainDb + (v.mostGainDb - v.leastGainDb) * block.get("gain") / 10;
        double perStage = Math.pow(10, gainDb / v.stages / 20);
        for (int i = 0; i < v.stages; i++) {
            double polarity = i % 2 == 0 ? v.bias : -v.bias;
            stages.add(new TriodeStage(perStage, polarity, v.lowCutHz, v.highCutHz, rateHz));
        }
        stages.add(new ToneStack(v.parts, block.get("bass"), block.get("mid"), block.get("treble"), rateHz));
        double master = RECOVERY * 0.05 * Math.pow(10, 1.6 * block.get("master") / 10);
        stages.add(new PowerStage(master, 0.06 * block.get("sag"), rateHz));
    }

    @Override
    public void process(float[] x, int n) {
        for (NonlinearStage s : stages) s.process(x, n);
    }

    @Override
    public void reset() {
        stages.forEach(NonlinearStage::reset);
    }
}
