package verisonus.bench.band;

import java.util.Optional;
import java.util.SplittableRandom;
import verisonus.bench.Effects;
import verisonus.bench.KnownTone;
import verisonus.bench.MadeBand;
import verisonus.bench.OtherChain;
import verisonus.core.sound.Sound;
import verisonus.demo.Riffs;
import verisonus.demo.Takes;

/**
 * A song whose guitar has one known effect or none, and a take of its phrase by another hand on another guitar. Even seeds play a riff
 * that comes round bar by bar, odd ones a phrase.
 *
 * @param mix everything
 * @param take dry
 * @param takeBeginsS in the mix, seconds
 * @param target the record's guitar and chain under the take's hand, effects and all
 * @param echo of the guitar
 */
record EffectSong(long seed, Kind kind, Sound mix, Sound take, double takeBeginsS, Sound target,
        Optional<Effects.Echo> echo, double beatS) {
    private static final double LENGTH_S = 20;

    /** What the guitar has. */
    enum Kind {
        PLAIN,
        /** At a note value of the song. */
        ECHO_IN_TIME,
        /** At any time. */
        ECHO,
        HALL,
        TREMOLO,
        CHORUS,
        ECHO_AND_HALL;

        boolean echoes() {
            return this == ECHO_IN_TIME || this == ECHO || this == ECHO_AND_HALL;
        }
    }

    static EffectSong of(long seed) {
        SplittableRandom r = new SplittableRandom(seed * 9473 + 31);
        Kind kind = Kind.values()[(int) (seed / 2 % Kind.values().length)];
        Takes.Guitar[] all = Takes.Guitar.values();
        Takes.Guitar theirs = all[r.nextInt(all.length)];
        Takes.Guitar mine = all[(theirs.ordinal() + 1 + r.nextInt(all.length - 1)) % all.length];
        return seed % 2 == 0 ? riff(seed, kind, theirs, mine, r) : phrase(seed, kind, theirs, mine, r);
    }

    private static EffectSong riff(long seed, Kind kind, Takes.Guitar theirs, Takes.Guitar mine, SplittableRandom r) {
        double bpm = 78 + 80 * r.nextDouble();
        Riffs.Harmony harmony = new Riffs.Harmony(HarmonySong.roots(r), bpm, bpm < 110 ? 4 + 4 * r.nextInt(2) : 8);
        long riff = 4_100_000 + seed;
        Wet wet = Wet.drawn(seed, kind, 60 / bpm, r);
        float[] played = wet.play(KnownTone.levelled(Riffs.over(harmony, riff, 2 * seed + 1, theirs).mid()).mid());
        Sound take = KnownTone.levelled(Riffs.over(harmony, riff, 2 * seed + 2, mine).mid());
        float[] again = KnownTone.levelled(Riffs.over(harmony, riff, 2 * seed + 2, theirs).mid()).mid();
        int barsBefore = r.nextInt(2) * r.nextInt(3);
        return new EffectSong(seed, kind, HarmonySong.mixed(played, harmony, barsBefore, seed, r), take,
                barsBefore * harmony.barS(), Sound.mono(wet.play(again), Effects.RATE_HZ), wet.echo, 60 / bpm);
    }

    private static EffectSong phrase(long seed, Kind kind, Takes.Guitar theirs, Takes.Guitar mine,
            SplittableRandom r) {
        Takes.Style style = Takes.Style.values()[r.nextInt(Takes.Style.values().length)];
        long phrase = 4_500_000 + seed;
        Takes.Take first = Takes.performed(style, phrase, 2 * seed + 1, theirs, LENGTH_S);
        Wet wet = Wet.drawn(seed, kind, 60 / first.bpm(), r);
        float[] played = wet.play(KnownTone.levelled(first.sound().mid()).mid());
        Sound take = KnownTone.levelled(Takes.performed(style, phrase, 2 * seed + 2, mine, LENGTH_S).sound().mid());
        float[] again = KnownTone
                .levelled(Takes.performed(style, phrase, 2 * seed + 2, theirs, LENGTH_S).sound().mid()).mid();
        MadeBand band = new MadeBand(seed + 61_000, played.length, 60 / first.bpm(), 33 + 22 * r.nextDouble());
        return new EffectSong(seed, kind, HarmonySong.among(played, 0, played.length, 0, band, r), take, 0,
                Sound.mono(wet.play(again), Effects.RATE_HZ), wet.echo, 60 / first.bpm());
    }

    /** A chain and what stands behind it. */
    private record Wet(OtherChain.Settings chain, Kind kind, Optional<Effects.Echo> echo, double decayS, double hallDb,
            double rateHz, double depth, long hall) {
        private static final double[] BEATS = {0.5, 0.75, 1, 1.0 / 3, 2.0 / 3};

        static Wet drawn(long seed, Kind kind, double beatS, SplittableRandom r) {
            double timeMs = kind == Kind.ECHO_IN_TIME
                    ? 1000 * beatS * BEATS[r.nextInt(BEATS.length)]
                    : 120 + 530 * r.nextDouble();
            Effects.Echo echo = new Effects.Echo(timeMs, 0.15 + 0.4 * r.nextDouble(), -13 + 8 * r.nextDouble(),
                    r.nextBoolean() ? 2000 + 3000 * r.nextDouble() : 0, 0, 0);
            return new Wet(new OtherChain.Settings(seed + 140_000), kind,
                    kind.echoes() ? Optional.of(echo) : Optional.empty(), 0.6 * Math.pow(4, r.nextDouble()),
                    -14 + 8 * r.nextDouble(), 2 + 5 * r.nextDouble(), 0.3 + 0.5 * r.nextDouble(), r.nextLong());
        }

        float[] play(float[] dry) {
            float[] x = chain.play(dry, OtherChain.Spoiling.NOTHING);
            if (kind == Kind.TREMOLO) return Effects.tremolo(x, rateHz, depth, 0);
            if (kind == Kind.CHORUS) return Effects.moving(x, 8, 3, rateHz / 4, 1, 0.8, 0, 0);
            if (echo.isPresent()) x = echo.get().on(x);
            return kind == Kind.HALL || kind == Kind.ECHO_AND_HALL
                    ? Effects.reverb(x, decayS, 20, hallDb, new SplittableRandom(hall))
                    : x;
        }
    }
}
