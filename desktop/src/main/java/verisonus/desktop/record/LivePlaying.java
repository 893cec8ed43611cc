package verisonus.desktop.record;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Chain;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;

/**
 * Plays the input through a tone while it comes in, on a thread of its own. The level starts silent and rises to where it is set, so
 * that nothing jumps; a changed tone is faded in over the old one.
 */
public final class LivePlaying implements AutoCloseable {
    /** Frames handled at a time; the output holds twice as many. */
    static final int BLOCK = 256;
    private static final double RISE_S = 0.5;
    private static final double FADE_S = 0.02;

    private final Inputs inputs;
    private final Consumer<RuntimeException> failed;
    private final ExecutorService thread = Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "live");
        t.setDaemon(true);
        return t;
    });
    private Run run = new Run();
    private volatile double levelDb = -60;
    private volatile int chainLatency;
    private volatile double peakDb = Decibels.SILENCE_DB;

    /** From a beginning to an end; each has its own, so that one that ends neither ends the next nor takes its tone. */
    private static final class Run {
        private final AtomicBoolean on = new AtomicBoolean();
        private final AtomicReference<@Nullable Chain> next = new AtomicReference<>();

        @Nullable
        Chain taken() {
            return next.getAndSet(null);
        }
    }

    /** @param failed is told, on the live thread, why playing ended where nobody asked it to */
    public LivePlaying(Inputs inputs, Consumer<RuntimeException> failed) {
        this.inputs = inputs;
        this.failed = failed;
    }

    /** Begins, or goes on with another tone. A tone that doubles hears the one hand on both sides. */
    public synchronized void play(Tone tone) {
        Chain chain = new Chain(tone, Quality.SEARCH);
        chainLatency = chain.latency();
        if (run.on.get()) {
            run.next.set(chain);
            return;
        }
        Run begun = new Run();
        begun.next.set(chain);
        begun.on.set(true);
        run = begun;
        Future<?> ignored = thread.submit(() -> {
            try {
                run(begun);
                begun.on.set(false);
            } catch (RuntimeException e) {
                begun.on.set(false);
                failed.accept(e);
            }
        });
    }

    public synchronized boolean isPlaying() { return run.on.get(); }

    public void setLevelDb(double db) { levelDb = db; }

    public synchronized void pause() {
        run.on.set(false);
    }

    /** From string to ear as far as it is known here: tone, block and output buffer; a card adds its own converters. */
    public double latencyMs() {
        return 1000.0 * (chainLatency + 3 * BLOCK) / Sound.WORKING_RATE_HZ;
    }

    /** Peak of what last went out, dBFS. */
    public double peakDb() {
        return peakDb;
    }

    private void run(Run mine) {
        try (Inputs.Open io = inputs.open(2 * BLOCK)) {
            io.input().begin(0);
            Chain playing = mine.taken();
            float[] in = new float[BLOCK];
            float[][] now = new float[2][Chain.BLOCK];
            float[][] later = new float[2][Chain.BLOCK];
            float[] out = new float[2 * BLOCK];
            double gain = 0;
            while (mine.on.get() && !Thread.currentThread().isInterrupted() && playing != null) {
                io.input().read(in, BLOCK);
                pass(playing, in, now);
                Chain changed = mine.taken();
                if (changed != null) {
                    pass(changed, in, later);
                    fade(now, later);
                    playing = changed;
                }
                double wanted = Decibels.toAmplitude(levelDb);
                double step = 1 / (RISE_S * Sound.WORKING_RATE_HZ);
                float peak = 0;
                for (int i = 0; i < BLOCK; i++) {
                    gain += Math.clamp(wanted - gain, -step, step);
                    out[2 * i] = held(gain * now[0][i]);
                    out[2 * i + 1] = held(gain * now[1][i]);
                    peak = Math.max(peak, Math.abs(out[2 * i]));
                }
                peakDb = Decibels.fromAmplitude(peak);
                io.output().write(out, BLOCK);
            }
        }
    }

    private static void pass(Chain chain, float[] in, float[][] block) {
        System.arraycopy(in, 0, block[0], 0, BLOCK);
        System.arraycopy(in, 0, block[1], 0, BLOCK);
        chain.process(block, BLOCK);
    }

    private static void fade(float[][] now, float[][] later) {
        int frames = Math.min(BLOCK, (int) (FADE_S * Sound.WORKING_RATE_HZ));
        for (int c = 0; c < 2; c++) {
            for (int i = 0; i < BLOCK; i++) {
                float share = Math.min(1f, (float) i / frames);
                now[c][i] += share * (later[c][i] - now[c][i]);
            }
        }
    }

    /** Never louder than full scale. */
    private static float held(double v) {
        return (float) Math.clamp(v, -1, 1);
    }

    @Override
    public void close() {
        pause();
        thread.shutdownNow();
    }
}
