package verisonus.bench.band;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import verisonus.bench.Effects;
import verisonus.bench.KnownTone;
import verisonus.bench.MadeBand;
import verisonus.bench.OtherChain;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;
import verisonus.demo.Riffs;
import verisonus.demo.Takes;

/**
 * A song in which all play the same chords, and takes that are of its guitar's phrase or not: what a band's harmony alone makes agree
 * cannot tell them apart.
 *
 * @param mix everything
 * @param takes by what they are
 * @param beginS where those that are right begin in it, seconds
 */
record HarmonySong(long seed, Sound mix, Map<Take, Sound> takes, Map<Take, Double> beginS) {
    /** The open lowest string. */
    private static final double LOWEST_HZ = 82.41;

    /** What a take plays. */
    enum Take {
        /** The phrase, by another hand on another guitar. */
        RIGHT(true),
        /** The middle half of it. */
        PART(true),
        OTHER_RIFF(false),
        /** The second half before the first. */
        ROTATED(false),
        OTHER_CHORDS(false),
        /** Other chords, riff and tempo. */
        FOREIGN(false);

        private final boolean right;

        Take(boolean right) {
            this.right = right;
        }

        boolean isRight() { return right; }
    }

    static HarmonySong of(long seed) {
        SplittableRandom r = new SplittableRandom(seed * 7103 + 11);
        double bpm = 78 + 80 * r.nextDouble();
        int bars = bpm < 110 ? 4 + 4 * r.nextInt(2) : 8;
        Riffs.Harmony harmony = new Riffs.Harmony(roots(r), bpm, bars);
        Riffs.Harmony others = new Riffs.Harmony(moved(harmony.roots(), r), bpm, bars);
        Riffs.Harmony foreign = new Riffs.Harmony(roots(r), 78 + 80 * r.nextDouble(), bars);
        Takes.Guitar[] all = Takes.Guitar.values();
        Takes.Guitar theirs = all[r.nextInt(all.length)];
        Takes.Guitar mine = all[(theirs.ordinal() + 1 + r.nextInt(all.length - 1)) % all.length];
        long riff = 3_100_000 + seed;
        float[] played = wet(KnownTone.levelled(Riffs.over(harmony, riff, 2 * seed + 1, theirs).mid()).mid(), seed, r);
        Sound right = KnownTone.levelled(Riffs.over(harmony, riff, 2 * seed + 2, mine).mid());
        Map<Take, Sound> takes = new LinkedHashMap<>();
        takes.put(Take.RIGHT, right);
        takes.put(Take.PART, part(right, harmony));
        takes.put(Take.OTHER_RIFF,
                KnownTone.levelled(Riffs.over(harmony, riff + 500_000, 2 * seed + 3, mine).mid()));
        takes.put(Take.ROTATED, rotated(right, harmony));
        takes.put(Take.OTHER_CHORDS, KnownTone.levelled(Riffs.over(others, riff, 2 * seed + 4, mine).mid()));
        takes.put(Take.FOREIGN,
                KnownTone.levelled(Riffs.over(foreign, riff + 900_000, 2 * seed + 5, mine).mid()));
        int barsBefore = r.nextInt(2) * r.nextInt(5);
        double beforeS = barsBefore * harmony.barS();
        return new HarmonySong(seed, mixed(played, harmony, barsBefore, seed, r), takes,
                Map.of(Take.RIGHT, beforeS, Take.PART, beforeS + harmony.bars() / 4 * harmony.barS()));
    }

    static List<Integer> roots(SplittableRandom r) {
        int[] scale = {0, 2, 3, 5, 7, 8, 10};
        List<Integer> out = new ArrayList<>();
        int length = r.nextInt(4) == 0 ? 2 : 4;
        for (int i = 0; i < length; i++) out.add(scale[r.nextInt(scale.length)]);
        return out;
    }

    /** At least half of the chords are others. */
    private static List<Integer> moved(List<Integer> roots, SplittableRandom r) {
        List<Integer> out = new ArrayList<>();
        for (int i = 0; i < roots.size(); i++)
            out.add(i % 2 == 0 || r.nextBoolean()
                    ? Math.floorMod(roots.get(i) + 1 + r.nextInt(9), 11)
                    : roots.get(i));
        return out;
    }

