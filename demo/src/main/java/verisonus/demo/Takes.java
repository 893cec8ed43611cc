package verisonus.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import verisonus.core.sound.Sound;

/** Dry takes of made-up playing, for measuring estimators: styles, tempo, instrument and hand by the seed. */
public final class Takes {
    /** How it is played. */
    public enum Style {
        LEAD,
        RIFF,
        CHUG,
        ARPEGGIO,
        STRUM,
        STABS,
        PATTERN
    }

    private static final int[] SCALE = {0, 3, 5, 7, 10, 12, 15};

    private Takes() {}

    /**
     * A take and what is true of it.
     *
     * @param bpm quarter notes a minute
     * @param centsOff tuning against 440 Hz
     */
    public record Take(Sound sound, double bpm, double centsOff) {}

    /** A take of about this length; the same seed gives the same take. */
    public static Sound take(Style style, long seed, double lengthS) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Note> phrase = phrase(style, random, lengthS);
        boolean human = random.nextInt(3) > 0;
        Instrument instrument = random.nextBoolean() ? Instrument.SINGLE_COIL : Instrument.HUMBUCKER;
        return new Player(human ? 6 : 0, human ? 0.06 : 0, seed + 1).play(phrase, instrument, lengthS);
    }

    /** Playing of this seed on a guitar that does not depend on it. */
    public static Sound onGuitar(Style style, long seed, double lengthS, boolean singleCoil) {
        List<Note> phrase = phrase(style, new SplittableRandom(seed), lengthS);
        return new Player(6, 0.06, seed + 1)
                .play(phrase, singleCoil ? Instrument.SINGLE_COIL : Instrument.HUMBUCKER, lengthS);
    }

    /** Guitars that differ: two pickups of one string model, and one that is summed from partials. */
    public enum Guitar {
        SINGLE_COIL,
        HUMBUCKER,
        PARTIALS
    }

    /**
     * One phrase played by one hand on one guitar: the same phrase seed gives the same notes, another hand other timing and strength.
     */
    public static Take performed(Style style, long phraseSeed, long hand, Guitar guitar, double lengthS) {
        SplittableRandom random = new SplittableRandom(phraseSeed);
        List<Note> phrase = phrase(style, random, lengthS);
        double bpm = bpm(new SplittableRandom(phraseSeed));
        double timingMs = 8 + 8 * new SplittableRandom(hand).nextDouble();
        return switch (guitar) {
            case SINGLE_COIL, HUMBUCKER -> new Take(new Player(timingMs, 0.1, hand).play(phrase,
                    guitar == Guitar.SINGLE_COIL ? Instrument.SINGLE_COIL : Instrument.HUMBUCKER, lengthS), bpm, 0);
            case PARTIALS -> new Take(new PartialsPlayer(3, hand).play(phrase, lengthS, timingMs, 0.1), bpm, 0);
        };
    }

    /** The same playing on one of two instruments that share no code: odd seeds are summed from partials. */
    public static Take known(Style style, long seed, double lengthS) {
        double bpm = bpm(new SplittableRandom(seed));
        if (seed % 2 == 0) return new Take(take(style, seed, lengthS), bpm, 0);
        SplittableRandom random = new SplittableRandom(seed);
        List<Note> phrase = phrase(style, random, lengthS);
        boolean human = random.nextInt(3) > 0;
        PartialsPlayer player = new PartialsPlayer(seed + 1);
        return new Take(player.play(phrase, lengthS, human ? 6 : 0, human ? 0.06 : 0), bpm, player.centsOff());
    }

    private static double bpm(SplittableRandom random) {
        return 75 + 85 * random.nextDouble();
    }

    private static List<Note> phrase(Style style, SplittableRandom random, double lengthS) {
        double eighth = 30 / bpm(random);
        List<Note> phrase = new ArrayList<>();
        for (double t = 0.2; t < lengthS - 0.5;) t += add(style, t, eighth, random, phrase);
        return phrase;
    }

    /** Adds what comes next. @return how long it takes */
    private static double add(Style style, double t, double eighth, SplittableRandom random, List<Note> out) {
        double hard = 0.5 + 0.4 * random.nextDouble();
        return switch (style) {
            case LEAD -> {
                double length = eighth * (1 + random.nextInt(4));
                if (random.nextInt(5) > 0) {
                    out.add(new Note(t, length * (0.6 + 0.4 * random.nextDouble()), 3 + random.nextInt(3),
                            SCALE[random.nextInt(SCALE.length)], hard, false));
                }
                yield length;
            }
            case RIFF -> {
                out.add(new Note(t, eighth * 0.9, random.nextInt(3), SCALE[random.nextInt(4)], hard, false));
                yield eighth;
            }
            case CHUG -> {
                boolean open = random.nextInt(4) == 0;
                int fret = random.nextInt(3) * 2;
                out.add(new Note(t, eighth * 0.85, 0, fret, hard, !open));
                if (open) out.add(new Note(t + 0.003, eighth * 0.85, 1, fret + 2, hard, false));
                yield eighth;
            }
            case ARPEGGIO -> {
                int root = random.nextInt(6);
                int[] shape = {0, 2, 2, 1, 0, 0};
                for (int i = 0; i < 8; i++) {
                    int s = new int[]{0, 2, 3, 4, 5, 4, 3, 2}[i];
                    out.add(new Note(t + i * eighth, (8 - i) * eighth, s, root + shape[s], hard, false));
                }
                yield 8 * eighth;
            }
            case STRUM -> {
                chord(t, eighth * (random.nextInt(3) == 0 ? 2 : 0.95), hard, random, out);
                yield eighth * (1 + random.nextInt(2));
            }
            case PATTERN -> {
                // Eight steps that are played over and over, as a riff is.
                boolean[] hit = new boolean[8];
                for (int i = 0; i < 8; i++) hit[i] = i == 0 || random.nextInt(5) < 3;
                int[] frets = {0, random.nextInt(5), random.nextInt(8)};
                boolean muted = random.nextBoolean();
                int times = 2 + random.nextInt(3);
                for (int n = 0; n < 8 * times; n++) {
                    if (!hit[n % 8]) continue;
                    double at = t + n * eighth;
                    out.add(new Note(at, eighth * 0.8, 0, frets[n % 3], hard, muted && n % 8 != 0));
                    if (n % 8 == 0 || !muted)
                        out.add(new Note(at + 0.003, eighth * 0.8, 1, frets[n % 3] + 2, hard, false));
                }
                yield 8 * times * eighth;
            }
            case STABS -> {
                chord(t, eighth * 0.5, hard, random, out);
                yield eighth * (2 + random.nextInt(4));
            }
        };
    }

    private static void chord(double t, double length, double hard, SplittableRandom random, List<Note> out) {
        int root = random.nextInt(8);
        int[] shape = {0, 2, 2, 1, 0, 0};
        for (int s = 0; s < 6; s++) out.add(new Note(t + 0.006 * s, length, s, root + shape[s], hard, false));
    }
}
