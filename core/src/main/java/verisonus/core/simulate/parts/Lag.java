package verisonus.core.simulate.parts;

/** Whole samples later: keeps two ways in step. */
public final class Lag implements Processor {
    private final DelayLine[] lines = new DelayLine[2];
    private final int samples;

    public Lag(int samples) {
        this.samples = samples;
        for (int c = 0; c < 2; c++) lines[c] = new DelayLine(samples);
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int c = 0; c < channels.length; c++) {
            for (int i = 0; i < frames; i++) {
                float x = channels[c][i];
                channels[c][i] = lines[c].read(samples);
                lines[c].write(x);
            }
        }
    }

    @Override
    public int latency() {
        return samples;
    }

    @Override
    public void reset() {
        for (DelayLine l : lines) l.reset();
    }
}
