package verisonus.core.travel;

import java.util.List;
import java.util.Optional;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.work.Figures;

/**
 * What to turn where a playback system changes a band. Of a tone whose settings are known only what it holds, and has room to be turned, is
 * named, with the value that it has; of a recording the direction alone.
 */
final class TravelAdvice {
    /** A filter's edge is moved by a third of an octave at a time: less is hardly heard, more takes too much. */
    private static final double EDGE_STEP = Math.pow(2, 1 / 3.0);
    /** A control from 0 to 10 that stands nearer to its end than this has no room. */
    private static final double ROOM = 0.5;

    private TravelAdvice() {}

    /** @return empty where nothing in the tone would help */
    static Optional<String> of(NamedBand band, double changeDb, Optional<Tone> tone) {
        if (changeDb < NamedBand.GONE_DB || tone.isEmpty())
            return Optional.of(band.words() + ": " + band.remedy(changeDb));
        return onTone(tone.get(), band, changeDb > 0).map(a -> band.words() + ": " + a);
    }

    private static Optional<String> onTone(Tone t, NamedBand band, boolean tooMuch) {
        return switch (band) {
            case SUB -> tooMuch ? lowCut(t, band) : Optional.of("leave it to the bass player");
            case LOWS -> tooMuch
                    ? lowCut(t, band).or(() -> knob(t, ControlNames.BASS, false))
                    : knob(t, ControlNames.BASS, true);
            case LOW_MIDS -> knob(t, ControlNames.MID, !tooMuch).or(() -> knob(t, ControlNames.BASS, !tooMuch));
            case MIDS -> knob(t, ControlNames.MID, !tooMuch);
            case UPPER_MIDS -> knob(t, ControlNames.TREBLE, !tooMuch).or(() -> knob(t, ControlNames.MID, !tooMuch));
            case PRESENCE -> knob(t, ControlNames.PRESENCE, !tooMuch).or(() -> knob(t, ControlNames.TREBLE, !tooMuch));
            case HIGHS -> highCut(t, tooMuch).or(() -> knob(t, ControlNames.TREBLE, !tooMuch));
        };
    }

    /** An amp's control with room to be turned that way. */
    private static Optional<String> knob(Tone t, String name, boolean up) {
        for (Block b : t.blocks()) {
            Optional<Control> c = b.model().find(name);
            if (!b.on() || b.model().kind() != GearKind.AMP || c.isEmpty() || c.get().isFixed()) continue;
            double now = b.get(name);
            double room = up ? c.get().maximum() - now : now - c.get().minimum();
            if (room >= ROOM) return Optional.of(name + (up ? " up" : " down") + " from " + c.get().display(now));
        }
        return Optional.empty();
    }

    /** A low cut that stands under the band's upper edge is moved up, to the band's lower edge at least. */
    private static Optional<String> lowCut(Tone t, NamedBand band) {
        for (Edge e : edges(t, ControlNames.LOW_CUT)) {
            double to = e.control.clamp(Math.max(band.fromHz() * EDGE_STEP, e.now * EDGE_STEP));
            if (e.now < band.toHz() && to > e.now * 1.05 && to < band.toHz() * EDGE_STEP)
                return Optional.of(e.words("low cut up", to));
        }
        return Optional.empty();
    }

    private static Optional<String> highCut(Tone t, boolean tooMuch) {
        for (Edge e : edges(t, ControlNames.HIGH_CUT)) {
            double from = NamedBand.HIGHS.fromHz();
            double to = e.control.clamp(tooMuch
                    ? Math.min(NamedBand.HIGHS.toHz() / EDGE_STEP, e.now / EDGE_STEP)
                    : e.now * EDGE_STEP);
            boolean helps = tooMuch
                    ? to < e.now * 0.95 && to > from
                    : e.now < NamedBand.HIGHS.toHz() && to > e.now * 1.05;
            if (helps) return Optional.of(e.words("high cut " + (tooMuch ? "down" : "up"), to));
        }
        return Optional.empty();
    }

    private record Edge(Control control, double now) {
        String words(String what, double to) {
            return Figures.of("%s from %s to %s", what, control.display(now), control.display(to));
        }
    }

    /** Filters that the whole tone goes through: not those of repeats and rooms. */
    private static List<Edge> edges(Tone t, String name) {
        return t.main().stream().filter(Block::on)
                .filter(b -> b.model().kind() == GearKind.EQUALIZER || b.model().kind() == GearKind.CABINET)
                .flatMap(
                        b -> b.model().find(name).filter(c -> !c.isFixed()).map(c -> new Edge(c, b.get(name))).stream())
                .toList();
    }
}
