package verisonus.core.search;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import verisonus.core.compare.GapAttribute;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.SoftestTenth;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/**
 * Blocks whose settings are read off the recording rather than searched: echo, movement, space, gate. What was not found, is not
 * owned or shall differ is not set.
 */
public final class MeasuredBlocks {
    private static final double SURE = 0.6;
    private static final double VERY_SURE = 0.85;
    private static final double GATE_DEPTH_DB = 40;
    private static final double SHALLOW_PERCENT = 20;
    private static final double OVER_NOISE_DB = 10;
    /** Faster turns than this belong to a rotary's fast speed, Hz. */
    private static final double FAST_TURN_HZ = 3;

    private final Evidence evidence;
    private final SearchOptions options;
    private final boolean echoing;

    public MeasuredBlocks(Evidence evidence, SearchOptions options) {
        this(evidence, options, true);
    }

    private MeasuredBlocks(Evidence evidence, SearchOptions options, boolean echoing) {
        this.evidence = evidence;
        this.options = options;
        this.echoing = echoing;
    }

    private boolean owns(String model) {
        Model m = Gear.model(model);
        return options.rig().ownedAs(m).filter(options.allowed(m.kind())::contains).isPresent();
    }

    /** The same without an echo that the search has shown not to be there. */
    MeasuredBlocks withoutEcho() {
        return new MeasuredBlocks(evidence, options, false);
    }

    /** A block on which the player has locked something stays, whatever was found. */
    private Optional<Block> kept(GearKind kind) {
        return options.earlier().flatMap(t -> t.first(kind))
                .filter(b -> options.locked().touches(b.id()));
    }

    /** An echo as found; locked controls as they were. */
    public Optional<Block> echo() {
        Optional<EchoReading> found = evidence.echo().value();
        if (!echoing || found.isEmpty() || !options.wishes().chases(GapAttribute.ECHO_LEVEL))
            return kept(GearKind.ECHO);
        EchoReading e = found.get();
        boolean dark = e.character().darkerDb() > 3 || !e.character().steady();
        List<Model> units = options.allowed(GearKind.ECHO);
        Optional<Model> unit = kept(GearKind.ECHO).map(Block::model).or(() -> units.stream()
                .filter(m -> dark == (m.voice() != Voice.Echo.CLEAN) && m.voice() != Voice.Echo.DUAL).findFirst())
                .or(() -> units.stream().findFirst());
        if (unit.isEmpty()) return Optional.empty();
        Block own = options.rig().device(unit.get());
        Block b = own.with(ControlNames.TIME, e.timeMs()).with(ControlNames.FEEDBACK, e.feedbackPercent())
                .with(ControlNames.MIX, MixLaw.of(own).percentFor(e.levelDb()))
                .with(ControlNames.SIDES, e.pingPong() ? 1 : 0);
        // Of such a unit only the darker repeats were found: what else it does stays off.
        if (dark)
            b = b.with(ControlNames.DRIVE, 0).with(ControlNames.WOW,
                    e.character().steady() ? 0 : b.get(ControlNames.WOW));
        if (e.second().isPresent() && Math.abs(e.second().get().timeMs() / e.timeMs() - 1) < 1) {
            b = b.with(ControlNames.SECOND_TAP, 100 * e.second().get().timeMs() / e.timeMs());
        }
        for (Block before : kept(GearKind.ECHO).stream().toList()) {
            for (var c : b.model().turnable()) {
                if (options.locked().holds(before.id(), c.name())) b = b.with(c.name(), before.get(c.name()));
            }
        }
        return Optional.of(b);
    }

    /** What sways, where its rate is known. */
    public Optional<Block> movement() {
        Optional<ModulationReading> found = evidence.modulation().value();
        if (kept(GearKind.MODULATION).isPresent()) return kept(GearKind.MODULATION);
        boolean chased = Stream.of(GapAttribute.MOVEMENT, GapAttribute.MOVEMENT_RATE, GapAttribute.MOVEMENT_DEPTH)
                .allMatch(options.wishes()::chases);
        if (found.isEmpty() || evidence.modulation().confidence() < SURE || !chased) return Optional.empty();
        boolean wide = evidence.channels() > 1 && evidence.stereo().correlation() < 0.9;
        return moving(found.get(), wide);
    }

