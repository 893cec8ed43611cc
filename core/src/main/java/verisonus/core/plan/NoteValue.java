package verisonus.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A note value and its length in quarter notes: time = 60000 / BPM × quarters (dotted ×1.5, triplet ×2/3).
 *
 * @param name in plain words, e.g. "dotted eighth"
 * @param quarters length in quarter notes
 */
public record NoteValue(String name, double quarters) {
    /** From the thirty-second to the whole note, each straight, dotted and triplet, longest first. */
    public static final List<NoteValue> ALL = all();

    private static List<NoteValue> all() {
        String[] names = {"whole", "half", "quarter", "eighth", "sixteenth", "thirty-second"};
        List<NoteValue> out = new ArrayList<>();
        double quarters = 4;
        for (String name : names) {
            out.add(new NoteValue("dotted " + name, quarters * 1.5));
            out.add(new NoteValue(name, quarters));
            out.add(new NoteValue("triplet " + name, quarters * 2 / 3));
            quarters /= 2;
        }
        out.sort(Comparator.comparingDouble(v -> -v.quarters));
        return List.copyOf(out);
    }

    public double milliseconds(double bpm) {
        return 60000 / bpm * quarters;
    }

    /** The note value that a time is, within a share of the time (0.02: two per cent); empty where none is. */
    public static Optional<NoteValue> near(double timeMs, double bpm, double tolerance) {
        return ALL.stream().min(Comparator.comparingDouble(v -> Math.abs(Math.log(v.milliseconds(bpm) / timeMs))))
                .filter(v -> Math.abs(v.milliseconds(bpm) - timeMs) <= tolerance * timeMs);
    }
}
