package verisonus.core.trial.clip;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/**
 * Excerpts in a row, all equally loud (ITU-R BS.1770-5, integrated), each faded in and out with a rest behind it, so that no join clicks.
 * What comes when is listed.
 *
 * @param sound at {@link Sound#WORKING_RATE_HZ}, stereo where an excerpt is
 * @param cues in their order
 * @param loudnessLufs of every excerpt
 */
public record Clip(Sound sound, List<Cue> cues, double loudnessLufs) {
    /** As loud as speech and music by one measure usually are on the network, LUFS. */
    private static final double USUAL_LUFS = -16;
    /** Converters and codecs after it need this much, dBTP. */
    private static final double MOST_DBTP = -1;
    /** A fade of this length is heard as neither a click nor a fade. */
    private static final double FADE_S = 0.02;
    private static final double REST_S = 0.35;
    /** Loudness is not defined for less (BS.1770's blocks are 0.4 s). */
    private static final double SHORTEST_S = 0.5;

    /** When an excerpt is heard. */
    public record Cue(double fromS, double toS, String label) {}

    public Clip {
        cues = List.copyOf(cues);
    }

    /**
     * In the order in which they are given.
     *
     * @throws InputFault where an excerpt is silent or shorter than half a second
     */
    public static Clip of(List<Candidate> parts) {
        if (parts.isEmpty()) throw new InputFault("the clip", "it has no part", "name one or more");
        List<Candidate> working = parts.stream()
                .map(p -> new Candidate(p.name(), p.sound().atRate(Sound.WORKING_RATE_HZ))).toList();
        double target = USUAL_LUFS;
        for (Candidate p : working)
            target = Math.min(target, loudness(p) + MOST_DBTP - LoudnessMeter.truePeakDbtp(p.sound()));
        int channels = working.stream().anyMatch(p -> p.sound().isStereo()) ? 2 : 1;
        int rest = (int) (REST_S * Sound.WORKING_RATE_HZ);
        int frames = working.stream().mapToInt(p -> p.sound().frames() + rest).sum() - rest;
        float[][] out = new float[channels][frames];
        List<Cue> cues = new ArrayList<>();
        int at = 0;
        for (Candidate p : working) {
            Sound loud = MatchedSounds.asLoud(p.name(), p.sound(), target);
            for (int c = 0; c < channels; c++)
                laid(loud.channel(Math.min(c, loud.channels().length - 1)), out[c], at);
            cues.add(new Cue((double) at / Sound.WORKING_RATE_HZ,
                    (double) (at + p.sound().frames()) / Sound.WORKING_RATE_HZ, p.name()));
            at += p.sound().frames() + rest;
        }
        return new Clip(new Sound(out, Sound.WORKING_RATE_HZ), cues, target);
    }

    /** The same excerpts in an order of chance, called by numbers. */
    public static Blind blind(List<Candidate> parts, long seed) {
        List<Candidate> left = new ArrayList<>(parts);
        List<Candidate> drawn = new ArrayList<>();
        SplittableRandom random = new SplittableRandom(seed);
        while (!left.isEmpty()) drawn.add(left.remove(random.nextInt(left.size())));
        List<Candidate> numbered = new ArrayList<>();
        for (int i = 0; i < drawn.size(); i++) numbered.add(new Candidate(String.valueOf(i + 1), drawn.get(i).sound()));
        return new Blind(of(numbered), drawn.stream().map(Candidate::name).toList());
    }

    /** A clip whose parts are called by numbers, and what they are. */
    public record Blind(Clip clip, List<String> key) {}

    private static double loudness(Candidate p) {
        if (p.sound().durationS() < SHORTEST_S)
            throw new InputFault(p.name(), Figures.of("it is too short (%.2f s)", p.sound().durationS()),
                    "use half a second or more");
        return LoudnessMeter.integratedLufs(p.sound())
                .orElseThrow(() -> new InputFault(p.name(), "it is silent", "choose a part in which something sounds"));
    }

    private static void laid(float[] x, float[] out, int at) {
        int fade = Math.min(x.length / 2, (int) (FADE_S * Sound.WORKING_RATE_HZ));
        for (int i = 0; i < x.length; i++) {
            int edge = Math.min(i, x.length - 1 - i);
            // A raised cosine: neither value nor slope jumps.
            double in = edge >= fade ? 1 : 0.5 - 0.5 * Math.cos(Math.PI * edge / fade);
            out[at + i] = (float) (in * x[i]);
        }
    }
}