    /** A movement as read; empty where nothing owned makes it, or its rate is not known. */
    Optional<Block> moving(ModulationReading m, boolean wide) {
        String model = switch (m.kind()) {
            case TREMOLO -> owns("bias tremolo") ? "bias tremolo" : "optical tremolo";
            case HARMONIC_TREMOLO -> "harmonic tremolo";
            case VIBRATO -> "vibrato";
            case CHORUS -> wide && owns("wide chorus") ? "wide chorus" : "chorus";
            case FLANGER -> "flanger";
            case PHASER -> "four-stage phaser";
            case ROTARY -> "rotary";
        };
        if (!owns(model)) return Optional.empty();
        Block b = options.rig().own(Block.of(model));
        if (m.kind() == ModulationKind.ROTARY) {
            boolean fast = m.rateHz().orElse(0) > FAST_TURN_HZ;
            return Optional.of(b.with(ControlNames.SPEED, fast ? 1 : 0).with(ControlNames.MIX, 100));
        }
        if (m.rateHz().isEmpty()) return Optional.empty();
        b = b.with(ControlNames.RATE, m.rateHz().getAsDouble());
        boolean sways = m.kind() == ModulationKind.TREMOLO || m.kind() == ModulationKind.HARMONIC_TREMOLO;
        // A shallow sway of the level is as likely the hand's.
        if (sways && m.depthPercent().orElse(0) < SHALLOW_PERCENT) return Optional.empty();
        return Optional.of(switch (m.kind()) {
            case TREMOLO, HARMONIC_TREMOLO -> b.with(ControlNames.DEPTH, m.depthPercent().getAsDouble());
            case VIBRATO, CHORUS -> m.depthPercent().isPresent()
                    ? b.with(ControlNames.DEPTH, m.depthPercent().getAsDouble())
                    : b;
            // How deep notches are follows from how much of the moved sound is beside the still one.
            case PHASER, FLANGER -> m.depthPercent().isPresent()
                    ? b.with(ControlNames.MIX, Math.clamp(m.depthPercent().getAsDouble(), 15, 50))
                    : b;
            case ROTARY -> b;
        });
    }

    /**
     * A space as found.
     *
     * @param dry what it stands behind: the same space is played on it once, to see how loud its tail is
     */
    public Optional<Block> space(Sound dry) {
        Optional<ReverbReading> found = evidence.reverb().value();
        if (kept(GearKind.REVERB).isPresent()) return kept(GearKind.REVERB);
        boolean chased = options.wishes().chases(GapAttribute.SPACE_LEVEL)
                && options.wishes().chases(GapAttribute.SPACE_DECAY);
        if (found.isEmpty() || evidence.reverb().confidence() < SURE || !chased) return Optional.empty();
        ReverbReading r = found.get();
        OptionalDouble level = r.levelDb();
        if (level.isEmpty()) return Optional.empty();
        Optional<String> unit = spaceUnit(r.decayS());
        if (unit.isEmpty()) return Optional.empty();
        Block b = options.rig().device(Gear.model(unit.get())).with(ControlNames.DECAY, r.decayS()).with(
                ControlNames.PRE_DELAY,
                r.preDelayMs().orElse(10));
        Sound tail = Renderer.render(new Tone("tail", List.of(b.with(ControlNames.MIX, 100).with(ControlNames.DRY, 1))),
                dry, Quality.DRAFT,
                Progress.NONE);
        double full = 20 * Math.log10((tail.rms() + 1e-12) / (dry.rms() + 1e-12));
        return Optional.of(b.with(ControlNames.MIX, MixLaw.of(b).percentFor(level.getAsDouble() - full)));
    }

    /** The owned unit that suits a decay. */
    Optional<String> spaceUnit(double decayS) {
        List<String> wanted = decayS < 0.7
                ? List.of("room", "plain hall", "plate")
                : List.of("plain hall", "plate", "room");
        return wanted.stream().filter(this::owns).findFirst();
    }

    /** Echo and space as the search hears them behind every candidate; the space's tail is levelled on the take. */
    List<Block> behind(Sound take) {
        List<Block> out = new java.util.ArrayList<>();
        echo().ifPresent(out::add);
        if (isSureOfSpace()) space(take).ifPresent(out::add);
        return out;
    }

    boolean isSureOfSpace() { return evidence.reverb().confidence() >= VERY_SURE; }

    /** A gate, where something shuts between the notes of the reference and not in the take. */
    Optional<Block> gate(float[] di) {
        if (kept(GearKind.GATE).isPresent()) return kept(GearKind.GATE);
        var found = evidence.circumstances().control().gate();
        if (!found.isPresent() || found.confidence() < SURE || !owns("noise gate")) return Optional.empty();
        double threshold = Math.clamp(SoftestTenth.db(di, Sound.WORKING_RATE_HZ) + OVER_NOISE_DB, -85, -35);
        return Optional.of(
                Block.of("noise gate").with(ControlNames.THRESHOLD, threshold).with(ControlNames.DEPTH, GATE_DEPTH_DB)
                        .with(ControlNames.RELEASE, 60));
    }
}
