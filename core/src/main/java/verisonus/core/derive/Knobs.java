package verisonus.core.derive;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.rig.Block;
import verisonus.core.rig.Kind;
import verisonus.core.rig.Tone;

/**
 * The controls before the last clipper, as numbers a search can move.
 *
 * @param amp model of the amp
 * @param drive model of the drive in front, empty for none
 * @param values 0 to 10 in the order of {@link #names}
 */
record Knobs(String amp, Optional<String> drive, double[] values) {
    private static final List<String> AMP = List.of("gain", "bass", "mid", "treble", "master", "sag");
    private static final List<String> DRIVE = List.of("drive", "tone", "level");

    /** The middle of everything, gain and master as given. */
    static Knobs start(String amp, Optional<String> drive, double gain, double master) {
        double[] v = new double[AMP.size() + (drive.isPresent() ? DRIVE.size() : 0)];
        java.util.Arrays.fill(v, 5);
        v[0] = gain;
        v[4] = master;
        v[5] = 3;
        return new Knobs(amp, drive, v);
    }

    /** As set in a tone; empty where it has no amp. */
    static Optional<Knobs> of(Tone tone) {
        Optional<Block> amp = tone.first(Kind.AMP);
        if (amp.isEmpty()) return Optional.empty();
        Optional<Block> drive = tone.first(Kind.DRIVE).filter(Block::on);
        List<Double> v = new ArrayList<>();
        for (String name : AMP) v.add(amp.get().get(name));
        drive.ifPresent(d -> DRIVE.forEach(name -> v.add(d.get(name))));
        return Optional.of(new Knobs(amp.get().model().name(), drive.map(d -> d.model().name()),
                v.stream().mapToDouble(Double::doubleValue).toArray()));
    }

    int count() {
        return values.length;
    }

    /** "amp/gain" and so on: block id and control. */
    List<String> names() {
        List<String> out = new ArrayList<>();
        for (String c : AMP) out.add(Kind.AMP.word() + "/" + c);
        if (drive.isPresent()) for (String c : DRIVE) out.add(Kind.DRIVE.word() + "/" + c);
        return out;
    }

    Knobs moved(int index, double value) {
        double[] v = values.clone();
        v[index] = Math.clamp(value, 0, 10);
        return new Knobs(amp, drive, v);
    }

    Knobs at(double[] newValues) {
        double[] v = newValues.clone();
        for (int i = 0; i < v.length; i++) v[i] = Math.clamp(v[i], 0, 10);
        return new Knobs(amp, drive, v);
    }

    /** Drive and amp as blocks, presence in the middle. */
    List<Block> blocks() {
        List<Block> out = new ArrayList<>();
        if (drive.isPresent()) {
            Block d = Block.of(drive.get());
            for (int i = 0; i < DRIVE.size(); i++) d = d.with(DRIVE.get(i), values[AMP.size() + i]);
            out.add(d);
        }
        Block a = Block.of(amp);
        for (int i = 0; i < AMP.size(); i++) a = a.with(AMP.get(i), values[i]);
        out.add(a);
        return out;
    }
}
