package verisonus.core.simulate.stages;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Voice;
import verisonus.core.sound.Biquad;

/** A valve amplifier's first stages: shaping, {@link TriodeStage}s, {@link ToneStack}. Runs at the raised rate. */
public final class Preamp implements NonlinearStage {
    /** What makes one amp unlike another. */
    public enum Voicing {
        OPEN_CLEAN(ToneStack.Parts.BRIGHT, 1, new double[]{-14, 14}, 0.05, 12, 18000, 0),
        CHIMING_EDGE(
                ToneStack.Parts.BRIGHT, 1, new double[]{-2, 34}, 0.12, 12, 14000, 0),
        SMALL_COMBO(
                ToneStack.Parts.FORWARD, 1, new double[]{-2, 32}, 0.3, 45, 8500, 0.25),
        MID_FORWARD_CRUNCH(
                ToneStack.Parts.FORWARD, 2, new double[]{2, 46}, 0.2, 60, 9000,
                0),
        TIGHT_SATURATED(ToneStack.Parts.SCOOPED, 3, new double[]{10, 62}, 0.25, 180, 7500,
                0);

        private final ToneStack.Parts parts;
        private final int stages;
        private final double[] gainDb;
        private final double bias;
        private final double lowCutHz;
        private final double highCutHz;
        /** Of the power stage; 0 for a balanced pair. */
        public final double powerBias;

        Voicing(ToneStack.Parts parts, int stages, double[] gainDb, double bias, double lowCutHz, double highCutHz,
                double powerBias) {
            this.parts = parts;
            this.stages = stages;
            this.gainDb = gainDb;
            this.bias = bias;
            this.lowCutHz = lowCutHz;
            this.highCutHz = highCutHz;
            this.powerBias = powerBias;
        }

        public static Voicing of(Voice.Amp voice) {
            return switch (voice) {
                case OPEN_CLEAN -> OPEN_CLEAN;
                case CHIMING_EDGE -> CHIMING_EDGE;
                case SMALL_COMBO -> SMALL_COMBO;
                case MID_FORWARD_CRUNCH -> MID_FORWARD_CRUNCH;
                case TIGHT_SATURATED -> TIGHT_SATURATED;
            };
        }
    }

    private final NonlinearStage[] stages;

    public Preamp(Block block, Voicing v, RaisedRate at) {
        List<NonlinearStage> made = new ArrayList<>();
        if (block.get(ControlNames.ATTACK_SOFTENING) > 0)
            made.add(new AttackSoftening(block.get(ControlNames.ATTACK_SOFTENING), at));
        List<Biquad> shaping = shaping(block, at.rateHz());
        if (!shaping.isEmpty()) made.add(new StageFilter(shaping));
        double gainDb = v.gainDb[0] + (v.gainDb[1] - v.gainDb[0]) * block.get(ControlNames.GAIN) / 10 + range(block);
        double perStage = Math.pow(10, gainDb / v.stages / 20);
        for (int i = 0; i < v.stages; i++) {
            double polarity = i % 2 == 0 ? v.bias : -v.bias;
            made.add(new TriodeStage(perStage, polarity, v.lowCutHz, v.highCutHz, at));
        }
        made.add(new ToneStack(parts(block, v), block.get(ControlNames.BASS), block.get(ControlNames.MID),
                block.get(ControlNames.TREBLE),
                at.rateHz()));
        stages = made.toArray(NonlinearStage[]::new);
    }

    private static double range(Block block) {
        return switch ((int) Math.round(block.get(ControlNames.GAIN_RANGE))) {
            case 1 -> -8;
            case 2 -> 8;
            default -> 0;
        };
    }

    private static ToneStack.Parts parts(Block block, Voicing v) {
        return switch ((int) Math.round(block.get(ControlNames.TONE_NETWORK))) {
            case 1 -> ToneStack.Parts.BRIGHT;
            case 2 -> ToneStack.Parts.FORWARD;
            case 3 -> ToneStack.Parts.SCOOPED;
            default -> v.parts;
        };
    }

    private static List<Biquad> shaping(Block block, double rateHz) {
        List<Biquad> out = new ArrayList<>();
        double lows = block.get(ControlNames.LOWS_BEFORE_CLIPPING);
        double middle = block.get(ControlNames.MIDDLE_BEFORE_CLIPPING);
        double highs = block.get(ControlNames.HIGHS_BEFORE_CLIPPING);
        if (lows != 0) out.add(Biquad.lowShelf(200, lows, rateHz));
        if (middle != 0) out.add(Biquad.peak(800, middle, 0.7, rateHz));
        if (highs != 0) out.add(Biquad.highShelf(2000, highs, rateHz));
        // The bypass capacitor works across the part of the gain control that is turned down.
        if (block.get(ControlNames.BRIGHT) > 0.5 && block.get(ControlNames.GAIN) < 10) {
            out.add(Biquad.highShelf(1600, 0.9 * (10 - block.get(ControlNames.GAIN)), rateHz));
        }
        if (block.get(ControlNames.BODY) > 0.5) out.add(Biquad.peak(320, 5, 0.8, rateHz));
        return out;
    }

    @Override
    public void process(float[] x, int n) {
        for (NonlinearStage s : stages) s.process(x, n);
    }

    @Override
    public void reset() {
        for (NonlinearStage s : stages) s.reset();
    }
}
