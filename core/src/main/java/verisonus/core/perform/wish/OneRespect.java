package verisonus.core.perform.wish;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.PairedExamination;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.evidence.words.Trait;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.MeasuredBlocks;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.colour.BandWeights;
import verisonus.core.search.colour.EmptyBands;
import verisonus.core.search.colour.EqualizerFit;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * How is a tone made like a recording in one respect, and in nothing else? Echo, space and movement are set as the recording shows them,
 * colour by four filters, dirt on the clipper's gain; each is then read again from what the tone makes of the take.
 */
final class OneRespect {
    private static final Set<Trait> COLOUR = EnumSet.of(Trait.LOWS, Trait.LOW_MIDS, Trait.BOX, Trait.HONK, Trait.BITE,
            Trait.PRESENCE, Trait.AIR, Trait.TILT, Trait.CENTRE);
    private static final Set<Trait> DIRT = EnumSet.of(Trait.DIRT, Trait.SPREAD, Trait.ATTACK, Trait.FALL);
    /** How far what is read again may be from what was aimed at, as a share of it. */
    private static final double TIME_OFF = 0.03;
    private static final double DECAY_OFF = 0.3;
    private static final double RATE_OFF = 0.1;
    private static final double INDEX_JUST_HEARD = 0.06;
    private static final double EQUALIZER_RIDGE = 0.02;
    private static final int PASSES = 2;
    private static final int HALVINGS = 7;
    /** Bands that differ by less are alike, dB RMS. */
    private static final double ALIKE_DB = 2;

    private final Rig rig;
    private final Sound take;

    OneRespect(Rig rig, Sound take) {
        this.rig = rig;
        this.take = take;
    }

    /**
     * A tone that took one respect over.
     *
     * @param part how near it comes, measured
     * @param moved traits that follow from it and so are no surprise
     */
    record Taken(Tone tone, Granted.Part part, Set<Trait> moved) {}

    /** @throws InputFault where the recording does not show it, or nothing owned makes it */
    Taken taken(Tone t, Wish.Like like) {
        Evidence shown = Examination.of(like.recording().atRate(Sound.WORKING_RATE_HZ), Progress.NONE);
        MeasuredBlocks measured = new MeasuredBlocks(shown, SearchOptions.defaults().withRig(rig));
        return switch (like.aspect()) {
            case ECHO -> {
                Tone now = with(t, GearKind.ECHO, measured.echo(), "an echo");
                yield new Taken(now, part("its echo", "ms", TIME_OFF, time(shown), time(heardAgain(now))),
                        EnumSet.of(Trait.ECHO));
            }
            case SPACE -> {
                Tone now = with(t, GearKind.REVERB, measured.space(render(without(t, GearKind.REVERB))), "a space");
                yield new Taken(now, part("its space", "s", DECAY_OFF, decay(shown), decay(heardAgain(now))),
                        EnumSet.of(Trait.ROOM));
            }
            case MOVEMENT -> {
                Tone now = with(t, GearKind.MODULATION, measured.movement(), "a movement");
                yield new Taken(now, part("its movement", "Hz", RATE_OFF, rate(shown), rate(heardAgain(now))),
                        EnumSet.noneOf(Trait.class));
            }
            case COLOUR -> coloured(t, like.recording(), shown);
            case DIRT -> asDirty(t, shown);
        };
    }

    /** What cannot be read again is not said to be met. */
    private static Granted.Part part(String what, String unit, double off, OptionalDouble wanted,
            OptionalDouble reached) {
        double aim = wanted.orElseThrow();
        return new Granted.Part(what, aim, reached.orElse(0),
                reached.isPresent() ? unit : unit + " (set so, but too faint to read on your take)",
                reached.isPresent() && Math.abs(reached.getAsDouble() / aim - 1) < off);
    }

    private static OptionalDouble time(Evidence e) {
        return e.echo().value().stream().mapToDouble(EchoReading::timeMs).findFirst();
    }

    private static OptionalDouble decay(Evidence e) {
        return e.reverb().value().stream().mapToDouble(ReverbReading::decayS).findFirst();
    }

    private static OptionalDouble rate(Evidence e) {
        return e.modulation().value().map(m -> m.rateHz()).orElse(OptionalDouble.empty());
    }

    private Evidence heardAgain(Tone t) {
        Sound played = render(t);
        return PairedExamination.of(Examination.of(played, Progress.NONE), played, take).evidence();
    }

