package verisonus.core.trial;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/**
 * Passages that are compared by ear: as long as each other, as loud as the first over just what is heard (ITU-R BS.1770), faded
 * alike at both ends, of one rate and as many channels, so that nothing but the sound tells them apart.
 *
 * @param candidates the first is what the others are held against
 * @param leftLu the largest difference of loudness that is left, LU
 * @param lengths what was said of unequal lengths; empty where all are as long
 */
public record MatchedSounds(List<Candidate> candidates, double leftLu, Optional<String> lengths) {
    public static final double SHORTEST_S = 1;
    /** Louder sounds better: no more than this may be left. */
    public static final double CLOSEST_LU = 0.1;
    private static final double FADE_S = 0.02;
    private static final double HEADROOM = 0.95;
    private static final int ROUNDS = 4;
    private static final double SAME = 1e-4;
    private static final double MOST_APART_S = 0.1;

    public MatchedSounds {
        candidates = List.copyOf(candidates);
    }

    /** @throws InputFault where one is silent, too short, or cannot be made as loud */
    public static MatchedSounds of(List<Candidate> candidates) {
        List<Sound> at = candidates.stream().map(c -> c.sound().atRate(Sound.WORKING_RATE_HZ)).toList();
        int frames = at.stream().mapToInt(Sound::frames).min().orElseThrow();
        int longest = at.stream().mapToInt(Sound::frames).max().orElseThrow();
        if (frames < SHORTEST_S * Sound.WORKING_RATE_HZ)
            throw new InputFault("the passage", "it is shorter than a second", "mark a longer one");
        boolean stereo = at.stream().anyMatch(Sound::isStereo);
        List<Sound> shaped = at.stream().map(s -> shaped(s, frames, stereo)).toList();
        double target = loudness(candidates.getFirst().name(), shaped.getFirst());
        List<Sound> out = new ArrayList<>();
        double peak = 0;
        for (int i = 0; i < shaped.size(); i++) {
            Sound s = asLoud(candidates.get(i).name(), shaped.get(i), target);
            out.add(s);
            peak = Math.max(peak, s.peak());
        }
        double down = peak > HEADROOM ? 20 * Math.log10(HEADROOM / peak) : 0;
        double left = 0;
        List<Candidate> matched = new ArrayList<>();
        for (int i = 0; i < out.size(); i++) {
            Sound s = down == 0 ? out.get(i) : out.get(i).gained(down);
            matched.add(new Candidate(candidates.get(i).name(), s));
            left = Math.max(left, Math.abs(loudness(candidates.get(i).name(), s) - target - down));
        }
        if (left > CLOSEST_LU)
            throw new InputFault("the passage", "they could not be made as loud as each other", "mark another one");
        boolean apart = longest - frames > MOST_APART_S * Sound.WORKING_RATE_HZ;
        return new MatchedSounds(matched, left, apart
                ? Optional.of(Figures.of("all are cut to the shortest, %.1f s", frames
                        / (double) Sound.WORKING_RATE_HZ))
                : Optional.empty());
    }

    /**
     * A sound at this loudness. A gain changes which soft moments count (the gate at -70 LUFS), so that one step may not be enough.
     *
     * @param name stands in errors
     * @throws InputFault where it is silent
     */
    public static Sound asLoud(String name, Sound s, double target) {
        double gain = 0;
        Sound out = s;
        for (int i = 0; i < ROUNDS; i++) {
            double left = target - loudness(name, out);
            if (Math.abs(left) < CLOSEST_LU / 10) break;
            gain += left;
            out = s.gained(gain);
        }
        return out;
    }

    private static double loudness(String name, Sound s) {
        OptionalDouble l = LoudnessMeter.integratedLufs(s);
        if (l.isEmpty())
            throw new InputFault(name, "it is silent in the passage", "mark a passage in which all of them play");
        return l.getAsDouble();
    }

    private static Sound shaped(Sound s, int frames, boolean stereo) {
        int fade = (int) (FADE_S * s.rateHz());
        float[][] out = new float[stereo ? 2 : 1][];
        for (int c = 0; c < out.length; c++) {
            float[] x = Arrays.copyOf(s.channel(Math.min(c, s.channels().length - 1)), frames);
            for (int i = 0; i < fade; i++) {
                float w = (float) (0.5 - 0.5 * Math.cos(Math.PI * i / fade));
                x[i] *= w;
                x[frames - 1 - i] *= w;
            }
            out[c] = x;
        }
        return new Sound(out, s.rateHz());
    }

    public Sound first() {
        return candidates.getFirst().sound();
    }

    public Sound sound(int index) {
        return candidates.get(index).sound();
    }

    /** Whether two hold the same samples to -80 dB; a turned phase is another sound. */
    public boolean same(int a, int b) {
        return apart(sound(a), sound(b)) < SAME;
    }

    /** Whether one is the other turned in phase: alike alone, and gone when both are played at once. */
    public boolean turned(int a, int b) {
        return apart(sound(a), sound(b).channels(), -1) < SAME;
    }

    /** Names of those that are the same as an earlier one: told before a trial is wasted on them. */
    public List<String> twins() {
        List<String> out = new ArrayList<>();
        for (int b = 1; b < candidates.size(); b++) {
            for (int a = 0; a < b; a++) {
                if (!same(a, b)) continue;
                out.add(candidates.get(b).name() + " is the same as " + candidates.get(a).name());
                break;
            }
        }
        return out;
    }

    private static double apart(Sound a, Sound b) {
        return apart(a, b.channels(), 1);
    }

    private static double apart(Sound a, float[][] b, float sign) {
        double most = 0;
        for (int c = 0; c < b.length; c++) {
            float[] x = a.channel(c);
            for (int i = 0; i < x.length; i++) most = Math.max(most, Math.abs(x[i] - sign * b[c][i]));
        }
        return most;
    }
}
