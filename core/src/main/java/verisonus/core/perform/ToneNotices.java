package verisonus.core.perform;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.evidence.level.DynamicsEstimator;
import verisonus.core.evidence.signs.OnsetCurve;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.work.Progress;

/**
 * What a listener notices of a tone on a phrase, as far as it could be read: where no note rings alone for long enough, nothing is said of
 * the ring of notes.
 *
 * @param values by what is noticed, in the unit of its scale; what is relative there stands as measured here
 */
public record ToneNotices(Map<Noticed, Double> values) {
    /** A note has rung when it is this much softer: about a third as loud. */
    public static final double RING_DB = 20;
    /** Longer than this a note does not ring on a guitar without feedback, s. */
    private static final double LONGEST_RING_S = 8;
    private static final double PART_S = 8;

    public ToneNotices {
        values = Collections.unmodifiableMap(new EnumMap<>(values));
    }

    /** @param reading loudness and dirt of the same tone on the same phrase */
    public static ToneNotices of(Tone tone, Sound phrase, PlayedReading reading) {
        Sound part = LoudestPart.of(phrase, PART_S).cut(phrase);
        Sound bare = Renderer.render(tone.withoutTails(), part, Quality.SEARCH, Progress.NONE);
        ToneBalance balance = ToneBalance.of(bare);
        Map<Noticed, Double> out = new EnumMap<>(Noticed.class);
        out.put(Noticed.LOUDNESS, reading.loudnessLufs());
        out.put(Noticed.DIRT, reading.dirt());
        out.put(Noticed.BRIGHTNESS, balance.brightnessDb());
        out.put(Noticed.BODY, balance.bodyDb());
        ringS(bare).ifPresent(s -> out.put(Noticed.RING, s));
        out.put(Noticed.REPEATS, repeatsDb(tone));
        out.put(Noticed.SPACE, spaceS(tone));
        return new ToneNotices(out);
    }

    /** Seconds until held notes have fallen by {@value #RING_DB} dB; empty where none is held long enough. */
    static OptionalDouble ringS(Sound played) {
        OptionalDouble fall = DynamicsEstimator.estimate(played, OnsetCurve.of(played)).sustainDbPerS();
        return fall.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(ringS(fall.getAsDouble()));
    }

    private static double ringS(double fallDbPerS) {
        return fallDbPerS >= -RING_DB / LONGEST_RING_S ? LONGEST_RING_S : -RING_DB / fallDbPerS;
    }

    /** Level of the first repeat against the note; the scale's lower end where none is heard. */
    private static double repeatsDb(Tone tone) {
        double none = Noticed.REPEATS.scale().least();
        return sounding(tone, GearKind.ECHO)
                .map(b -> Math.max(none, MixLaw.of(b).wetDb(b.get(ControlNames.MIX)))).orElse(none);
    }

    private static double spaceS(Tone tone) {
        return sounding(tone, GearKind.REVERB).map(b -> b.get(ControlNames.DECAY)).orElse(0.0);
    }

    private static Optional<Block> sounding(Tone tone, GearKind kind) {
        return tone.blocks().stream()
                .filter(b -> b.on() && b.model().kind() == kind && b.get(ControlNames.MIX) > 0).findFirst();
    }

    /** Empty where it could not be read. */
    public OptionalDouble of(Noticed what) {
        return values.containsKey(what) ? OptionalDouble.of(values.get(what)) : OptionalDouble.empty();
    }

    /** The value on the scale on which it is drawn: what is relative there against another sound's. */
    public OptionalDouble shown(Noticed what, ToneNotices against) {
        if (!what.scale().relative()) return of(what);
        return values.containsKey(what) && against.values.containsKey(what)
                ? OptionalDouble.of(values.get(what) - against.values.get(what))
                : OptionalDouble.empty();
    }
}