    private Sound render(Tone t) {
        return Renderer.render(t, take, Quality.SEARCH, Progress.NONE);
    }

    private static Tone without(Tone t, GearKind kind) {
        return t.first(kind).map(b -> t.with(b.switched(false))).orElse(t);
    }

    private static Tone with(Tone t, GearKind kind, Optional<Block> found, String what) {
        Block block = found.orElseThrow(() -> new InputFault("the recording", "it shows no sure sign of " + what
                + " that your gear could make", "name another recording, or own what makes it"));
        return t.first(kind).map(there -> t.with(block.named(there.id()))).orElseGet(() -> t.insertedInOrder(block));
    }

    /** Four filters, so that the bands stand as in the recording. */
    private Taken coloured(Tone t, Sound recording, Evidence shown) {
        if (!rig.holds(Gear.model("parametric equalizer")))
            throw new InputFault("your gear", "it holds no equalizer with bands to place", "wish for words instead");
        double[] wanted = levels(recording);
        double[] weight = BandWeights.of(shown.spectrum(), wanted);
        double[] nothing = new double[wanted.length];
        EqualizerFit fit = EqualizerFit.ofFew(weight, EQUALIZER_RIDGE, false, EmptyBands.of(levels(take)));
        Block eq = fit.fit(missing(wanted, levels(render(without(t, GearKind.EQUALIZER))), nothing, weight));
        Tone now = equalized(t, eq);
        for (int pass = 1; pass < PASSES; pass++) {
            eq = fit.fit(missing(wanted, levels(render(now)), fit.curve(eq), weight));
            now = equalized(t, eq);
        }
        double off = rms(missing(wanted, levels(render(now)), nothing, weight), weight);
        return new Taken(now, new Granted.Part("its colour", 0, off, "dB off", off < ALIKE_DB), COLOUR);
    }

    private Tone equalized(Tone t, Block eq) {
        Block own = rig.own(eq);
        return t.first(GearKind.EQUALIZER).map(there -> t.with(own.named(there.id())))
                .orElseGet(() -> t.insertedInOrder(own));
    }

    private static double[] levels(Sound s) {
        return Features.of(s.atRate(Sound.WORKING_RATE_HZ).mid(), 0, Sound.WORKING_RATE_HZ).levelDb();
    }

    private static double[] missing(double[] wanted, double[] has, double[] made, double[] weight) {
        double[] out = new double[wanted.length];
        double all = Arrays.stream(weight).sum();
        double mean = 0;
        for (int b = 0; b < out.length; b++) mean += weight[b] * (wanted[b] - has[b]) / all;
        for (int b = 0; b < out.length; b++) out[b] = wanted[b] - has[b] - mean + made[b];
        return out;
    }

    private static double rms(double[] v, double[] weight) {
        double sum = 0;
        for (int b = 0; b < v.length; b++) sum += weight[b] * v[b] * v[b];
        return Math.sqrt(sum / Arrays.stream(weight).sum());
    }

    /** As dirty as a recording by its own evidence. */
    private Taken asDirty(Tone t, Evidence shown) {
        double aim = shown.saturation().value().map(SaturationReading::index).orElseThrow(() -> new InputFault(
                "the recording", "how dirty it is cannot be told", "name one in which the guitar stands alone"));
        Block clips = t.sounding(GearKind.AMP).or(() -> t.sounding(GearKind.DRIVE)).orElseThrow(
                () -> new InputFault("the tone", "nothing in it clips", "switch a drive or an amp on"));
        String control = clips.model().kind() == GearKind.AMP ? ControlNames.GAIN : ControlNames.DRIVE;
        Control c = clips.model().control(control);
        DoubleUnaryOperator index = v -> Examination.of(render(t.with(clips.with(control, v))), Examination.Depth.TONE,
                Progress.NONE).saturation().value().map(SaturationReading::index).orElse(0.0);
        double low = c.minimum();
        double high = c.maximum();
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (index.applyAsDouble(middle) < aim) {
                low = middle;
            } else {
                high = middle;
            }
        }
        double value = c.clamp(Math.rint(5 * (low + high)) / 10);
        double reached = index.applyAsDouble(value);
        return new Taken(t.with(clips.with(control, value)),
                new Granted.Part("its dirt", aim, reached, "index", Math.abs(reached - aim) < INDEX_JUST_HEARD), DIRT);
    }
}
