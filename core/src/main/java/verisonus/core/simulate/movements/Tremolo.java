package verisonus.core.simulate.movements;

import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.parts.Lfo;
import verisonus.core.simulate.parts.OnePole;
import verisonus.core.simulate.parts.Processor;

/**
 * The level sways: softly and a little uneven (idle point moved), in a lopsided pulse (lamp and light cell, which rises quicker
 * than it fades), or lows against highs (harmonic). Depth 100: down to silence.
 */
public final class Tremolo implements Processor {
    private static final double SPLIT_HZ = 700;

    private final Voice.Tremolo shape;
    private final Lfo lfo;
    private final double depth;
    private final double spread;
    private final double spreadSin;
    private final double spreadCos;
    private final double split;
    private final double[] low = new double[2];

    public Tremolo(Block block, Voice.Tremolo voice, double rateHz) {
        shape = voice;
        lfo = new Lfo(block.get(ControlNames.RATE), rateHz);
        depth = block.get(ControlNames.DEPTH) / 100;
        spread = Math.PI * block.get(ControlNames.SPREAD) / 100;
        spreadSin = Math.sin(spread);
        spreadCos = Math.cos(spread);
        split = OnePole.coefficient(SPLIT_HZ, rateHz);
    }

    @Override
    public boolean widens() {
        return spread > 0 && depth > 0;
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int i = 0; i < frames; i++) {
            for (int c = 0; c < channels.length; c++) {
                double sin = c == 0 ? lfo.sin() : lfo.sin(spreadSin, spreadCos);
                double cos = c == 0 ? lfo.cos() : lfo.cos() * spreadCos - lfo.sin() * spreadSin;
                double x = channels[c][i];
                if (shape == Voice.Tremolo.HARMONIC) {
                    double v = (x - low[c]) * split;
                    double lows = v + low[c];
                    low[c] = lows + v;
                    channels[c][i] = (float) (gain(sin, cos) * lows + gain(-sin, -cos) * (x - lows));
                } else {
                    channels[c][i] = (float) (gain(sin, cos) * x);
                }
            }
            lfo.step();
        }
        for (int c = 0; c < 2; c++) if (Math.abs(low[c]) < 1e-20) low[c] = 0;
    }

    private double gain(double sin, double cos) {
        double s = 0.5 - 0.5 * sin;
        return switch (shape) {
            case BIAS -> 1 - depth * (0.85 * s + 0.15 * s * s);
            case OPTICAL -> 1 - depth * s * s * (3 - 2 * s) * (1 + 0.25 * cos * s * (1 - s));
            case HARMONIC -> 1 - depth * s;
        };
    }

    @Override
    public void reset() {
        low[0] = 0;
        low[1] = 0;
        lfo.reset();
    }
}
