package verisonus.bench;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import verisonus.core.sound.Sound;
import verisonus.demo.Takes;

/**
 * A recording made from random playing and random settings, with what is true of it.
 *
 * @param dry the take it was made from, beginning a little earlier or later
 */
record KnownCase(Group group, long seed, Sound dry, Sound recording, Truth truth) {
    private static final double LENGTH_S = 10;

    /** What was done to the take, and how many such cases the report has. */
    enum Group {
        NOTHING(60),
        ECHO(30),
        DARK_ECHO(20),
        ECHO_IN_ROOM(16),
        ECHO_THEN_CLIPPED(12),
        TWO_ECHOES(16),
        CHANGING_SIDES(
                14),
        SWAYING_ECHO(16),
        ROOM(44),
        TREMOLO(14),
        VIBRATO(14),
        HARMONIC_TREMOLO(14),
        CHORUS(
                12),
        FLANGER(12),
        PHASER(12),
        ROTARY(8);

        final int cases;

        Group(int cases) {
            this.cases = cases;
        }
    }

    /** What is true; empty: not there. Sway: of the echo's time, ms. Level and pre-delay: of the space. */
    record Truth(Optional<Effects.Echo> echo, Optional<Effects.Echo> second, boolean changingSides,
            OptionalDouble decayS, double preDelayMs, double roomDb, String movement, double rateHz, double depth,
            double bpm, double centsOff, boolean rhythmic) {}

    static KnownCase of(Group group, long seed) {
        SplittableRandom random = new SplittableRandom(seed * 7919 + group.ordinal());
        Takes.Style style = Takes.Style.values()[random.nextInt(Takes.Style.values().length)];
        long playing = Math.abs(random.nextLong() % 1_000_000);
        Takes.Take take = Takes.known(style, playing, LENGTH_S);
        float[] x = take.sound().mid().clone();
        int shape = random.nextInt(4);
        if (random.nextInt(5) < 3) x = Effects.clipped(x, 2 + 24 * random.nextDouble(), shape);
        if (random.nextInt(10) < 7) {
            x = Effects.speaker(x, 3000 + 3500 * random.nextDouble(), 900 + 2500 * random.nextDouble(),
                    7 * random.nextDouble());
        }
        Made m = made(group, x, random, shape);
        double peak = 1e-9;
        for (float[] c : m.sound) for (float v : c) peak = Math.max(peak, Math.abs(v));
        Sound recording = new Sound(m.sound, Effects.RATE_HZ).gained(20 * Math.log10(0.7 / peak));
        boolean rhythmic = style != Takes.Style.LEAD && style != Takes.Style.STABS;
        Truth t = m.truth;
        Truth truth = new Truth(t.echo, t.second, t.changingSides, t.decayS, t.preDelayMs, t.roomDb, t.movement,
                t.rateHz, t.depth, take.bpm(), take.centsOff(), rhythmic);
        int late = (int) (Effects.RATE_HZ * 0.2 * random.nextDouble());
        float[] di = new float[x.length + late];
        System.arraycopy(take.sound().mid(), 0, di, late, x.length);
        return new KnownCase(group, seed, Sound.mono(di, Effects.RATE_HZ), recording, truth);
    }

    private record Made(float[][] sound, Truth truth) {}

