package verisonus.desktop.player;

import java.util.concurrent.locks.LockSupport;

/** A stand-in for a sound card: takes sound at the pace of a real one and shows its level on a meter. */
public final class VirtualOutput implements SoundOutput {
    private static final double AHEAD_S = 0.08;

    private final int rateHz;
    private long startedNanos = -1;
    private long written;
    private volatile double levelDbfs = -120;

    public VirtualOutput(int rateHz) {
        this.rateHz = rateHz;
    }

    @Override
    public String name() {
        return "virtual output: no sound card was found";
    }

    /** RMS of what was written last, dBFS. */
    public double levelDbfs() {
        return levelDbfs;
    }

    @Override
    public void write(float[] interleaved, int frames) {
        double sum = 1e-12;
        for (int i = 0; i < 2 * frames; i++) sum += (double) interleaved[i] * interleaved[i];
        levelDbfs = 10 * Math.log10(sum / (2.0 * frames));
        long now = System.nanoTime();
        double due = startedNanos < 0 ? 0 : written / (double) rateHz - AHEAD_S;
        // After a pause the clock starts anew, as a card's does.
        if (startedNanos < 0 || (now - startedNanos) / 1e9 > written / (double) rateHz + 1) {
            startedNanos = now;
            written = 0;
            due = 0;
        }
        written += frames;
        long until = startedNanos + (long) (due * 1e9);
        while (System.nanoTime() < until && !Thread.currentThread().isInterrupted()) {
            LockSupport.parkNanos(until - System.nanoTime());
        }
    }

    @Override
    public void close() {
        levelDbfs = -120;
    }
}
