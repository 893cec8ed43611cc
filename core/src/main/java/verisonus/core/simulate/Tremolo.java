package verisonus.core.simulate;

import verisonus.core.rig.Block;

/**
 * The level sways: softly and a little uneven (idle point moved), in a lopsided pulse (lamp and light cell, which rises quicker
 * than it fades), or lows against highs (harmonic). Depth 100: down to silence.
 */
final class Tremolo implements Processor {
    private enum Shape {
        BIAS, OPTICAL, HARMONIC
    }

    private static final double SPLIT_HZ = 700;

    private final Shape shape;
    private final double step;
    private final double depth;
    private final double spread;
    private final double split;
    private final double[] low = new double[2];
    private double phase;

    Tremolo(Block block, double rateHz) {
        shape = switch (block.model().name()) {
            case "bias tremolo" -> Shape.BIAS;
            case "optical tremolo" -> Shape.OPTICAL;
            default -> Shape.HARMONIC;
        };
        step = 2 * Math.PI * block.get("rate") / rateHz;
        depth = block.get("depth") / 100;
        spread = Math.PI * block.get("spread") / 100;
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
                double at = phase + c * spread;
                double x = channels[c][i];
                if (shape == Shape.HARMONIC) {
                    double v = (x - low[c]) * split;
                    double lows = v + low[c];
                    low[c] = lows + v;
                    channels[c][i] = (float) (gain(at) * lows + gain(at + Math.PI) * (x - lows));
                } else {
                    channels[c][i] = (float) (gain(at) * x);
                }
            }
            phase += step;
            if (phase > 2 * Math.PI) phase -= 2 * Math.PI;
        }
        for (int c = 0; c < 2; c++) if (Math.abs(low[c]) < 1e-20) low[c] = 0;
    }

    private double gain(double at) {
        double s = 0.5 - 0.5 * Math.sin(at);
        return switch (shape) {
            case BIAS -> 1 - depth * (0.85 * s + 0.15 * s * s);
            case OPTICAL -> 1 - depth * s * s * (3 - 2 * s) * (1 + 0.25 * Math.cos(at) * s * (1 - s));
            case HARMONIC -> 1 - depth * s;
        };
    }

    @Override
    public void reset() {
        low[0] = 0;
        low[1] = 0;
        phase = 0;
    }
}
