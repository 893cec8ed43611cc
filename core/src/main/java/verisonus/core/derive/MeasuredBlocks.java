package verisonus.core.derive;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.evidence.EchoReading;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.ModulationReading;
import verisonus.core.evidence.ReverbReading;
import verisonus.core.fault.Progress;
import verisonus.core.rig.Block;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Kind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.MixLaw;
import verisonus.core.simulate.Quality;
import verisonus.core.simulate.Renderer;
import verisonus.core.sound.Sound;

/**
 * Blocks whose settings are read off the recording rather than searched: echo, movement, space, gate. What was not found, is not
 * owned or shall differ is not set.
 */
final class MeasuredBlocks {
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

    MeasuredBlocks(Evidence evidence, SearchOptions options) {
        this(evidence, options, true);
    }

    private MeasuredBlocks(Evidence evidence, SearchOptions options, boolean echoing) {
        this.evidence = evidence;
        this.options = options;
        this.echoing = echoing;
    }

    private Rig rig() {
        return options.rig();
    }

    private boolean owns(String model) {
        return rig().has(Gear.model(model)) && options.wishes().allows(Gear.model(model));
    }

    /** The same without an echo that the search has shown not to be there. */
    MeasuredBlocks withoutEcho() {
        return new MeasuredBlocks(evidence, options, false);
    }

    /** An echo as found; locked controls as they were. */
    Optional<Block> echo() {
        Optional<EchoReading> found = evidence.echo().value();
        if (!echoing || found.isEmpty() || !options.wishes().chases("echo level")) return Optional.empty();
        EchoReading e = found.get();
        boolean dark = e.character().darkerDb() > 3 || !e.character().steady();
        Optional<Model> unit = rig().owned(Kind.ECHO).stream().filter(options.wishes()::allows)
                .filter(m -> dark == !m.name().equals("clean echo") && !m.name().equals("dual echo"))
                .findFirst().or(() -> rig().owned(Kind.ECHO).stream().filter(options.wishes()::allows).findFirst());
        if (unit.isEmpty()) return Optional.empty();
        Block b = Block.of(unit.get().name()).with("time", e.timeMs()).with("feedback", e.feedbackPercent())
                .with("mix", MixLaw.percentFor(e.levelDb())).with("sides", e.pingPong() ? 1 : 0);
        // A darker repeat is set by the cut alone: what else such a unit does was not found.
        if (dark) b = b.with("drive", 0).with("wow", e.character().steady() ? 0 : b.get("wow"));
        if (e.second().isPresent() && Math.abs(e.second().get().timeMs() / e.timeMs() - 1) < 1) {
            b = b.with("second tap", 100 * e.second().get().timeMs() / e.timeMs());
        }
        return Optional.of(keepingLocked(b, "echo"));
    }

    private Block keepingLocked(Block block, String id) {
        Optional<Block> before = options.earlier().flatMap(t -> t.find(id))
                .filter(x -> x.model().equals(block.model()));
        Block out = block;
        for (var c : block.model().controls()) {
            if (before.isPresent() && options.locked().contains(id + "/" + c.name()))
                out = out.with(c.name(), before.get().get(c.name()));
        }
        return out;
    }

    /** What sways, where its rate is known. */
    Optional<Block> movement() {
        Optional<ModulationReading> found = evidence.modulation().value();
        if (found.isEmpty() || evidence.modulation().confidence() < SURE || options.wishes().wantedSo().contains(
                "movement rate"))
            return Optional.empty();
        ModulationReading m = found.get();
        boolean wide = evidence.channels() > 1 && evidence.stereo().correlation() < 0.9;
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
        Block b = Block.of(model);
        if (m.kind() == ModulationReading.Kind.ROTARY) {
            boolean fast = m.rateHz().orElse(0) > FAST_TURN_HZ;
            return Optional.of(keepingLocked(b.with("speed", fast ? 1 : 0).with("mix", 100), "modulation"));
        }
        if (m.rateHz().isEmpty()) return Optional.empty();
        b = b.with("rate", m.rateHz().getAsDouble());
        boolean sways = m.kind() == ModulationReading.Kind.TREMOLO
                || m.kind() == ModulationReading.Kind.HARMONIC_TREMOLO;
        // A shallow sway of the level is as likely the hand's.
        if (sways && m.depthPercent().orElse(0) < SHALLOW_PERCENT) return Optional.empty();
        if (sways) b = b.with("depth", m.depthPercent().getAsDouble());
        return Optional.of(keepingLocked(b, "modulation"));
    }

    /**
     * A space as found.
     *
     * @param dry what it stands behind: the same space is played on it once, to see how loud its tail is
     */
    Optional<Block> space(Sound dry) {
        Optional<ReverbReading> found = evidence.reverb().value();
        if (found.isEmpty() || evidence.reverb().confidence() < SURE || !options.wishes().chases("space level"))
            return Optional.empty();
        ReverbReading r = found.get();
        OptionalDouble level = r.levelDb();
        if (level.isEmpty()) return Optional.empty();
        List<String> wanted = r.decayS() < 0.7
                ? List.of("room", "plain hall", "plate")
                : List.of("plain hall", "plate",
                        "room");
        Optional<String> unit = wanted.stream().filter(this::owns).findFirst();
        if (unit.isEmpty()) return Optional.empty();
        Block b = Block.of(unit.get()).with("decay", r.decayS()).with("pre-delay", r.preDelayMs().orElse(10));
        Sound tail = Renderer.render(new Tone("tail", List.of(b.with("mix", 100).with("dry", 1))), dry, Quality.DRAFT,
                Progress.NONE);
        double full = 20 * Math.log10((tail.rms() + 1e-12) / (dry.rms() + 1e-12));
        return Optional.of(keepingLocked(b.with("mix", MixLaw.percentFor(level.getAsDouble() - full)), "reverb"));
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
        var found = evidence.circumstances().control().gate();
        if (!found.isPresent() || found.confidence() < SURE || !owns("noise gate")) return Optional.empty();
        double floor = softestDb(di);
        double threshold = Math.clamp(floor + OVER_NOISE_DB, -85, -35);
        return Optional.of(keepingLocked(Block.of("noise gate").with("threshold", threshold)
                .with("depth", GATE_DEPTH_DB).with("release", 60), "gate"));
    }

    /** Level of the softest tenth of frames of 50 ms, dBFS. */
    private static double softestDb(float[] x) {
        int n = Renderer.RATE_HZ / 20;
        double[] level = new double[Math.max(1, x.length / n)];
        for (int f = 0; f < level.length; f++) {
            double sum = 1e-15;
            for (int i = f * n; i < Math.min(x.length, (f + 1) * n); i++) sum += (double) x[i] * x[i];
            level[f] = 10 * Math.log10(sum / n);
        }
        java.util.Arrays.sort(level);
        return level[level.length / 10];
    }
}
