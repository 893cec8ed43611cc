package verisonus.casebook.words;

import verisonus.core.travel.ListeningDose;
import verisonus.core.work.Figures;

/** How long a day it is safe to listen, as it is said. */
public final class SafeTime {
    /** "All day" is said a little early: nobody counts the last half hour. */
    private static final double ALL_DAY_MINUTES = 23.5 * 60;

    private SafeTime() {}

    /** Of a level that is heard alone all day. */
    public static String at(double dba) {
        return words(ListeningDose.safeMinutesPerDay(dba));
    }

    /** The same where there is little room: "15 min", "9 s". */
    public static String brief(double minutes) {
        return words(minutes).replaceFirst("minutes?", "min").replaceFirst("seconds", "s");
    }

    /** "all day", "4 h", "15 minutes", "9 seconds"; "no time" under a second. */
    public static String words(double minutes) {
        if (minutes >= ALL_DAY_MINUTES) return "all day";
        if (minutes >= 60) return Figures.of("%.0f h", minutes / 60);
        if (minutes >= 1) return Figures.of(minutes < 1.5 ? "%.0f minute" : "%.0f minutes", minutes);
        double seconds = 60 * minutes;
        return seconds < 1 ? "no time" : Figures.of("%.0f seconds", seconds);
    }
}
