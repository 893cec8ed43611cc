package verisonus.core.trial.setup;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;

/**
 * The order in which a tone is set up on real gear, one control a step: what is plugged in first, then levels and dirt, then colour,
 * then what comes after; each value in the scale of the player's own device. Controls at their neutral place come too: a real one stands
 * wherever it was left.
 */
public final class SetUpWalk {
    /**
     * One step.
     *
     * @param place which control; its control is empty where a box is switched on or off or put in
     * @param words what to do
     * @param listen what to listen for; empty where nothing changes that is heard
     */
    public record Step(ControlPlace place, String words, String listen) {}

    private SetUpWalk() {}

    public static List<Step> of(Tone tone, Rig rig) {
        List<Step> out = new ArrayList<>();
        for (Block b : tone.blocks()) {
            if (b.model().kind() == GearKind.INPUT) {
                set(out, b, rig);
                continue;
            }
            if (!b.on()) {
                out.add(new Step(new ControlPlace(b.id(), "on"), b.model().name() + ": off, or leave it out", ""));
                continue;
            }
            out.add(new Step(new ControlPlace(b.id(), "on"), "plug in the " + b.model().name() + " and switch it on",
                    b.model().about()));
            set(out, b, rig);
        }
        return out;
    }

    private static void set(List<Step> out, Block b, Rig rig) {
        List<Control> controls = b.model().turnable().stream()
                .filter(c -> !c.rare() || b.get(c.name()) != c.defaultValue())
                .sorted(Comparator.comparingInt(SetUpWalk::turn)).toList();
        for (Control c : controls) {
            out.add(new Step(ControlPlace.of(b, c.name()), b.id() + " " + rig.label(b, c.name()) + ": " + (c.isChoice()
                    ? c.choices().get((int) Math.rint(b.get(c.name())))
                    : rig.display(b.model(), c, b.get(c.name()))), c.about()));
        }
    }

    /** Switches first, then what makes dirt, then colour, level last: each is judged with those before it in place. */
    private static int turn(Control c) {
        if (c.isChoice()) return 0;
        return switch (c.moves()) {
            case NOISE -> 1;
            case SATURATION -> 2;
            case DYNAMICS, FEEL -> 3;
            case LOWS -> 4;
            case MIDDLE -> 5;
            case HIGHS -> 6;
            case COLOUR -> 7;
            case TIME, SPACE, MOVEMENT, WIDTH -> 8;
            case LOUDNESS -> 9;
        };
    }
}
