package verisonus.core.simulate.movements;

import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.parts.DelayLine;
import verisonus.core.simulate.parts.Lfo;
import verisonus.core.simulate.parts.Processor;

/**
 * A delay that sways, beside the dry sound or alone: chorus, wide chorus (two in opposed phase, cross-fed, so that the sum moves
 * little), flanger, vibrato.
 */
public final class MovingDelay implements Processor {
    /** Delay in the middle and how far it sways at full depth, ms. */
    private enum Shape {
        CHORUS(14, 3, false),
        WIDE_CHORUS(12, 3, true),
        FLANGER(3, 2.6, false),
        VIBRATO(8, 6, false);

        private final double centreMs;
        private final double swayMs;
        private final boolean opposed;

        Shape(double centreMs, double swayMs, boolean opposed) {
            this.centreMs = centreMs;
            this.swayMs = swayMs;
            this.opposed = opposed;
        }
    }

    private static final double FULL_VIBRATO_CENTS = 100;

    private final DelayLine[] lines = new DelayLine[2];
    private final Lfo lfo;
    private final double offsetSin;
    private final double offsetCos;
    private final double centre;
    private final double sway;
    private final double feedback;
    private final double wet;
    private final boolean opposed;
    private final boolean wide;

    public MovingDelay(Block block, Voice.MovingDelay voice, double rateHz) {
        Shape shape = switch (voice) {
            case CHORUS -> Shape.CHORUS;
            case WIDE_CHORUS -> Shape.WIDE_CHORUS;
            case FLANGER -> Shape.FLANGER;
            case VIBRATO -> Shape.VIBRATO;
        };
        double rate = block.get(ControlNames.RATE);
        lfo = new Lfo(rate, rateHz);
        double depth = block.get(ControlNames.DEPTH) / 100;
        double swayMs = shape == Shape.VIBRATO
                ? Math.min(shape.swayMs,
                        1000 * (Math.pow(2, depth * FULL_VIBRATO_CENTS / 1200) - 1) / (2 * Math.PI * rate))
                : shape.swayMs * depth;
        centre = shape.centreMs * rateHz / 1000;
        sway = swayMs * rateHz / 1000;
        feedback = block.get(ControlNames.FEEDBACK) / 100;
        wet = block.get(ControlNames.MIX) / 100;
        opposed = shape.opposed;
        wide = opposed || block.get(ControlNames.SPREAD) > 0;
        double offset = opposed ? Math.PI : Math.PI * block.get(ControlNames.SPREAD) / 100;
        offsetSin = Math.sin(offset);
        offsetCos = Math.cos(offset);
        for (int c = 0; c < 2; c++) lines[c] = new DelayLine((int) (centre + sway) + 4);
    }

    @Override
    public boolean widens() {
        return wide && wet > 0;
    }

    @Override
    public void process(float[][] channels, int frames) {
        int n = channels.length;
        for (int i = 0; i < frames; i++) {
            double a = channels[0][i];
            double b = n == 2 ? channels[1][i] : a;
            double p = lines[0].read(centre + sway * lfo.sin());
            double q = n == 2 ? lines[1].read(centre + sway * lfo.sin(offsetSin, offsetCos)) : p;
            lines[0].write(a + feedback * p);
            if (n == 2) lines[1].write(b + feedback * q);
            double left = opposed && n == 2 ? 0.8 * p + 0.2 * q : p;
            channels[0][i] = (float) ((1 - wet) * a + wet * left);
            if (n == 2) channels[1][i] = (float) ((1 - wet) * b + wet * (opposed ? 0.8 * q + 0.2 * p : q));
            lfo.step();
        }
    }

    @Override
    public void reset() {
        for (DelayLine l : lines) l.reset();
        lfo.reset();
    }
}
