package verisonus.bench.band;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import verisonus.bench.Effects;
import verisonus.bench.KnownTone;
import verisonus.bench.MadeBand;
import verisonus.bench.OtherChain;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;
import verisonus.demo.Takes;

/**
 * A guitar that never stands alone: a phrase through a chain of another design, at times with an echo or a hall, among bass, drums, keys
 * and a voice that play throughout.
 *
 * @param mix everything
 * @param guitar the guitar's part of it, at the mix's level and place
 * @param take the phrase played again by another hand on another guitar, dry
 * @param other something else by that hand on that guitar, dry
 * @param target the record's guitar and chain, effects and all, under the take's hand
 * @param floor the record's chain and effects on the take
 * @param echo of the record's guitar
 * @param hall whether it stands in a hall
 */
record BandMix(long seed, Place place, Takes.Style style, Sound mix, Sound guitar, Sound take, Sound other,
        Sound target, Sound floor, Optional<Effects.Echo> echo, boolean hall) {
    private static final double LENGTH_S = 14;

    /** How the guitar and the others stand between the sides. */
    enum Place {
        MONO,
        MIDDLE,
        ASIDE
    }

    /** @param guitarDb of the guitar against all others together */
    static BandMix of(long seed, double guitarDb) {
        SplittableRandom r = new SplittableRandom(seed * 6761 + 23);
        Place place = Place.values()[(int) (seed % 3)];
        Takes.Style style = Takes.Style.values()[r.nextInt(Takes.Style.values().length)];
        Takes.Guitar[] all = Takes.Guitar.values();
        Takes.Guitar theirs = all[r.nextInt(all.length)];
        Takes.Guitar mine = all[(theirs.ordinal() + 1 + r.nextInt(all.length - 1)) % all.length];
        long phrase = 1_200_000 + seed;
        Takes.Take first = Takes.performed(style, phrase, 2 * seed + 1, theirs, LENGTH_S);
        Sound take = KnownTone.levelled(Takes.performed(style, phrase, 2 * seed + 2, mine, LENGTH_S).sound().mid());
        Sound other = KnownTone.levelled(
                Takes.performed(style, phrase + 300_000, 2 * seed + 3, mine, LENGTH_S).sound().mid());
        Sound again = KnownTone.levelled(Takes.performed(style, phrase, 2 * seed + 2, theirs, LENGTH_S).sound().mid());
        Wet wet = Wet.drawn(r, new OtherChain.Settings(seed + 70_000));
        float[] played = wet.play(KnownTone.levelled(first.sound().mid()).mid());
        double pan = place == Place.ASIDE ? (r.nextBoolean() ? 0.2 : 0.8) + 0.3 * (r.nextDouble() - 0.5) : 0.5;
        float[][] guitar = new float[2][played.length];
        for (int i = 0; i < played.length; i++) {
            guitar[0][i] = (float) (1.41 * Math.cos(pan * Math.PI / 2) * played[i]);
            guitar[1][i] = (float) (1.41 * Math.sin(pan * Math.PI / 2) * played[i]);
        }
        float[][] rest = others(seed, first.bpm(), played.length, r);
        double gain = rms(guitar) / rms(rest) * Math.pow(10, -guitarDb / 20);
        double tilt = -4 + 8 * r.nextDouble();
        float[][] mix = new float[2][played.length];
        for (int c = 0; c < 2; c++) {
            for (int i = 0; i < mix[c].length; i++) mix[c][i] = (float) (guitar[c][i] + gain * rest[c][i]);
            OtherChain.filter(mix[c], Biquad.highShelf(1000, tilt, Effects.RATE_HZ));
            OtherChain.filter(guitar[c], Biquad.highShelf(1000, tilt, Effects.RATE_HZ));
        }
        Sound whole = new Sound(mix, Effects.RATE_HZ);
        Sound part = new Sound(guitar, Effects.RATE_HZ);
        double level = 20 * Math.log10(0.7 / (whole.peak() + 1e-9));
        return new BandMix(seed, place, style, sided(whole, place).gained(level), sided(part, place).gained(level),
                take, other, tilted(wet.play(again.mid()), tilt), tilted(wet.play(take.mid()), tilt),
                wet.echoes ? Optional.of(wet.echo) : Optional.empty(), wet.hall);
    }

    private static Sound sided(Sound s, Place place) {
        return place == Place.MONO ? Sound.mono(s.mid(), s.rateHz()) : s;
    }

    private static Sound tilted(float[] x, double tilt) {
        OtherChain.filter(x, Biquad.highShelf(1000, tilt, Effects.RATE_HZ));
        Sound s = Sound.mono(x, Effects.RATE_HZ);
        return s.gained(20 * Math.log10(0.7 / (s.peak() + 1e-9)));
    }

    /** A chain and what stands behind it. */
    private record Wet(OtherChain.Settings chain, Effects.Echo echo, boolean echoes, double decayS, double hallDb,
            boolean hall, long seed) {
        static Wet drawn(SplittableRandom r, OtherChain.Settings chain) {
            Effects.Echo echo = new Effects.Echo(180 + 400 * r.nextDouble(), 0.4 * r.nextDouble(), -14 + 6 * r
                    .nextDouble());
            return new Wet(chain, echo, r.nextInt(4) == 0, 0.5 * Math.pow(4, r.nextDouble()), -16 + 8 * r.nextDouble(),
                    r.nextInt(3) == 0, r.nextLong());
        }

        float[] play(float[] dry) {
            float[] x = chain.play(dry, OtherChain.Spoiling.NOTHING);
            if (echoes) x = echo.on(x);
            return hall ? Effects.reverb(x, decayS, 20, hallDb, new SplittableRandom(seed)) : x;
        }
    }

    private static float[][] others(long seed, double bpm, int frames, SplittableRandom r) {
        MadeBand made = new MadeBand(seed + 31_000, frames, 60 / bpm, 33 + 22 * r.nextDouble());
        List<float[][]> parts = new ArrayList<>(List.of(made.drums(), made.bass()));
        if (r.nextInt(2) == 0) parts.add(made.keys());
        if (r.nextInt(3) == 0) parts.add(made.voice());
        float[][] out = new float[2][frames];
        for (float[][] part : parts) {
            double gain = Math.pow(10, (6 * r.nextDouble() - 3) / 20) / rms(part);
            for (int c = 0; c < 2; c++)
                for (int i = 0; i < frames; i++) out[c][i] += (float) (gain * part[c % part.length][i]);
        }
        return out;
    }

    private static double rms(float[][] x) {
        double sum = 1e-12;
        for (float[] c : x) sum += Effects.energy(c) / c.length / x.length;
        return Math.sqrt(sum);
    }
}
