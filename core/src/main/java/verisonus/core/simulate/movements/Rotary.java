package verisonus.core.simulate.movements;

import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.simulate.parts.DelayLine;
import verisonus.core.simulate.parts.OnePole;
import verisonus.core.simulate.parts.Processor;

/**
 * A horn for the highs and a drum for the lows that turn before the microphones: Doppler, level and sides sway
 * (J. O. Smith, S. Serafin, J. Abel, D. Berners, DAFx-02), each coming to its speed from
 * standing still with an inertia of its own.
 */
public final class Rotary implements Processor {
    private static final double SPLIT_HZ = 800;
    private static final double[] HORN_HZ = {0.8, 6.7};
    private static final double[] DRUM_HZ = {0.65, 5.7};
    private static final double HORN_MS = 0.35;
    private static final double CENTRE_MS = 1;

    private final double rateHz;
    private final double hornTarget;
    private final double drumTarget;
    private final double inertiaS;
    private final double depth;
    private final double wet;
    private final double spread;
    private final double split;
    private final DelayLine[] line = new DelayLine[2];
    private final double[] low = new double[2];
    private double horn;
    private double drum;
    private double hornHz;
    private double drumHz;

    public Rotary(Block block, double rateHz) {
        this.rateHz = rateHz;
        int speed = (int) Math.round(block.get(ControlNames.SPEED));
        hornTarget = HORN_HZ[speed];
        drumTarget = DRUM_HZ[speed];
        inertiaS = block.get(ControlNames.INERTIA);
        depth = block.get(ControlNames.DEPTH) / 100;
        wet = block.get(ControlNames.MIX) / 100;
        spread = Math.PI / 2 * block.get(ControlNames.SPREAD) / 100;
        split = OnePole.coefficient(SPLIT_HZ, rateHz);
        for (int c = 0; c < 2; c++) line[c] = new DelayLine((int) (3 * rateHz / 1000));
    }

    @Override
    public boolean widens() {
        return spread > 0 && wet > 0;
    }

    @Override
    public void process(float[][] channels, int frames) {
        double hornStep = 1 / (inertiaS * rateHz);
        double drumStep = 1 / (2.5 * inertiaS * rateHz);
        double full = 2 * Math.PI / rateHz;
        for (int i = 0; i < frames; i++) {
            hornHz += hornStep * (hornTarget - hornHz);
            drumHz += drumStep * (drumTarget - drumHz);
            for (int c = 0; c < channels.length; c++) {
                double x = channels[c][i];
                double v = (x - low[c]) * split;
                double lows = v + low[c];
                low[c] = lows + v;
                double away = horn + c * 2 * spread;
                line[c].write(x - lows);
                double highs = line[c].read((CENTRE_MS + HORN_MS * depth * Math.sin(away)) * rateHz / 1000);
                double turned = highs * (1 - 0.6 * depth * (0.5 - 0.5 * Math.cos(away)))
                        + lows * (1 - 0.4 * depth * (0.5 - 0.5 * Math.cos(drum + c * spread)));
                channels[c][i] = (float) ((1 - wet) * x + wet * turned);
            }
            horn += full * hornHz;
            drum -= full * drumHz;
            if (horn > 2 * Math.PI) horn -= 2 * Math.PI;
            if (drum < 0) drum += 2 * Math.PI;
        }
        for (int c = 0; c < 2; c++) if (Math.abs(low[c]) < 1e-20) low[c] = 0;
    }

    @Override
    public void reset() {
        for (int c = 0; c < 2; c++) {
            line[c].reset();
            low[c] = 0;
        }
        horn = 0;
        drum = 0;
        hornHz = 0;
        drumHz = 0;
    }
}
