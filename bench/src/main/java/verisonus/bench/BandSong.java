package verisonus.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.Supplier;
import verisonus.core.evidence.study.AloneFeatures;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;
import verisonus.demo.Takes;

/**
 * A made song of some twenty seconds: a guitar through a chain of another design with drawn effects, and a band whose members come and
 * go; or a guitar alone. Mixed, tilted, limited in band, with hiss, as records are.
 *
 * @param mix everything
 * @param guitar the guitar's part of it, at the mix's level
 * @param take the phrase played again on another guitar, dry
 * @param othersDb by quarter second, level of all others against the guitar, dB
 * @param melodicOnly by quarter second, whether only keys or a voice stand beside the guitar
 */
record BandSong(Sound mix, Sound guitar, Supplier<Sound> take, double[] othersDb, boolean[] melodicOnly) {
    static final double LENGTH_S = 20;
    /** Others under the first are as good as not there; over the second they are in the way; between, nothing is asked. */
    private static final double ALONE_DB = -26;
    private static final double COMPANY_DB = -18;
    private static final double SECTIONS_S = 2.5;

    /** Whether there is a band. */
    enum Kind {
        SOLO,
        SONG
    }

    static BandSong of(Kind kind, long seed) {
        SplittableRandom r = new SplittableRandom(seed * 9973 + kind.ordinal());
        Takes.Style style = Takes.Style.values()[r.nextInt(Takes.Style.values().length)];
        Takes.Guitar[] guitars = Takes.Guitar.values();
        Takes.Guitar theirs = guitars[r.nextInt(guitars.length)];
        Takes.Guitar mine = guitars[(theirs.ordinal() + 1 + r.nextInt(guitars.length - 1)) % guitars.length];
        double down = r.nextInt(3) == 0 ? Math.pow(2, -r.nextInt(6) / 12.0) : 1;
        Takes.Take first = Takes.performed(style, seed + 900_000, 2 * seed + 1, theirs, LENGTH_S + 1);
        float[] dry = lower(KnownTone.levelled(first.sound().mid()).mid(), down);
        Supplier<Sound> take = () -> Sound.mono(lower(KnownTone.levelled(Takes.performed(style, seed + 900_000,
                2 * seed + 2, mine, LENGTH_S + 1).sound().mid()).mid(), down), Effects.RATE_HZ);
        float[][] guitar = placed(moved(amped(dry, seed, r), r), r);
        float[][] rest = new float[2][guitar[0].length];
        int cells = (int) (guitar[0].length / (AloneFeatures.STEP_S * Effects.RATE_HZ));
        boolean[] rhythm = new boolean[cells];
        if (kind == Kind.SONG) band(seed, first.bpm(), guitar, rest, rhythm, r);
        float[][] mix = new float[2][guitar[0].length];
        for (int c = 0; c < 2; c++)
            for (int i = 0; i < mix[c].length; i++) mix[c][i] = guitar[c][i] + rest[c][i];
        double[] others = new double[cells];
        boolean[] melodic = new boolean[cells];
        for (int i = 0; i < cells; i++) {
            others[i] = levelDb(rest, i) - Math.max(levelDb(guitar, i), levelDb(guitar, -1) - 20);
            melodic[i] = others[i] >= ALONE_DB && !rhythm[i];
        }
        return new BandSong(mastered(mix, r), new Sound(guitar, Effects.RATE_HZ), take, others, melodic);
    }

    boolean isAlone(int quarterSecond) {
        return othersDb[quarterSecond] < ALONE_DB;
    }

    boolean isAccompanied(int quarterSecond) {
        return othersDb[quarterSecond] > COMPANY_DB;
    }

    private static float[] lower(float[] x, double by) {
        if (by == 1) return x;
        float[] out = new float[x.length];
        for (int i = 0; i < out.length; i++) out[i] = (float) Effects.read(x, i * by);
        return out;
    }