    private static Made made(Group group, float[] x, SplittableRandom r, int shape) {
        double phase = 2 * Math.PI * r.nextDouble();
        double rate = 2.5 + 5.5 * r.nextDouble();
        double slow = 0.25 * Math.pow(12, r.nextDouble());
        double depth = 0.35 + 0.6 * r.nextDouble();
        return switch (group) {
            case NOTHING -> mono(x, nothing());
            case ECHO -> echo(x, steady(r, 0));
            case DARK_ECHO -> echo(x, steady(r, 1200 + 2500 * r.nextDouble()));
            case ECHO_IN_ROOM -> {
                Effects.Echo e = steady(r, r.nextBoolean() ? 0 : 2500);
                double decay = 0.5 + 1.8 * r.nextDouble();
                yield mono(Effects.reverb(e.on(x), decay, 20 * r.nextDouble(), -16 + 8 * r.nextDouble(), r),
                        with(Optional.of(e), Optional.empty(), false, OptionalDouble.of(decay)));
            }
            case ECHO_THEN_CLIPPED -> {
                Effects.Echo e = steady(r, 0);
                yield mono(Effects.clipped(e.on(x), 3 + 12 * r.nextDouble(), shape),
                        with(Optional.of(e), Optional.empty(), false, OptionalDouble.empty()));
            }
            case TWO_ECHOES -> {
                Effects.Echo a = new Effects.Echo(90 + 160 * r.nextDouble(), 0.3 * r.nextDouble(), -12 + 7
                        * r.nextDouble());
                Effects.Echo b = new Effects.Echo(300 + 500 * r.nextDouble(), 0.4 * r.nextDouble(), -12 + 7
                        * r.nextDouble());
                float[] both = r.nextBoolean()
                        ? b.on(a.on(x))
                        : Effects.sum(a.on(x), b.repeats(x), 1);
                yield mono(both, with(Optional.of(a), Optional.of(b), false, OptionalDouble.empty()));
            }
            case CHANGING_SIDES -> {
                Effects.Echo e = steady(r, 0);
                yield new Made(e.changingSides(x), with(Optional.of(e), Optional.empty(), true,
                        OptionalDouble.empty()));
            }
            case SWAYING_ECHO -> {
                double sway = 0.3 + (r.nextInt(2) == 0 ? 0.7 : 1.7) * r.nextDouble();
                yield echo(x, new Effects.Echo(150 + 500 * r.nextDouble(), 0.4 * r.nextDouble(), -10 + 6
                        * r.nextDouble(), 0, sway, 0.4 + r.nextDouble()));
            }
            case ROOM -> {
                double decay = 0.4 * Math.pow(8, r.nextDouble());
                double pre = 80 * r.nextDouble() * r.nextDouble();
                double db = -18 + 13 * r.nextDouble();
                Truth t = nothing();
                yield mono(Effects.reverb(x, decay, pre, db, r), new Truth(t.echo, t.second, false,
                        OptionalDouble.of(decay), pre, db, "", 0, 0, 0, 0, false));
            }
            case TREMOLO -> mono(Effects.tremolo(x, rate, depth, phase), moves("tremolo", rate, depth));
            case HARMONIC_TREMOLO ->
                mono(Effects.harmonicTremolo(x, rate, depth, phase), moves("harmonic tremolo", rate, depth));
            case VIBRATO -> {
                double cents = 10 + 30 * r.nextDouble();
                double swayMs = 1000 * (Math.pow(2, cents / 1200) - 1) / (2 * Math.PI * rate);
                yield mono(Effects.moving(x, 5, swayMs, rate, 0, 1, 0, phase), moves("vibrato", rate, cents));
            }
            case CHORUS -> {
                double swayMs = 0.6 + 1.8 * r.nextDouble();
                yield mono(Effects.moving(x, 9 + 12 * r.nextDouble(), swayMs, slow, 0.7, 0.6,
                        0, phase), moves("chorus", slow, swayMs));
            }
            case FLANGER -> mono(Effects.moving(x, 2.6, 2.0, slow, 0.7, 0.7, 0.55 * r.nextDouble(), phase),
                    moves("flanger", slow, 2));
            case PHASER -> mono(Effects.phaser(x, slow, 250 + 150 * r.nextDouble(), 1500 + 1500 * r.nextDouble(),
                    4 + 2 * r.nextInt(2), 0.5 * r.nextDouble(), phase), moves("phaser", slow, 1));
            case ROTARY -> {
                double hz = 5 + 2 * r.nextDouble();
                yield new Made(Effects.rotary(x, hz, depth), moves("rotary", hz, depth));
            }
        };
    }

    private static Effects.Echo steady(SplittableRandom r, double cornerHz) {
        return new Effects.Echo(80 * Math.pow(10, r.nextDouble()), r.nextInt(4) == 0 ? 0 : 0.65 * r.nextDouble(),
                -16 + 13 * r.nextDouble(), cornerHz, 0, 0);
    }

    private static Made echo(float[] x, Effects.Echo e) {
        return mono(e.on(x), with(Optional.of(e), Optional.empty(), false, OptionalDouble.empty()));
    }

    private static Made mono(float[] x, Truth t) {
        return new Made(new float[][]{x}, t);
    }

    private static Truth nothing() {
        return with(Optional.empty(), Optional.empty(), false, OptionalDouble.empty());
    }

    private static Truth with(Optional<Effects.Echo> echo, Optional<Effects.Echo> second, boolean sides,
            OptionalDouble decayS) {
        return new Truth(echo, second, sides, decayS, 0, 0, "", 0, 0, 0, 0, false);
    }

    private static Truth moves(String kind, double rateHz, double depth) {
        return new Truth(Optional.empty(), Optional.empty(), false, OptionalDouble.empty(), 0, 0, kind, rateHz, depth,
                0, 0, false);
    }
}
