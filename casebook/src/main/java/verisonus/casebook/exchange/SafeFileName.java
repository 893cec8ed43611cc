package verisonus.casebook.exchange;

import java.util.Locale;
import java.util.Set;

/** A file name from a title that every system takes: no slashes, no reserved names, no dots or spaces at the ends, not too long. */
public final class SafeFileName {
    private static final Set<String> RESERVED = Set.of("con", "prn", "aux", "nul", "com1", "com2", "com3", "com4",
            "com5",
            "com6", "com7", "com8", "com9", "lpt1", "lpt2", "lpt3", "lpt4", "lpt5", "lpt6", "lpt7", "lpt8", "lpt9");
    private static final int LONGEST = 80;

    private SafeFileName() {}

    /** @param ending without its dot */
    public static String of(String title, String ending) {
        String safe = title.replaceAll("[\\p{Cntrl}/\\\\:*?\"<>|]+", "-").replaceAll("\\s+", " ").strip();
        if (safe.codePointCount(0, safe.length()) > LONGEST)
            safe = safe.substring(0, safe.offsetByCodePoints(0, LONGEST));
        safe = safe.replaceAll("^[. ]+|[. ]+$", "");
        if (safe.isEmpty() || RESERVED.contains(safe.toLowerCase(Locale.ROOT))) safe = "sheet " + safe;
        return safe.strip() + "." + ending;
    }
}
