package verisonus.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
import verisonus.demo.Takes;

/**
 * What every user has: a reference played on one guitar through a chain of another design than the simulated gear, with effects of their
 * own code, and the same phrase played again by another hand on another guitar, dry. The target, for scoring only, is the reference's
 * guitar and chain under the take's hand.
 *
 * @param core the reference's dry chain, a little off, on the take: what a derived tone without effects would be at its best
 * @param floor the reference's chain and effects on the take, matched in colour to the reference: no tone comes nearer
 */
public record ReplayCase(long seed, Group group, Takes.Style style, double bpm, Sound reference, Sound take,
        Sound target,
        Sound core, Sound floor, Truth truth) {
    static final double LENGTH_S = 13;
    private static final double OFF_DB = 1.2;

    /** What the reference has. */
    public enum Group {
        NOTHING,
        ECHO,
        SWAYING_ECHO,
        ECHO_IN_HALL,
        HALL,
        TREMOLO,
        HARMONIC_TREMOLO,
        PHASER,
        VIBRATO,
        WIDE_CHORUS,
        CHORUS,
        FLANGER
    }

    /** What stands in the rests of a pair that has no other effect. */
    enum Rests {
        /** Nothing: strings that were damped. */
        QUIET,
        /** Both guitars pick something up. */
        HISS,
        /** The take alone does. */
        TAKE_HISSES,
        /** Both do, and a gate shuts before the record's chain. */
        GATE
    }

    /** What is true; empty: not there. */
    public record Truth(Optional<Effects.Echo> echo, OptionalDouble decayS, double preDelayMs, double hallDb,
            String movement,
            double rateHz) {
        static final Truth NOTHING = new Truth(Optional.empty(), OptionalDouble.empty(), 0, 0, "", 0);

        private Truth with(Effects.Echo e) {
            return new Truth(Optional.of(e), decayS, preDelayMs, hallDb, movement, rateHz);
        }

        private Truth in(double decay, double pre, double db) {
            return new Truth(echo, OptionalDouble.of(decay), pre, db, movement, rateHz);
        }

        private Truth moving(String kind, double hz) {
            return new Truth(echo, decayS, preDelayMs, hallDb, kind, hz);
        }
    }

    /** The record's guitar and the player's, never the same. */
    record Guitars(Takes.Guitar theirs, Takes.Guitar mine) {
        static Guitars of(SplittableRandom r) {
            Takes.Guitar[] all = Takes.Guitar.values();
            Takes.Guitar theirs = all[r.nextInt(all.length)];
            return new Guitars(theirs, all[(theirs.ordinal() + 1 + r.nextInt(all.length - 1)) % all.length]);
        }
    }

    /** The group follows from the seed, so that any range of seeds holds all of them. */
    public static ReplayCase of(long seed) {
        return of(seed, false);
    }

    /** The same with the take laid under the reference before anything is made of it, as a search lays it. */
    public static ReplayCase laid(long seed) {
        return of(seed, true);
    }

    private static ReplayCase of(long seed, boolean laid) {
        SplittableRandom r = new SplittableRandom(seed * 7457 + 11);
        Group group = Group.values()[(int) (seed % Group.values().length)];
        Takes.Style style = Takes.Style.values()[r.nextInt(Takes.Style.values().length)];
        Guitars g = Guitars.of(r);
        long phrase = 500_000 + seed;
        Takes.Take first = Takes.performed(style, phrase, 2 * seed + 1, g.theirs, LENGTH_S);
        Sound take = KnownTone.levelled(Takes.performed(style, phrase, 2 * seed + 2, g.mine, LENGTH_S).sound().mid());
        Sound again = Takes.performed(style, phrase, 2 * seed + 2, g.theirs, LENGTH_S).sound();
        OtherChain.Settings chain = new OtherChain.Settings(seed + 9000);
        float[] dry = chain.play(KnownTone.levelled(first.sound().mid()).mid(), OtherChain.Spoiling.NOTHING);
        float[] wanted = chain.play(KnownTone.levelled(again.mid()).mid(), OtherChain.Spoiling.NOTHING);
        double coreDb = 4 * r.nextDouble() - 2;
        List<Biquad> off = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            off.add(Biquad.peak(120 * Math.pow(40, r.nextDouble()), OFF_DB * (2 * r.nextDouble() - 1) * 1.7, 0.9,
                    Effects.RATE_HZ));
        }
        long effects = r.nextLong();
        Made made = made(group, dry, new SplittableRandom(effects));
        Made target = made(group, wanted, new SplittableRandom(effects));
        Sound reference = levelled(made.sound);
        Sound played = laid ? MatchedTake.of(reference, take).sound() : take;
        float[] core = chain.play(played.gained(coreDb).mid(), OtherChain.Spoiling.NOTHING);
        off.forEach(f -> OtherChain.filter(core, f));
        Made near = made(group, chain.play(played.mid(), OtherChain.Spoiling.NOTHING), new SplittableRandom(effects));
        Sound floor = Sound.mono(MatchedEqualizer.of(reference.mid(), levelled(near.sound).mid()), Effects.RATE_HZ);
        return new ReplayCase(seed, group, style, first.bpm(), reference, take, levelled(target.sound),
                levelled(new float[][]{core}), floor, made.truth);
    }

    /** Where in the record's chain its effect sat. */
    enum Seat {
        BEFORE,
        BEHIND
    }

    /** Effects whose place before a clipper is heard. */
    private static final Group[] SEATED = {Group.ECHO, Group.TREMOLO, Group.PHASER, Group.HALL};

    /** A pair with one effect, before the record's chain or behind it. */
    static ReplayCase seated(long seed, Seat seat) {
        SplittableRandom r = new SplittableRandom(seed * 6151 + 3);
        Group group = SEATED[(int) (seed % SEATED.length)];
        Takes.Style style = Takes.Style.values()[r.nextInt(Takes.Style.values().length)];
        Guitars g = Guitars.of(r);
        long phrase = 900_000 + seed;
        Takes.Take first = Takes.performed(style, phrase, 2 * seed + 1, g.theirs, LENGTH_S);
        Sound take = KnownTone.levelled(Takes.performed(style, phrase, 2 * seed + 2, g.mine, LENGTH_S).sound().mid());
        Sound again = Takes.performed(style, phrase, 2 * seed + 2, g.theirs, LENGTH_S).sound();
        OtherChain.Settings chain = new OtherChain.Settings(seed + 29_000);
        long effects = r.nextLong();
        Made made = seated(group, seat, KnownTone.levelled(first.sound().mid()).mid(), chain, effects);
        Made target = seated(group, seat, KnownTone.levelled(again.mid()).mid(), chain, effects);
        Made near = seated(group, seat, take.mid(), chain, effects);
        Sound reference = levelled(made.sound);
        return new ReplayCase(seed, group, style, first.bpm(), reference, take, levelled(target.sound),
                levelled(new float[][]{chain.play(take.mid(), OtherChain.Spoiling.NOTHING)}),
                Sound.mono(MatchedEqualizer.of(reference.mid(), levelled(near.sound).mid()), Effects.RATE_HZ),
                made.truth);
    }

    private static Made seated(Group group, Seat seat, float[] dry, OtherChain.Settings chain, long effects) {
        SplittableRandom r = new SplittableRandom(effects);
        if (seat == Seat.BEHIND) return made(group, chain.play(dry, OtherChain.Spoiling.NOTHING), r);
        Made before = made(group, dry, r);
        return new Made(new float[][]{chain.play(before.sound[0], OtherChain.Spoiling.NOTHING)}, before.truth);
    }

    /** The phrase of a case once more by the take's guitar and another hand. */
    static Sound anotherTake(long seed) {
        SplittableRandom r = new SplittableRandom(seed * 7457 + 11);
        Takes.Style style = Takes.Style.values()[r.nextInt(Takes.Style.values().length)];
        Guitars g = Guitars.of(r);
        return KnownTone.levelled(
                Takes.performed(style, 500_000 + seed, 3_000_000 + seed, g.mine, LENGTH_S).sound().mid());
    }

    /** The record with bass and drums that come in after some seconds, this loud against the guitar. */
    Sound inBand(double aloneS, double bandDb) {
        int n = reference.frames();
        MadeBand made = new MadeBand(seed, n, 60 / bpm, 40);
        List<float[][]> parts = List.of(made.drums(), made.bass());
        float[][] out = new float[2][];
        for (int c = 0; c < 2; c++) out[c] = reference.channel(c % reference.channels().length).clone();
        double guitar = reference.rms();
        for (float[][] part : parts) {
            double gain = Math.pow(10, bandDb / 20) * guitar / (Math.sqrt(2) * rms(part[0]));
            for (int c = 0; c < 2; c++)
                for (int i = (int) (aloneS * Effects.RATE_HZ); i < n; i++)
                    out[c][i] += (float) (gain * part[c % part.length][i]);
        }
        return levelled(out);
    }

    private static double rms(float[] x) {
        return Math.sqrt(Effects.energy(x) / x.length) + 1e-12;
    }

    /** A pair without effects but what its rests hold. */
    static ReplayCase resting(long seed, Rests rests) {
        SplittableRandom r = new SplittableRandom(seed * 9311 + 5);
        Takes.Style style = Takes.Style.values()[r.nextInt(Takes.Style.values().length)];
        Guitars g = Guitars.of(r);
        long phrase = 700_000 + seed;
        Takes.Take first = Takes.performed(style, phrase, 2 * seed + 1, g.theirs, LENGTH_S);
        double db = -66 + 18 * r.nextDouble();
        double mineDb = db - 4 + 8 * r.nextDouble();
        float[] record = KnownTone.levelled(first.sound().mid()).mid().clone();
        float[] played = KnownTone
                .levelled(Takes.performed(style, phrase, 2 * seed + 2, g.mine, LENGTH_S).sound().mid())
                .mid().clone();
        float[] again = KnownTone
                .levelled(Takes.performed(style, phrase, 2 * seed + 2, g.theirs, LENGTH_S).sound().mid())
                .mid().clone();
        if (rests == Rests.HISS || rests == Rests.GATE) {
            record = Effects.picksUp(record, db, r.split());
            again = Effects.picksUp(again, db, r.split());
        }
        if (rests != Rests.QUIET) played = Effects.picksUp(played, mineDb, r.split());
        double over = 12 + 8 * r.nextDouble();
        double depth = 30 + 40 * r.nextDouble();
        double hold = 20 + 60 * r.nextDouble();
        double release = 30 + 170 * r.nextDouble();
        UnaryOperator<float[]> shut = rests == Rests.GATE
                ? x -> Effects.gate(x, db + over, depth, hold, release)
                : UnaryOperator.identity();
        OtherChain.Settings chain = new OtherChain.Settings(seed + 19_000);
        float[] out = chain.play(shut.apply(record), OtherChain.Spoiling.NOTHING);
        float[] wanted = chain.play(shut.apply(again), OtherChain.Spoiling.NOTHING);
        float[] core = chain.play(Sound.mono(played, Effects.RATE_HZ).gained(4 * r.nextDouble() - 2).mid(),
                OtherChain.Spoiling.NOTHING);
        Sound reference = levelled(new float[][]{out});
        return new ReplayCase(seed, Group.NOTHING, style, first.bpm(), reference, Sound.mono(played, Effects.RATE_HZ),
                levelled(new float[][]{wanted}), levelled(new float[][]{core}),
                Sound.mono(MatchedEqualizer.of(reference.mid(), levelled(new float[][]{core}).mid()), Effects.RATE_HZ),
                Truth.NOTHING);
    }

    private record Made(float[][] sound, Truth truth) {}

    private static Made made(Group group, float[] x, SplittableRandom r) {
        double phase = 2 * Math.PI * r.nextDouble();
        double fast = 2.6 + 5 * r.nextDouble();
        double slow = 0.3 * Math.pow(5, r.nextDouble());
        double depth = 0.3 + 0.5 * r.nextDouble();
        Effects.Echo echo = new Effects.Echo(180 * Math.pow(4, r.nextDouble()), 0.6 * r.nextDouble(),
                -16 + 10 * r.nextDouble(), r.nextBoolean() ? 0 : 1800 + 2500 * r.nextDouble(), 0, 0);
        double decay = 0.6 * Math.pow(5, r.nextDouble());
        double pre = 60 * r.nextDouble();
        double db = -16 + 8 * r.nextDouble();
        Truth none = Truth.NOTHING;
        return switch (group) {
            case NOTHING -> mono(x, none);
            case ECHO -> mono(echo.on(x), none.with(echo));
            case SWAYING_ECHO -> {
                Effects.Echo e = new Effects.Echo(echo.timeMs(), echo.feedback(), echo.levelDb() + 3, echo.cornerHz(),
                        0.5 + 1.5 * r.nextDouble(), 0.4 + r.nextDouble());
                yield mono(e.on(x), none.with(e));
            }
            case ECHO_IN_HALL ->
                mono(Effects.reverb(echo.on(x), decay, pre, db, r), none.with(echo).in(decay, pre, db));
            case HALL -> mono(Effects.reverb(x, decay, pre, db, r), none.in(decay, pre, db));
            case TREMOLO -> mono(Effects.tremolo(x, fast, depth, phase), none.moving("tremolo", fast));
            case HARMONIC_TREMOLO ->
                mono(Effects.harmonicTremolo(x, fast, depth, phase), none.moving("harmonic tremolo", fast));
            case PHASER ->
                mono(mixed(x, Effects.phaser(x, slow, 250 + 150 * r.nextDouble(), 1500 + 1500 * r.nextDouble(), 4,
                        0.3 * r.nextDouble(), phase), 0.4 + 0.6 * r.nextDouble()), none.moving("phaser", slow));
            case VIBRATO -> {
                double hz = 3.5 + 3.5 * r.nextDouble();
                double cents = 8 + 22 * r.nextDouble();
                double swayMs = 1000 * (Math.pow(2, cents / 1200) - 1) / (2 * Math.PI * hz);
                yield mono(Effects.moving(x, 5, swayMs, hz, 0, 1, 0, phase), none.moving("vibrato", hz));
            }
            case WIDE_CHORUS -> {
                double swayMs = 1.2 + 1.6 * r.nextDouble();
                double wet = Math.pow(10, (-18 + 9 * r.nextDouble()) / 20);
                double hz = 0.4 * Math.pow(4, r.nextDouble());
                yield new Made(new float[][]{Effects.moving(x, 11, swayMs, hz, 1, wet, 0, phase),
                        Effects.moving(x, 11, swayMs, hz, 1, wet, 0, phase + Math.PI)}, none.moving("wide chorus", hz));
            }
            case CHORUS -> mono(Effects.moving(x, 9 + 9 * r.nextDouble(), 0.8 + 1.6 * r.nextDouble(), slow, 0.7, 0.5, 0,
                    phase), none.moving("chorus", slow));
            case FLANGER -> mono(Effects.moving(x, 2.6, 2, slow, 0.7, 0.6, 0.5 * r.nextDouble(), phase),
                    none.moving("flanger", slow));
        };
    }

    private static float[] mixed(float[] dry, float[] wet, double share) {
        float[] out = new float[dry.length];
        for (int i = 0; i < out.length; i++) out[i] = (float) ((1 - share) * dry[i] + share * wet[i]);
        return out;
    }

    private static Made mono(float[] x, Truth t) {
        return new Made(new float[][]{x}, t);
    }

    private static Sound levelled(float[][] x) {
        double peak = 1e-9;
        for (float[] c : x) for (float v : c) peak = Math.max(peak, Math.abs(v));
        return new Sound(x, Effects.RATE_HZ).gained(20 * Math.log10(0.7 / peak));
    }
}
