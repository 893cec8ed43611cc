package verisonus.core.search;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.DoubleStream;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;

/**
 * The controls before the last clipper, as numbers a search can move: each the place on its control's track, 0 to 10. Settings that
 * are not searched stay as the blocks have them.
 *
 * @param compressor in front, where there is one
 * @param drive between, where there is one
 * @param amp empty where the take has been through one
 * @param values in the order of {@link #names}
 */
record Knobs(Optional<Block> compressor, Optional<Block> drive, Optional<Block> amp, double[] values) {
    private static final Map<GearKind, List<String>> SEARCHED = Map.of(GearKind.AMP,
            List.of(ControlNames.GAIN, ControlNames.BASS, ControlNames.MID, ControlNames.TREBLE, ControlNames.MASTER,
                    ControlNames.SAG),
            GearKind.DRIVE, List.of(ControlNames.DRIVE, ControlNames.TONE, ControlNames.LEVEL),
            GearKind.COMPRESSOR, List.of(ControlNames.THRESHOLD, ControlNames.RATIO));
    private static final double MIDDLE = 5;
    /** Where a compressor begins that is tried: it holds back some of the playing. */
    private static final Map<String, Double> COMPRESSING = Map.of(ControlNames.THRESHOLD, 5.0, ControlNames.RATIO, 4.0);

    /** The middle of everything, gain and master as given. */
    static Knobs start(Model amp, Optional<Model> drive, double gain, double master) {
        Block one = Block.of(amp);
        Optional<Block> other = drive.map(Block::of);
        DoubleStream v = DoubleStream.concat(searched(one).stream().mapToDouble(c -> switch (c) {
            case ControlNames.GAIN -> gain;
            case ControlNames.MASTER -> master;
            case ControlNames.SAG -> 3;
            default -> MIDDLE;
        }), other.stream().flatMapToDouble(d -> searched(d).stream().mapToDouble(_ -> MIDDLE)));
        return new Knobs(Optional.empty(), other, Optional.of(one), v.toArray());
    }

    /** As set in a tone; empty where it has no amp. */
    static Optional<Knobs> of(Tone tone) {
        Optional<Block> amp = tone.first(GearKind.AMP);
        if (amp.isEmpty()) return Optional.empty();
        return Optional.of(reading(tone.first(GearKind.COMPRESSOR).filter(Block::on),
                tone.first(GearKind.DRIVE).filter(Block::on), amp.map(a -> a.switched(true))));
    }

    /** Nothing before the cabinet. */
    static Knobs none() {
        return new Knobs(Optional.empty(), Optional.empty(), Optional.empty(), new double[0]);
    }

    private static Knobs reading(Optional<Block> compressor, Optional<Block> drive, Optional<Block> amp) {
        List<Double> v = new ArrayList<>();
        for (Optional<Block> b : List.of(amp, drive, compressor)) b.ifPresent(x -> read(x, v));
        return new Knobs(compressor, drive, amp, v.stream().mapToDouble(Double::doubleValue).toArray());
    }

    private static void read(Block b, List<Double> into) {
        for (String name : searched(b)) into.add(10 * b.model().control(name).position(b.get(name)));
    }

    private static List<String> searched(Block b) {
        return SEARCHED.getOrDefault(b.model().kind(), List.of()).stream().filter(c -> !b.model().control(c).isFixed())
                .toList();
    }

    /** The same with a compressor in front. */
    Knobs compressed(Model model) {
        Block block = Block.of(model);
        List<String> names = searched(block);
        double[] v = java.util.Arrays.copyOf(values, values.length + names.size());
        for (int i = 0; i < names.size(); i++)
            v[values.length + i] = COMPRESSING.getOrDefault(names.get(i), MIDDLE);
        return new Knobs(Optional.of(block), drive, amp, v);
    }

    int count() {
        return values.length;
    }

    /** What stands in front: names of amp, drive and compressor. */
    String pair() {
        return List.of(amp, drive, compressor).stream().map(b -> b.map(x -> x.model().name()).orElse("-"))
                .toList().toString();
    }

    String ampName() {
        return amp.map(a -> a.model().name()).orElse("");
    }

    Optional<String> driveName() {
        return drive.map(d -> d.model().name());
    }

    /** Which controls they are. */
    List<ControlPlace> places() {
        List<ControlPlace> out = new ArrayList<>();
        for (Optional<Block> b : List.of(amp, drive, compressor)) {
            b.ifPresent(x -> searched(x).forEach(c -> out.add(ControlPlace.of(x, c))));
        }
        return out;
    }

    Knobs moved(int index, double value) {
        double[] v = values.clone();
        v[index] = Math.clamp(value, 0, 10);
        return new Knobs(compressor, drive, amp, v);
    }

    Knobs at(double[] newValues) {
        double[] v = newValues.clone();
        for (int i = 0; i < v.length; i++) v[i] = Math.clamp(v[i], 0, 10);
        return new Knobs(compressor, drive, amp, v);
    }

    /**
     * With what another set of knobs has for controls of these names, and its compressor where one of them is on it. Settings that
     * are not searched go over where the model is the same.
     */
    Knobs taking(Knobs other, Locks which) {
        boolean held = other.compressor.filter(c -> which.touches(c.id())).isPresent();
        Knobs out = held && compressor.isEmpty()
                ? compressed(other.compressor.orElseThrow().model())
                : this;
        out = new Knobs(kept(out.compressor, other.compressor, which), kept(drive, other.drive, which),
                kept(amp, other.amp, which), out.values);
        List<ControlPlace> mine = out.places();
        for (int i = 0; i < mine.size(); i++) {
            int was = other.places().indexOf(mine.get(i));
            if (was >= 0 && which.holds(mine.get(i))) out = out.moved(i, other.values[was]);
        }
        return out;
    }

    private static Optional<Block> kept(Optional<Block> mine, Optional<Block> other, Locks which) {
        if (mine.isEmpty() || other.isEmpty() || !mine.get().model().equals(other.get().model())) return mine;
        Block out = mine.get();
        for (String name : other.get().settings().keySet()) {
            if (which.holds(other.get().id(), name)) out = out.with(name, other.get().get(name));
        }
        return Optional.of(out);
    }

    /** Compressor, drive and amp as blocks, presence in the middle. */
    List<Block> blocks() {
        int afterAmp = amp.map(a -> searched(a).size()).orElse(0);
        int afterDrive = afterAmp + drive.map(d -> searched(d).size()).orElse(0);
        List<Block> out = new ArrayList<>();
        compressor.ifPresent(c -> out.add(set(c, afterDrive)));
        drive.ifPresent(d -> out.add(set(d, afterAmp)));
        amp.ifPresent(a -> out.add(set(a, 0).with(ControlNames.PRESENCE, 5)));
        return out;
    }

    private Block set(Block block, int from) {
        Block out = block;
        int i = from;
        for (String name : searched(block)) {
            Control c = block.model().control(name);
            out = out.with(name, c.valueAt(values[i++] / 10));
        }
        return out;
    }
}
