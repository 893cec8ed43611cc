package verisonus.core.perform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/**
 * Turns the controls that a player reaches for until a tone is brighter or fuller by so much: the sounding amp's own, then what shapes
 * behind it. One control does it where one can; only where its end is reached the next one helps.
 */
final class ColourTurns {
    private static final int HALVINGS = 7;
    /** Under this a change of balance is not heard, dB. */
    static final double JUST_HEARD_DB = 0.5;
    private static final List<String> BRIGHT = List.of(ControlNames.TREBLE, ControlNames.PRESENCE, ControlNames.TONE,
            ControlNames.HIGH_SHELF, ControlNames.HIGH_CUT);
    private static final List<String> FULL = List.of(ControlNames.BASS, ControlNames.RESONANCE, ControlNames.MID,
            ControlNames.LOW_SHELF, ControlNames.LOW_CUT);
    private static final List<GearKind> ORDER = List.of(GearKind.AMP, GearKind.EQUALIZER, GearKind.DRIVE,
            GearKind.CABINET);

    private final Sound part;
    private final Noticed what;

    /** @param part of the phrase, dry */
    ColourTurns(Sound part, Noticed what) {
        this.part = part;
        this.what = what;
    }

    private record Place(String block, String control) {}

    /** What the tone's balance is on the phrase, dB. */
    double read(Tone t) {
        return ToneBalance.of(Renderer.render(t.withoutTails(), part, Quality.SEARCH, Progress.NONE)).of(what);
    }

    /** The tone moved as near as its own controls bring it. */
    Tone towards(Tone tone, double wantedDb) {
        Tone now = tone;
        double is = read(now);
        for (Place p : places(tone)) {
            if (Math.abs(is - wantedDb) <= JUST_HEARD_DB / 2) break;
            Tone tried = turned(now, p, wantedDb, wantedDb > is);
            double reached = read(tried);
            if (Math.abs(reached - wantedDb) < Math.abs(is - wantedDb) - JUST_HEARD_DB / 4) {
                now = tried;
                is = reached;
            }
        }
        return now;
    }

    private List<Place> places(Tone tone) {
        List<Place> out = new ArrayList<>();
        for (GearKind kind : ORDER) {
            Optional<Block> block = kind == GearKind.AMP || kind == GearKind.DRIVE
                    ? tone.sounding(kind)
                    : tone.main().stream().filter(b -> b.on() && b.model().kind() == kind).findFirst();
            for (String name : what == Noticed.BRIGHTNESS ? BRIGHT : FULL)
                block.filter(b -> b.model().find(name).filter(c -> !c.isChoice()).isPresent())
                        .ifPresent(b -> out.add(new Place(b.id(), name)));
        }
        return out;
    }

    /** One control turned from where it stands towards the end that helps, no further than is asked. */
    private Tone turned(Tone t, Place p, double wantedDb, boolean more) {
        Block b = t.find(p.block).orElseThrow();
        Control c = b.model().control(p.control);
        double from = c.position(b.get(p.control));
        boolean up = read(at(t, b, c, Math.min(1, from + 0.1))) > read(at(t, b, c, Math.max(0, from - 0.1)));
        double end = up == more ? 1 : 0;
        double near = from;
        double far = end;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (near + far) / 2;
            boolean past = read(at(t, b, c, middle)) > wantedDb;
            if (past == more) far = middle;
            else near = middle;
        }
        Tone within = at(t, b, c, (near + far) / 2);
        Tone most = at(t, b, c, end);
        return Math.abs(read(most) - wantedDb) < Math.abs(read(within) - wantedDb) ? most : within;
    }

    private static Tone at(Tone t, Block b, Control c, double position) {
        return t.with(b.with(c.name(), Math.rint(100 * c.valueAt(position)) / 100));
    }
}
