package verisonus.desktop.player;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import verisonus.core.sound.Decibels;

/**
 * Makes what is heard, frame by frame: one source at a time on a shared time axis, faded over when another is chosen or the
 * loop comes round, at a level that rises no faster than the ear can follow. One thread fills; any thread sets.
 */
final class Mixer {
    /** No change of level is faster than this, so that nothing ever jumps. */
    static final double SLEW_DB_PER_S = 12;
    private static final double FADE_S = 0.015;
    private static final double START_DB = -40;

    private final int rateHz;
    private final int fadeFrames;
    private final Map<Source, Track> tracks = new EnumMap<>(Source.class);
    private Optional<Track> backing = Optional.empty();
    private Source wanted = Source.REFERENCE;
    private Optional<Track> current = Optional.empty();
    private Optional<Track> leaving = Optional.empty();
    private int fadeLeft;
    private long position;
    private long leavingPosition;
    private long loopFrom;
    private long loopTo = Long.MAX_VALUE;
    private boolean looping;
    private boolean inTheMix;
    private float mixGain;
    private double targetDb = -30;
    private double levelDb = START_DB;

    Mixer(int rateHz) {
        this.rateHz = rateHz;
        this.fadeFrames = (int) (FADE_S * rateHz);
    }

    synchronized void load(Source source, Optional<Track> track) {
        track.ifPresentOrElse(t -> tracks.put(source, t), () -> tracks.remove(source));
        if (source == wanted) choose(source);
    }

    synchronized void loadBacking(Optional<Track> track) {
        backing = track;
    }

    synchronized boolean has(Source source) {
        return tracks.containsKey(source);
    }

    /** Fades to another source; the place on the time axis stays. */
    synchronized void choose(Source source) {
        wanted = source;
        leaving = current;
        leavingPosition = position;
        current = Optional.ofNullable(tracks.get(source));
        fadeLeft = fadeFrames;
    }

    synchronized void hearMix(boolean on) {
        inTheMix = on;
    }

    /** Level asked for, dB against the sources as they are matched; reached at {@value #SLEW_DB_PER_S} dB a second. */
    synchronized void setLevelDb(double db) {
        targetDb = db;
    }

    synchronized double levelDb() {
        return levelDb;
    }

    synchronized void loop(long from, long to, boolean on) {
        loopFrom = from;
        loopTo = Math.max(from + 2L * fadeFrames, to);
        looping = on;
    }

    synchronized void seek(long frame) {
        leaving = current;
        leavingPosition = position;
        fadeLeft = fadeFrames;
        position = frame;
    }

    /** Playback begins low, whatever was set. */
    synchronized void startLow() {
        levelDb = Math.min(START_DB, targetDb);
    }

    synchronized long position() {
        return position;
    }

    /** Whether playing has passed the end of everything. */
    synchronized boolean ended() {
        long end = 0;
        for (Track t : tracks.values()) end = Math.max(end, t.startFrame() + t.sound().frames());
        return !looping && position >= end;
    }

    /** The next frames, interleaved. */
    synchronized void fill(float[] out, int frames) {
        for (int i = 0; i < frames; i++) {
            if (looping && position >= loopTo) seek(loopFrom);
            float amplitude = (float) Decibels.toAmplitude(levelDb);
            float in = fadeLeft > 0 ? 1 - (float) fadeLeft / fadeFrames : 1;
            float left = in * sample(current, position, 0);
            float right = in * sample(current, position, 1);
            if (fadeLeft > 0) {
                left += (1 - in) * sample(leaving, leavingPosition, 0);
                right += (1 - in) * sample(leaving, leavingPosition, 1);
                leavingPosition++;
                fadeLeft--;
            }
            mixGain += ((inTheMix && wanted != Source.REFERENCE ? 1 : 0) - mixGain) * 0.0005f;
            left += mixGain * sample(backing, position, 0);
            right += mixGain * sample(backing, position, 1);
            out[2 * i] = amplitude * left;
            out[2 * i + 1] = amplitude * right;
            double step = SLEW_DB_PER_S / rateHz;
            levelDb += Math.clamp(targetDb - levelDb, -step, step);
            position++;
        }
    }

    private static float sample(Optional<Track> track, long frame, int channel) {
        return track.isEmpty() ? 0 : channel == 0 ? track.get().left(frame) : track.get().right(frame);
    }
}
