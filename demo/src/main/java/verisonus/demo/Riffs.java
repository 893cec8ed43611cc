package verisonus.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import verisonus.core.sound.Sound;

/** Dry takes of made-up riffs over a given harmony: the same chords can be played with another riff, and the same riff over others. */
public final class Riffs {
    private static final double LEAD_IN_S = 0.2;
    private static final int STEPS = 8;
    /** Frets of a chord on strings 0 to 5, over its root. */
    private static final int[] SHAPE = {0, 2, 2, 1, 0, 0};
    /** From the root, on the lowest strings: root, third, fifth, seventh. */
    private static final int[][] TONES = {{0, 0}, {0, 3}, {1, 2}, {1, 5}};

    private Riffs() {}

    /**
     * What is played over: a chord a bar, over and over.
     *
     * @param roots frets over the open lowest string, one a bar
     * @param bpm quarter notes a minute; four to the bar
     * @param bars how many are played
     */
    public record Harmony(List<Integer> roots, double bpm, int bars) {
        public double barS() {
            return 240 / bpm;
        }

        public int root(int bar) {
            return roots.get(bar % roots.size());
        }

        /** When the first bar begins, in every take. */
        public static double leadInS() {
            return LEAD_IN_S;
        }
    }

    /** The same riff seed gives the same notes, another hand other timing and strength. */
    public static Sound over(Harmony harmony, long riff, long hand, Takes.Guitar guitar) {
        List<Note> phrase = phrase(harmony, new SplittableRandom(riff));
        double lengthS = LEAD_IN_S + harmony.bars * harmony.barS() + 0.5;
        double timingMs = 8 + 8 * new SplittableRandom(hand).nextDouble();
        return switch (guitar) {
            case SINGLE_COIL, HUMBUCKER -> new Player(timingMs, 0.1, hand).play(phrase,
                    guitar == Takes.Guitar.SINGLE_COIL ? Instrument.SINGLE_COIL : Instrument.HUMBUCKER, lengthS);
            case PARTIALS -> new PartialsPlayer(3, hand).play(phrase, lengthS, timingMs, 0.1);
        };
    }

    private static List<Note> phrase(Harmony h, SplittableRandom random) {
        int kind = random.nextInt(4);
        // The second half is played otherwise than the first, so that neither passes for the other.
        boolean[] hit = new boolean[2 * STEPS];
        int[] tone = new int[2 * STEPS];
        for (int i = 0; i < hit.length; i++) {
            hit[i] = i % STEPS == 0 ? random.nextInt(6) > 0 : random.nextInt(5) < 3;
            tone[i] = random.nextInt(TONES.length);
        }
        boolean muted = random.nextBoolean();
        double length = random.nextBoolean() ? 0.5 : 0.95;
        List<Note> out = new ArrayList<>();
        double step = h.barS() / STEPS;
        for (int bar = 0; bar < h.bars; bar++) {
            int root = h.root(bar);
            // Every fourth bar ends otherwise, as a riff does.
            boolean turn = bar % 4 == 3;
            int half = 2 * bar < h.bars ? 0 : STEPS;
            for (int i = 0; i < STEPS; i++) {
                double at = LEAD_IN_S + bar * h.barS() + i * step;
                boolean here = turn && i >= STEPS / 2 ? random.nextInt(3) > 0 : hit[half + i];
                int t = turn && i >= STEPS / 2 ? random.nextInt(TONES.length) : tone[half + i];
                if (here) add(kind, at, step * length, root, t, muted && i > 0, 0.5 + 0.4 * random.nextDouble(), out);
            }
        }
        return out;
    }

    private static void add(int kind, double at, double length, int root, int tone, boolean muted, double hard,
            List<Note> out) {
        switch (kind) {
            // Single notes of the chord.
            case 0 -> out.add(new Note(at, length, TONES[tone][0], root + TONES[tone][1], hard, muted));
            // Root and fifth, at times moved by two frets.
            case 1 -> {
                int fret = root + (tone == 3 ? 2 : 0);
                out.add(new Note(at, length, 0, fret, hard, muted));
                out.add(new Note(at + 0.003, length, 1, fret + 2, hard, muted));
            }
            // The chord, strummed.
            case 2 -> {
                for (int s = 0; s < 6; s++)
                    out.add(new Note(at + 0.006 * s, length, s, root + SHAPE[s], hard, false));
            }
            // The chord's notes one after another, left to ring.
            default -> {
                int s = 2 + (tone + (int) Math.round(at * 7)) % 4;
                out.add(new Note(at, 3 * length, s, root + SHAPE[s], hard, false));
            }
        }
    }
}
