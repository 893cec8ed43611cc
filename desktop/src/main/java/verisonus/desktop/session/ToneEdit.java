package verisonus.desktop.session;

import java.util.function.UnaryOperator;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.Sounds;

/**
 * A change of a tone as a function: it is made on the tone as it stands when the change's turn comes, so that a change before it is never
 * lost. Called off the window's thread.
 */
@FunctionalInterface
public interface ToneEdit {
    /** @param sounds of the case, for changes that are balanced by ear */
    Tone on(Tone standing, Sounds sounds, Progress progress);

    static ToneEdit of(UnaryOperator<Tone> how) {
        return (tone, _, _) -> how.apply(tone);
    }

    /**
     * A change that was worked out on a tone. Where another tone stands by then, only its settings and switches are made there.
     *
     * @throws InputFault on a tone of other blocks, where it cannot mean anything
     */
    static ToneEdit from(Tone base, Tone changed) {
        return (standing, _, _) -> {
            if (standing.equals(base)) return changed;
            try {
                if (base.routing().equals(changed.routing()) && base.blocks().size() == changed.blocks().size()) {
                    return Variant.between(standing.name(), base, changed).on(standing);
                }
            } catch (IllegalArgumentException e) {
                throw overtaken(standing, e);
            }
            throw overtaken(standing, new IllegalStateException("other blocks"));
        };
    }

    private static InputFault overtaken(Tone standing, RuntimeException cause) {
        return new InputFault(standing.name(), "the tone was changed before this change's turn came", "make it again",
                cause);
    }
}
