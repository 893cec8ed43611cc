package verisonus.desktop.perform;

import java.util.Comparator;
import java.util.Optional;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.desktop.derive.chain.ScaleEntry;

/**
 * A change of a tone as it is typed: a control and its value on the player's own scale, "echo/mix 30", or a block and a switch, "drive on".
 *
 * @param tone the changed tone; empty where what was typed is none
 * @param fault what is wrong with it, a sentence; empty where nothing is
 */
record TypedChange(Optional<Tone> tone, String fault) {
    /** @param rig its devices' scales */
    static TypedChange of(Tone tone, String typed, Rig rig) {
        int space = typed.lastIndexOf(' ');
        String last = typed.substring(space + 1);
        boolean turns = last.equalsIgnoreCase("on") || last.equalsIgnoreCase("off");
        return space > 0 && !typed.contains("/") && turns
                ? switched(tone, typed.substring(0, space).strip(), last.equalsIgnoreCase("on"))
                : set(tone, typed, rig);
    }

    private static TypedChange switched(Tone tone, String id, boolean on) {
        return tone.find(id).map(b -> to(tone.with(b.switched(on))))
                .orElse(wrong("There is no block called " + id + "."));
    }

    private static TypedChange set(Tone tone, String typed, Rig rig) {
        int slash = Math.max(0, typed.indexOf('/'));
        String rest = typed.substring(Math.min(typed.length(), slash + 1));
        Optional<Block> block = tone.find(typed.substring(0, slash));
        Optional<Control> control = block.flatMap(b -> b.model().turnable().stream()
                .filter(c -> rest.startsWith(c.name() + " "))
                .max(Comparator.comparingInt(c -> c.name().length())));
        if (block.isEmpty() || control.isEmpty())
            return wrong("Write a control and its value, as echo/mix 30, or a block and a switch, as drive on.");
        Block b = block.get();
        Control c = control.get();
        String value = rest.substring(c.name().length()).strip();
        if (c.isChoice()) {
            int at = c.choices().indexOf(value);
            return at < 0
                    ? wrong(c.name() + " is one of " + String.join(", ", c.choices()) + ".")
                    : to(tone.with(b.with(c.name(), at)));
        }
        ScaleEntry entry = ScaleEntry.read(value, b, c, rig);
        return entry.value().isEmpty()
                ? wrong(b.id() + "/" + c.name() + ": " + entry.fault() + ".")
                : to(tone.with(b.with(c.name(), entry.value().getAsDouble())));
    }

    private static TypedChange to(Tone tone) {
        return new TypedChange(Optional.of(tone), "");
    }

    private static TypedChange wrong(String fault) {
        return new TypedChange(Optional.empty(), fault);
    }
}