    private static float[] wet(float[] dry, long seed, SplittableRandom r) {
        float[] x = new OtherChain.Settings(seed + 90_000).play(dry, OtherChain.Spoiling.NOTHING);
        if (r.nextInt(3) == 0)
            x = new Effects.Echo(150 + 400 * r.nextDouble(), 0.4 * r.nextDouble(), -14 + 6 * r.nextDouble()).on(x);
        return r.nextInt(3) == 0
                ? Effects.reverb(x, 0.5 * Math.pow(4, r.nextDouble()), 20, -16 + 8 * r.nextDouble(), r.split())
                : x;
    }

    /** The middle half of its bars. */
    private static Sound part(Sound take, Riffs.Harmony h) {
        double fromS = h.bars() / 4 * h.barS();
        return Sound.mono(java.util.Arrays.copyOfRange(take.mid(), (int) (fromS * take.rateHz()),
                (int) ((fromS + h.bars() / 2 * h.barS() + 0.4) * take.rateHz())), take.rateHz());
    }

    private static Sound rotated(Sound take, Riffs.Harmony h) {
        float[] x = take.mid();
        int rate = take.rateHz();
        int from = (int) (Riffs.Harmony.leadInS() * rate);
        int half = (int) (h.bars() / 2 * h.barS() * rate);
        int whole = (int) (h.bars() * h.barS() * rate);
        float[] out = x.clone();
        for (int i = 0; i < whole && from + i < out.length; i++) out[from + i] = x[from + (i + half) % whole];
        return Sound.mono(out, rate);
    }

    static Sound mixed(float[] played, Riffs.Harmony h, int barsBefore, long seed, SplittableRandom r) {
        int lead = (int) (Riffs.Harmony.leadInS() * Effects.RATE_HZ);
        // A song begins before its phrase and goes on after it.
        int barsAfter = r.nextInt(2) * r.nextInt(5);
        int before = (int) (barsBefore * h.barS() * Effects.RATE_HZ);
        int frames = before + played.length + (int) (barsAfter * h.barS() * Effects.RATE_HZ);
        MadeBand band = new MadeBand(seed + 57_000, frames, 60 / h.bpm(), LOWEST_HZ / 2,
                bar -> h.root(Math.floorMod(bar - barsBefore, h.roots().size())));
        return among(played, before, frames, lead, band, r);
    }

    /**
     * A guitar among a band.
     *
     * @param before frames after which it begins
     * @param lead frames after which the band does
     */
    static Sound among(float[] played, int before, int frames, int lead, MadeBand band, SplittableRandom r) {
        List<float[][]> parts = new ArrayList<>(List.of(band.drums(), band.bass()));
        if (r.nextInt(2) == 0) parts.add(band.keys());
        if (r.nextInt(3) == 0) parts.add(band.voice());
        float[][] rest = new float[2][frames];
        for (float[][] p : parts) {
            double gain = Math.pow(10, (6 * r.nextDouble() - 3) / 20) / rms(p);
            for (int c = 0; c < 2; c++)
                for (int i = lead; i < frames; i++) rest[c][i] += (float) (gain * p[c % p.length][i - lead]);
        }
        double pan = r.nextInt(3) == 0 ? (r.nextBoolean() ? 0.2 : 0.8) : 0.5;
        float[][] mix = new float[2][frames];
        for (int i = 0; i < played.length; i++) {
            mix[0][before + i] = (float) (1.41 * Math.cos(pan * Math.PI / 2) * played[i]);
            mix[1][before + i] = (float) (1.41 * Math.sin(pan * Math.PI / 2) * played[i]);
        }
        double guitarDb = -8 + 14 * r.nextDouble();
        double gain = rms(new float[][]{played}) / rms(rest) * Math.pow(10, -guitarDb / 20);
        double tilt = -4 + 8 * r.nextDouble();
        for (int c = 0; c < 2; c++) {
            for (int i = 0; i < frames; i++) mix[c][i] += (float) (gain * rest[c][i]);
            OtherChain.filter(mix[c], Biquad.highShelf(1000, tilt, Effects.RATE_HZ));
        }
        Sound s = new Sound(mix, Effects.RATE_HZ);
        Sound out = r.nextInt(3) == 0 ? Sound.mono(s.mid(), Effects.RATE_HZ) : s;
        return out.gained(20 * Math.log10(0.7 / (out.peak() + 1e-9)));
    }

    private static double rms(float[][] x) {
        double sum = 1e-12;
        for (float[] c : x) sum += Effects.energy(c) / c.length / x.length;
        return Math.sqrt(sum);
    }
}
