package verisonus.core.simulate.stages;

import java.util.Arrays;

/**
 * Raises the rate for a nonlinear stage and brings it down again by {@link HalfBand} filters, the first sharp, the second short
 * because by then there is room: images and aliases below −85 dB up to 20 kHz. Latency {@link #latency()} samples at the base
 * rate.
 */
public final class Oversampler {
    private static final int SHARP = 36;
    private static final int SHORT = 14;

    private final int factor;
    private final HalfBand sharp = new HalfBand(SHARP);
    private final HalfBand brief = new HalfBand(SHORT);
    private float[] twice = new float[0];

    /** @param factor 1, 2 or 4 */
    public Oversampler(int factor) {
        if (factor != 1 && factor != 2 && factor != 4) throw new IllegalArgumentException("factor " + factor);
        this.factor = factor;
    }

    int factor() {
        return factor;
    }

    int latency() {
        return switch (factor) {
            case 1 -> 0;
            case 2 -> 2 * sharp.latency();
            default -> 2 * sharp.latency() + brief.latency();
        };
    }

    /** {@code frames} samples in, {@code frames·factor} samples out. */
    public void up(float[] in, int frames, float[] out) {
        switch (factor) {
            case 1 -> System.arraycopy(in, 0, out, 0, frames);
            case 2 -> sharp.up(in, frames, out);
            default -> {
                twice = roomFor(twice, 2 * frames);
                sharp.up(in, frames, twice);
                brief.up(twice, 2 * frames, out);
            }
        }
    }

    /** {@code frames·factor} samples in, {@code frames} samples out. */
    public void down(float[] in, int frames, float[] out) {
        switch (factor) {
            case 1 -> System.arraycopy(in, 0, out, 0, frames);
            case 2 -> sharp.down(in, frames, out);
            default -> {
                twice = roomFor(twice, 2 * frames);
                brief.down(in, 2 * frames, twice);
                sharp.down(twice, frames, out);
            }
        }
    }

    private static float[] roomFor(float[] line, int length) {
        return line.length >= length ? line : Arrays.copyOf(line, length);
    }

    void reset() {
        sharp.reset();
        brief.reset();
    }
}