    /** Through a chain, clean at times, at times without a cabinet. */
    private static float[] amped(float[] dry, long seed, SplittableRandom r) {
        return switch (r.nextInt(8)) {
            case 0 -> dry.clone();
            case 1 -> Effects.clipped(dry, 30 * r.nextDouble(), r.nextInt(4));
            default -> new OtherChain.Settings(seed + 40_000).play(dry, OtherChain.Spoiling.NOTHING);
        };
    }

    private static float[][] moved(float[] x, SplittableRandom r) {
        double phase = 6 * r.nextDouble();
        double slow = 0.25 * Math.pow(10, r.nextDouble());
        float[][] out = switch (r.nextInt(9)) {
            case 0 -> new float[][]{Effects.tremolo(x, 2 + 6 * r.nextDouble(), 0.3 + 0.7 * r.nextDouble(), phase)};
            case 1 -> new float[][]{Effects.moving(x, 3, 2, slow, 0.7, 0.6, 0.5 * r.nextDouble(), phase)};
            case 2 -> Effects.rotary(x, 0.8 + 6 * r.nextDouble(), 0.5 + 0.5 * r.nextDouble());
            case 3 -> new float[][]{Effects.phaser(x, slow, 300, 2500, 4, 0.3, phase)};
            case 4 -> new float[][]{Effects.moving(x, 11, 2, slow, 1, 0.4, 0, phase),
                    Effects.moving(x, 11, 2, slow, 1, 0.4, 0, phase + Math.PI)};
            default -> new float[][]{x};
        };
        double decay = 0.3 * Math.pow(10, r.nextDouble());
        double db = -18 + 18 * r.nextDouble();
        boolean wet = r.nextInt(2) == 0;
        boolean repeats = r.nextInt(3) == 0;
        Effects.Echo echo = new Effects.Echo(100 + 600 * r.nextDouble(), 0.5 * r.nextDouble(), -14 + 8 * r
                .nextDouble());
        SplittableRandom hall = r.split();
        for (int c = 0; c < out.length; c++) {
            if (repeats) out[c] = echo.on(out[c]);
            if (wet) out[c] = Effects.reverb(out[c], decay, 40 * r.nextDouble(), db, hall.split());
        }
        return out;
    }

    /** Centred, aside, or as wide as it is. */
    private static float[][] placed(float[][] x, SplittableRandom r) {
        double pan = r.nextInt(3) == 0 ? 0.15 + 0.7 * r.nextDouble() : 0.5;
        float[] l = x[0].clone();
        float[] right = x[x.length - 1].clone();
        for (int i = 0; i < l.length; i++) {
            l[i] *= (float) (1.41 * Math.cos(pan * Math.PI / 2));
            right[i] *= (float) (1.41 * Math.sin(pan * Math.PI / 2));
        }
        return new float[][]{l, right};
    }

    private static void band(long seed, double bpm, float[][] guitar, float[][] rest, boolean[] rhythm,
            SplittableRandom r) {
        MadeBand made = new MadeBand(seed, guitar[0].length, 60 / bpm, 33 + 22 * r.nextDouble());
        double loud = -6 + 11 * r.nextDouble();
        List<float[][]> parts = new ArrayList<>();
        boolean drums = r.nextInt(8) > 0;
        boolean bass = r.nextInt(6) > 0;
        if (drums) parts.add(made.drums());
        if (bass) parts.add(made.bass());
        int rhythmic = parts.size();
        if (r.nextInt(2) == 0) parts.add(made.keys());
        if (r.nextInt(3) == 0 || parts.isEmpty()) parts.add(made.voice());
        boolean[] everybody = sections(guitar[0].length, r);
        for (int p = 0; p < parts.size(); p++) {
            float[][] part = parts.get(p);
            boolean[] on = r.nextInt(3) > 0 ? everybody : sections(guitar[0].length, r);
            double gain = Math.pow(10, (loud - 3 + 6 * r.nextDouble()) / 20) * rms(guitar) / (rms(part) * 1.5);
            int edge = (int) (0.02 * Effects.RATE_HZ);
            double fade = 0;
            for (int i = 0; i < rest[0].length; i++) {
                boolean now = on[Math.min(on.length - 1, (int) (i / (SECTIONS_S * Effects.RATE_HZ)))];
                fade = Math.clamp(fade + (now ? 1.0 : -1.0) / edge, 0, 1);
                for (int c = 0; c < 2; c++) rest[c][i] += (float) (gain * fade * part[c % part.length][i]);
                int cell = (int) (i / (AloneFeatures.STEP_S * Effects.RATE_HZ));
                if (p < rhythmic && fade > 0 && cell < rhythm.length) rhythm[cell] = true;
            }
        }
    }

