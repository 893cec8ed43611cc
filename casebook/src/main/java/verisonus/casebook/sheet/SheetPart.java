package verisonus.casebook.sheet;

import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;

/** What can be left out of a sheet; what to set is always there. */
public enum SheetPart {
    PLAYED("how it is played"),
    REASONS("why it is set so"),
    DRAWINGS("drawings"),
    RECORD("what the recording shows"),
    DIFFERENCES("what still differs"),
    TRAVEL("on other systems"),
    CHOICES("other choices"),
    TRIED("what was tried"),
    COST("what it takes");

    private final String words;

    SheetPart(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** As the command line spells it. */
    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Set<SheetPart> all() {
        return EnumSet.allOf(SheetPart.class);
    }
}
