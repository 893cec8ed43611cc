package verisonus.core.search;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Kind;
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
    private static final Map<Kind, List<String>> SEARCHED = Map.of(Kind.AMP,
            List.of("gain", "bass", "mid", "treble", "master", "sag"), Kind.DRIVE, List.of("drive", "tone", "level"),
            Kind.COMPRESSOR, List.of("threshold", "ratio"));
    /** Where a compressor begins that is tried: it holds back some of the playing. */
    private static final double[] COMPRESSING = {5, 4};

    /** The middle of everything, gain and master as given. */
    static Knobs start(String amp, Optional<String> drive, double gain, double master) {
        double[] v = new double[drive.isPresent() ? 9 : 6];
        java.util.Arrays.fill(v, 5);
        v[0] = gain;
        v[4] = master;
        v[5] = 3;
        return new Knobs(Optional.empty(), drive.map(Block::of), Optional.of(Block.of(amp)), v);
    }

    /** As set in a tone; empty where it has no amp. */
    static Optional<Knobs> of(Tone tone) {
        Optional<Block> amp = tone.first(Kind.AMP);
        if (amp.isEmpty()) return Optional.empty();
        return Optional.of(reading(tone.first(Kind.COMPRESSOR).filter(Block::on),
                tone.first(Kind.DRIVE).filter(Block::on), amp.map(a -> a.switched(true))));
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
        return SEARCHED.getOrDefault(b.model().kind(), List.of());
    }

    /** The same with a compressor in front. */
    Knobs compressed(String model) {
        double[] v = java.util.Arrays.copyOf(values, values.length + COMPRESSING.length);
        System.arraycopy(COMPRESSING, 0, v, values.length, COMPRESSING.length);
        return new Knobs(Optional.of(Block.of(model)), drive, amp, v);
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

    /** "amp/gain" and so on: block id and control. */
    List<String> names() {
        List<String> out = new ArrayList<>();
        for (Optional<Block> b : List.of(amp, drive, compressor)) {
            b.ifPresent(x -> searched(x).forEach(c -> out.add(x.id() + "/" + c)));
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
    Knobs taking(Knobs other, java.util.Set<String> which) {
        boolean held = other.compressor.filter(c -> isNamed(c, which)).isPresent();
        Knobs out = held && compressor.isEmpty()
                ? compressed(other.compressor.orElseThrow().model().name())
                : this;
        out = new Knobs(kept(out.compressor, other.compressor, which), kept(drive, other.drive, which),
                kept(amp, other.amp, which), out.values);
        List<String> names = out.names();
        for (int i = 0; i < names.size(); i++) {
            int was = other.names().indexOf(names.get(i));
            if (was >= 0 && which.contains(names.get(i))) out = out.moved(i, other.values[was]);
        }
        return out;
    }

    private static boolean isNamed(Block b, java.util.Set<String> which) {
        return which.stream().anyMatch(w -> w.startsWith(b.id() + "/"));
    }

    private static Optional<Block> kept(Optional<Block> mine, Optional<Block> other, java.util.Set<String> which) {
        if (mine.isEmpty() || other.isEmpty() || !mine.get().model().equals(other.get().model())) return mine;
        Block out = mine.get();
        for (String name : other.get().settings().keySet()) {
            if (which.contains(other.get().id() + "/" + name)) out = out.with(name, other.get().get(name));
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
        amp.ifPresent(a -> out.add(set(a, 0).with("presence", 5)));
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