    /** Who plays in which section: everywhere, from a point on, to a point, or here and there. */
    private static boolean[] sections(int frames, SplittableRandom r) {
        boolean[] on = new boolean[(int) Math.ceil(frames / (SECTIONS_S * Effects.RATE_HZ))];
        int kind = r.nextInt(4);
        int turn = 1 + r.nextInt(on.length - 1);
        for (int i = 0; i < on.length; i++) {
            on[i] = switch (kind) {
                case 0 -> true;
                case 1 -> i >= turn;
                case 2 -> i < turn;
                default -> r.nextBoolean();
            };
        }
        return on;
    }

    private static double rms(float[][] x) {
        double sum = 1e-12;
        for (float[] c : x) sum += Effects.energy(c) / c.length;
        return Math.sqrt(sum / x.length);
    }

    /** Level of a quarter second, or of everything for −1, dB. */
    private static double levelDb(float[][] x, int cell) {
        int step = (int) (AloneFeatures.STEP_S * Effects.RATE_HZ);
        int from = cell < 0 ? 0 : cell * step;
        int to = cell < 0 ? x[0].length : from + step;
        double sum = 1e-12;
        for (float[] c : x) for (int i = from; i < to; i++) sum += (double) c[i] * c[i];
        return 10 * Math.log10(sum / (to - from) / x.length);
    }

    private static Sound mastered(float[][] mix, SplittableRandom r) {
        double tilt = -8 + 16 * r.nextDouble();
        double top = r.nextInt(3) == 0 ? 9000 + 6500 * r.nextDouble() : 0;
        double noiseDb = -60 + 22 * r.nextDouble();
        boolean hiss = r.nextInt(3) == 0;
        double rms = rms(mix);
        double drive = r.nextInt(3) == 0 ? 1.5 + 2 * r.nextDouble() : 0;
        boolean mono = r.nextInt(3) == 0;
        double[][] hills = new double[3][];
        for (int i = 0; i < hills.length; i++)
            hills[i] = new double[]{90 * Math.pow(60, r.nextDouble()), 12 * r.nextDouble() - 6, 0.5 + r.nextDouble()};
        for (float[] c : mix) {
            OtherChain.filter(c, Biquad.highShelf(1000, tilt, Effects.RATE_HZ));
            for (double[] h : hills) OtherChain.filter(c, Biquad.peak(h[0], h[1], h[2], Effects.RATE_HZ));
            if (hiss)
                for (int i = 0; i < c.length; i++)
                    c[i] += (float) (rms * Math.pow(10, noiseDb / 20) * r
                            .nextGaussian());
            for (int k = 0; top > 0 && k < 3; k++) OtherChain.filter(c, Biquad.lowPass(top, 0.8, Effects.RATE_HZ));
            double level = drive / (4 * rms);
            for (int i = 0; drive > 0 && i < c.length; i++) c[i] = (float) (Math.tanh(level * c[i]) / level);
        }
        Sound s = new Sound(mix, Effects.RATE_HZ);
        Sound out = mono ? Sound.mono(s.mid(), Effects.RATE_HZ) : s;
        return out.gained(20 * Math.log10(0.7 / (out.peak() + 1e-9)));
    }
}
