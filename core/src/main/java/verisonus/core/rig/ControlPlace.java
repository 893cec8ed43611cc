package verisonus.core.rig;

/**
 * Which control of which block of a tone.
 *
 * @param block id of the block
 * @param control name of the control
 */
public record ControlPlace(String block, String control) {
    public static ControlPlace of(Block block, String control) {
        return new ControlPlace(block.id(), control);
    }

    /** Inverse of {@link #toString}. @throws IllegalArgumentException where the text is not of that form */
    public static ControlPlace parse(String text) {
        int at = text.indexOf('/');
        if (at < 1 || at == text.length() - 1) throw new IllegalArgumentException(text + " is not block/control");
        return new ControlPlace(text.substring(0, at), text.substring(at + 1));
    }

    /** As files and commands spell it: "amp/gain". */
    @Override
    public String toString() {
        return block + "/" + control;
    }
}
