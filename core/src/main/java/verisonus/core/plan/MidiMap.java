package verisonus.core.plan;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;

/**
 * Which control change of a player's own device moves which setting, as the player has entered it from the device's manual: no
 * two devices number alike, so there is none until it was entered. A value from 0 to 127 is its place on the control's track,
 * between the lowest and highest that the device takes; a choice is its index.
 */
public record MidiMap(List<Line> lines) {
    private static final int MOST = 127;

    /**
     * A setting and the controller that moves it.
     *
     * @param channel 1 to 16
     * @param controller 0 to 119: those above are modes
     * @param low what is sent at the control's lowest, 0 to 127
     * @param high what is sent at its highest; below low where the device runs backwards
     */
    public record Line(ControlPlace place, int channel, int controller, int low, int high) {
        public Line {
            if (channel < 1 || channel > 16) throw new IllegalArgumentException("there is no MIDI channel " + channel);
            if (controller < 0 || controller > 119)
                throw new IllegalArgumentException("controller " + controller + " is not 0 to 119");
            if (low < 0 || low > MOST || high < 0 || high > MOST || low == high)
                throw new IllegalArgumentException("values " + low + " to " + high + " are not within 0 to 127");
        }

        /** The value as it is sent. */
        public int sent(Control c, double value) {
            if (c.isChoice()) return Math.clamp(low + Math.round(value), 0, MOST);
            return (int) Math.round(low + (high - low) * c.position(value));
        }

        /** What a sent value means. */
        public double received(Control c, int value) {
            if (c.isChoice()) return Math.clamp((double) value - low, 0, c.choices().size() - 1.0);
            return c.valueAt((value - low) / (double) (high - low));
        }
    }

    /** What is sent for one setting. */
    public record Change(int channel, int controller, int value) {}

    public MidiMap {
        lines = List.copyOf(lines);
        Set<List<Integer>> taken = new HashSet<>();
        Set<ControlPlace> places = new HashSet<>();
        for (Line l : lines) {
            if (!taken.add(List.of(l.channel, l.controller)))
                throw new IllegalArgumentException("controller " + l.controller + " moves two settings");
            if (!places.add(l.place)) throw new IllegalArgumentException(l.place + " stands there twice");
        }
    }

    /** What is sent for a tone: only settings that the tone and the map both have. */
    public List<Change> changes(Tone tone) {
        return lines.stream().filter(l -> control(tone, l).isPresent()).map(l -> new Change(l.channel, l.controller,
                l.sent(control(tone, l).orElseThrow(), tone.find(l.place.block()).orElseThrow().get(
                        l.place.control()))))
                .toList();
    }

    private static Optional<Control> control(Tone tone, Line l) {
        return tone.find(l.place.block()).flatMap(b -> b.model().find(l.place.control()));
    }

    /** The tone with one control change taken in; as it was where the map does not know it. */
    public Tone received(Tone tone, Change change) {
        Optional<Line> line = lines.stream()
                .filter(l -> l.channel == change.channel && l.controller == change.controller).findFirst();
        if (line.isEmpty() || control(tone, line.get()).isEmpty()) return tone;
        Block b = tone.find(line.get().place.block()).orElseThrow();
        return tone.with(b.with(line.get().place.control(),
                line.get().received(control(tone, line.get()).orElseThrow(), change.value)));
    }

    /** Settings of the tone that are on and that no line moves. */
    public List<ControlPlace> leftOut(Tone tone) {
        return tone.blocks().stream().filter(Block::on)
                .flatMap(b -> b.settings().keySet().stream().map(c -> ControlPlace.of(b, c)))
                .filter(p -> lines.stream().noneMatch(l -> l.place.equals(p))).toList();
    }
}
