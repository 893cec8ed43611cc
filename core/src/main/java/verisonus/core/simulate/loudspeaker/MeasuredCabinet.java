package verisonus.core.simulate.loudspeaker;

import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Impulse;
import verisonus.core.simulate.parts.Processor;
import verisonus.core.sound.Convolution;
import verisonus.core.sound.MinimumPhase;
import verisonus.core.sound.RealFft;

/** An impulse response as a convolution on each channel: resampled, cut to length with a fade, its delay taken out if asked. */
public final class MeasuredCabinet implements Processor {
    private static final int PARTITION = 256;
    /** The quiet lead-in of a file is cut up to where it first comes within this of its peak. */
    private static final double LEAD_IN = 0.03;

    private final Convolution[] convolutions = new Convolution[2];

    public MeasuredCabinet(Block block, double rateHz) {
        float[] h = taps(block.impulse().orElseThrow(), block.get(ControlNames.LENGTH),
                block.get(ControlNames.MINIMUM_PHASE) > 0.5, rateHz);
        for (int c = 0; c < 2; c++) convolutions[c] = new Convolution(h, PARTITION);
    }

    /** The response as it is used, at a rate, lead-in cut; energy of the octaves around 500 Hz brought to one. */
    static float[] taps(Impulse impulse, double lengthMs, boolean minimumPhase, double rateHz) {
        float[] x = impulse.sound().atRate((int) rateHz).mid();
        float peak = 1e-9f;
        for (float v : x) peak = Math.max(peak, Math.abs(v));
        int start = 0;
        while (start < x.length - 1 && Math.abs(x[start]) < LEAD_IN * peak) start++;
        int n = (int) Math.min(x.length - start, Math.max(16, lengthMs / 1000 * rateHz));
        float[] h = java.util.Arrays.copyOfRange(x, start, start + n);
        int fade = Math.min(n / 4, (int) (0.005 * rateHz));
        for (int i = 0; i < fade; i++) h[n - 1 - i] *= (float) (i / (double) fade);
        if (minimumPhase) h = MinimumPhase.impulse(levelsDb(h), Math.min(n, 4096));
        float gain = (float) (1 / middle(h, rateHz));
        for (int i = 0; i < h.length; i++) h[i] *= gain;
        return h;
    }

    private static double[] levelsDb(float[] h) {
        float[] spectrum = spectrum(h, 8192);
        double[] db = new double[spectrum.length / 2 + 1];
        for (int k = 0; k < db.length; k++) db[k] = 20 * Math.log10(size(spectrum, k) + 1e-6);
        return db;
    }

    private static double middle(float[] h, double rateHz) {
        float[] spectrum = spectrum(h, RealFft.sizeFor(Math.max(8192, h.length)));
        double sum = 1e-12;
        int bins = 0;
        for (int k = 1; k < spectrum.length / 2; k++) {
            double hz = k * rateHz / spectrum.length;
            if (hz < 250 || hz > 1000) continue;
            sum += size(spectrum, k) * size(spectrum, k);
            bins++;
        }
        return Math.sqrt(sum / Math.max(1, bins));
    }

    private static float[] spectrum(float[] h, int size) {
        float[] x = java.util.Arrays.copyOf(h, size);
        new RealFft(size).forward(x);
        return x;
    }

    private static double size(float[] spectrum, int k) {
        if (k == 0) return Math.abs(spectrum[0]);
        if (2 * k == spectrum.length) return Math.abs(spectrum[1]);
        return Math.hypot(spectrum[2 * k], spectrum[2 * k + 1]);
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int c = 0; c < channels.length; c++) convolutions[c].process(channels[c], 0, frames);
    }

    @Override
    public int latency() {
        return PARTITION;
    }

    @Override
    public void reset() {
        for (Convolution c : convolutions) c.reset();
    }
}
