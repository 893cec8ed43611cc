package verisonus.desktop.player;

import java.util.Locale;
import verisonus.core.travel.ListeningDose;

/**
 * How loud it is at the ear, and for how long that is safe. Until somebody measures it, the level is an assumption on the
 * loud side: matched sources at full gain are taken as {@value #ASSUMED_FULL_DB_SPL} dB SPL.
 */
public final class ListeningLevel {
    static final double ASSUMED_FULL_DB_SPL = 100;
    /** Where playback starts. */
    public static final double START_DB = -30;
    /** Above this many dBA the time is short enough to warn. */
    private static final double WARN_DBA = 85;

    private ListeningLevel() {}

    public static double dbSpl(double gainDb) {
        return ASSUMED_FULL_DB_SPL + gainDb;
    }

    /** "70 dB SPL assumed · safe all day". */
    public static String words(double gainDb) {
        double level = dbSpl(gainDb);
        double minutes = ListeningDose.safeMinutesPerDay(level);
        String time = minutes >= 24 * 60
                ? "safe all day"
                : minutes >= 60
                        ? String.format(Locale.ROOT, "%.0f h safe today", minutes / 60)
                        : String.format(Locale.ROOT, "%.0f min safe today", minutes);
        return String.format(Locale.ROOT, "%.0f dB SPL assumed · %s", level, time);
    }

    public static boolean warns(double gainDb) {
        return dbSpl(gainDb) >= WARN_DBA;
    }
}
