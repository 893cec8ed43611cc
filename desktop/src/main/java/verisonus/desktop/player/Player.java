package verisonus.desktop.player;

import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.IntFunction;
import org.jspecify.annotations.Nullable;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;

/** Plays the sources of a case into an output on a thread of its own. */
public final class Player implements AutoCloseable {
    private static final int BLOCK = 512;
    private static final double MOST_GAIN_DB = 24;
    private static final double HEADROOM_DB = -1;

    private final IntFunction<SoundOutput> outputs;
    private final Mixer mixer = new Mixer(Sound.WORKING_RATE_HZ);
    private final ExecutorService thread = Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "player");
        t.setDaemon(true);
        return t;
    });
    private @Nullable Run run;
    private volatile String outputName = "";
    private volatile int gaps;
    private volatile double targetLufs = -23;

    /** From play to pause; each has its own end, so that a play right after a pause begins anew. */
    private static final class Run {
        private volatile boolean stopped;
        private volatile boolean ended;
    }

    /** @param outputs opens an output at a rate */
    public Player(IntFunction<SoundOutput> outputs) {
        this.outputs = outputs;
    }

    /** The sound all others are matched to in loudness. */
    public void loadReference(Optional<Sound> sound) {
        targetLufs = sound.flatMap(s -> boxed(LoudnessMeter.integratedLufs(s))).orElse(-23.0);
        load(Source.REFERENCE, sound, 0);
    }

    /** @param startS where on the time axis the sound begins */
    public void load(Source source, Optional<Sound> sound, double startS) {
        mixer.load(source, sound.map(s -> track(s.atRate(Sound.WORKING_RATE_HZ), startS, Optional.empty())));
    }

    /** A sound whose loudness was matched before. */
    public void loadAsItIs(Source source, Optional<Sound> sound, double startS) {
        mixer.load(source, sound.map(s -> track(s.atRate(Sound.WORKING_RATE_HZ), startS, Optional.of(1f))));
    }

    /** The band without the guitar, at the level it has in the reference. */
    public void loadBacking(Optional<Sound> sound) {
        mixer.loadBacking(sound.map(s -> track(s.atRate(Sound.WORKING_RATE_HZ), 0, Optional.of(1f))));
    }

    private Track track(Sound sound, double startS, Optional<Float> gain) {
        return new Track(sound, Math.round(startS * sound.rateHz()), gain.orElseGet(() -> matching(sound)));
    }

    /** Amplitude that makes a sound as loud as the reference without clipping it. */
    private float matching(Sound sound) {
        double own = boxed(LoudnessMeter.integratedLufs(sound)).orElse(targetLufs);
        double room = HEADROOM_DB - Decibels.fromAmplitude(sound.peak());
        return (float) Decibels.toAmplitude(Math.min(Math.min(targetLufs - own, MOST_GAIN_DB), Math.max(0, room)));
    }

    private static Optional<Double> boxed(java.util.OptionalDouble v) {
        return v.isPresent() ? Optional.of(v.getAsDouble()) : Optional.empty();
    }

    public double targetLufs() {
        return targetLufs;
    }

    public boolean has(Source source) {
        return mixer.has(source);
    }

    public void choose(Source source) {
        mixer.choose(source);
    }

    public void hearMix(boolean on) {
        mixer.hearMix(on);
    }

    public void setLevelDb(double db) {
        mixer.setLevelDb(db);
    }

    /** Loops a span of the time axis, or goes on past it. */
    public void loop(double fromS, double toS, boolean on) {
        mixer.loop(Math.round(fromS * Sound.WORKING_RATE_HZ), Math.round(toS * Sound.WORKING_RATE_HZ), on);
    }

    public void seek(double timeS) {
        mixer.seek(Math.round(timeS * Sound.WORKING_RATE_HZ));
    }

    public double positionS() {
        return (double) mixer.position() / Sound.WORKING_RATE_HZ;
    }

    /** What is played into, once something was; empty before. */
    public String outputName() {
        return outputName;
    }

    /** Whether it is to play; what was paused may sound on for a block. */
    public synchronized boolean isPlaying() {
        return run != null && !run.stopped && !run.ended;
    }

    public synchronized void play() {
        if (isPlaying()) return;
        Run begun = new Run();
        run = begun;
        Future<?> ignored = thread.submit(() -> {
            try {
                if (!begun.stopped) play(begun);
            } finally {
                begun.ended = true;
            }
        });
    }

    public synchronized void pause() {
        if (run != null) run.stopped = true;
    }

    private void play(Run mine) {
        SoundOutput output = outputs.apply(Sound.WORKING_RATE_HZ);
        try {
            mixer.startLow();
            outputName = output.name();
            float[] block = new float[2 * BLOCK];
            int before = gaps;
            while (!mine.stopped && !mixer.ended() && !Thread.currentThread().isInterrupted()) {
                mixer.fill(block, BLOCK);
                output.write(block, BLOCK);
                gaps = before + output.gaps();
                if (!output.isLost()) continue;
                output.close();
                // What was playing is heard on whatever is there now, beginning low; the gap is counted.
                output = outputs.apply(Sound.WORKING_RATE_HZ);
                outputName = output.name();
                mixer.startLow();
                before = gaps + 1;
                gaps = before;
            }
        } finally {
            output.close();
        }
    }

    /** How often playing broke off since the program was opened. */
    public int gaps() {
        return gaps;
    }

    @Override
    public void close() {
        pause();
        thread.shutdownNow();
    }
}
