package verisonus.core.travel.trim;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Rig;
import verisonus.core.travel.NamedBand;
import verisonus.core.work.Figures;

/** A trim as a player reads it: what to turn, from where to where, what it brings and what stays. */
public final class TrimWords {
    private TrimWords() {}

    public static String of(Trim t) {
        return of(t, Rig.everything());
    }

    /** @param rig whose scales the settings are shown in */
    public static String of(Trim t, Rig rig) {
        if (t.isEmpty()) {
            return t.left().isEmpty()
                    ? "leave it as it is"
                    : "nothing that can be turned is worth it; " + left(t);
        }
        List<String> out = new ArrayList<>(turns(t, rig));
        String stays = t.left().isEmpty() ? "" : "; " + left(t);
        return Figures.of("%s: %.1f dB off before, %.1f after%s", String.join(", ", out), t.beforeDb(),
                t.afterDb(), stays);
    }

    /** What is turned, each in a few words. */
    public static List<String> turns(Trim t, Rig rig) {
        List<String> out = new ArrayList<>();
        for (String id : t.off()) out.add(id + " off");
        for (TrimStep s : t.steps()) {
            Block b = t.tone().find(s.place().block()).orElseThrow();
            Control c = b.model().control(s.place().control());
            if (b.id().equals(Trim.EQUALIZER_ID)) {
                if (!c.unit().equals("Hz") || c.name().endsWith("cut")) out.add(filter(b, c));
                continue;
            }
            out.add(Figures.of("%s %s from %s to %s", b.id(), b.label(c.name()),
                    rig.display(b.model(), c, s.from()), rig.display(b.model(), c, s.to())));
        }
        return out;
    }

    private static String filter(Block b, Control c) {
        String value = c.display(b.get(c.name()));
        return switch (c.name()) {
            case ControlNames.LOW_CUT -> "cut below " + value;
            case ControlNames.HIGH_CUT -> "cut above " + value;
            default -> value + " " + b.label(c.name());
        };
    }

    private static String left(Trim t) {
        List<String> words = t.left().stream().map(NamedBand::words).toList();
        return String.join(", ", words) + (words.size() == 1 && !words.get(0).endsWith("s") ? " stays" : " stay")
                + " off";
    }
}
