package verisonus.core.perform.time;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.evidence.notes.TempoEstimator;
import verisonus.core.evidence.notes.TempoReading;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/**
 * A time or a rate that follows the tempo.
 *
 * @param place a control in milliseconds, seconds or hertz
 * @param length of a repeat, or of one sway
 */
public record TempoBinding(ControlPlace place, NoteSum length) {
    /** A time this far from a note value was not meant as one. */
    private static final double NEAR = 0.025;

    /** Whether a control is one that can follow the beat: an echo's time, a movement's rate, a loop's length. */
    public static boolean canBind(Block b, Control c) {
        return switch (b.model().kind()) {
            case ECHO -> c.name().equals(ControlNames.TIME);
            case MODULATION -> c.name().equals(ControlNames.RATE);
            case LOOPER -> c.name().equals(ControlNames.LENGTH);
            default -> false;
        };
    }

    /** Bindings that a tone's times suggest at a tempo: those that are a note value already. */
    public static List<TempoBinding> suggested(Tone tone, double bpm) {
        List<TempoBinding> out = new ArrayList<>();
        for (Block b : tone.blocks()) {
            if (!b.on() || b.model().kind() == GearKind.LOOPER) continue;
            for (Control c : b.model().turnable()) {
                if (!canBind(b, c)) continue;
                Optional<NoteSum> length = NoteSum.near(milliseconds(c, b.get(c.name())), bpm, NEAR);
                length.ifPresent(l -> out.add(new TempoBinding(ControlPlace.of(b, c.name()), l)));
            }
        }
        return out;
    }

    private static double milliseconds(Control c, double value) {
        return switch (c.unit()) {
            case "Hz" -> 1000 / value;
            case "s" -> 1000 * value;
            default -> value;
        };
    }

    /** The control's value at a tempo. */
    public double value(Control c, double bpm) {
        double ms = length.milliseconds(bpm);
        return switch (c.unit()) {
            case "Hz" -> 1000 / ms;
            case "s" -> ms / 1000;
            default -> ms;
        };
    }

    /**
     * The tone at a tempo.
     *
     * @throws InputFault where the tone has no such control, or the control does not go that far
     */
    public Tone at(Tone tone, double bpm) {
        check(bpm);
        Block b = tone.find(place.block()).orElseThrow(() -> missing());
        Control c = b.model().find(place.control()).filter(k -> canBind(b, k)).orElseThrow(() -> missing());
        double v = value(c, bpm);
        if (v < c.minimum() || v > c.maximum())
            throw new InputFault(place.toString(),
                    Figures.of("a %s at %.1f BPM is %s, and it goes from %s"
                            + " to %s", length.words(), bpm, c.display(v), c.display(c.minimum()),
                            c.display(c.maximum())),
                    "bind it to another note value");
        return tone.with(b.with(c.name(), v));
    }

    private InputFault missing() {
        return new InputFault(place.toString(), "the tone has no time or rate of that name",
                "bind an echo's time, a movement's rate or a looper's length");
    }

    /**
     * The tempo that somebody plays.
     *
     * @param name of the take, for errors
     * @return quarter notes a minute
     * @throws InputFault where no steady beat is heard in it
     */
    public static double played(String name, Sound take) {
        return TempoEstimator.estimate(take).value().map(TempoReading::bpm).orElseThrow(() -> new InputFault(name,
                "no steady beat is heard in it", "play four bars of even strokes, or type the tempo"));
    }

    /** @throws InputFault for a tempo that nobody plays */
    public static void check(double bpm) {
        if (!(bpm >= NoteSum.SLOWEST_BPM && bpm <= NoteSum.FASTEST_BPM))
            throw new InputFault(Figures.of("tempo %s", bpm), "it is outside 20 to 400",
                    "give quarter notes a minute");
    }
}
