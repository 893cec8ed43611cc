package verisonus.core.travel;

/**
 * How long may one listen at a level? 85 dBA for 8 hours a day, half as long for every 3 dB more (NIOSH, Criteria for a
 * recommended standard: occupational noise exposure, 1998). An estimate: hearing differs, and the level at the ear is
 * known only where it was measured. For leisure listening the WHO's week: 80 dBA for 40 hours (WHO-ITU H.870).
 */
public final class ListeningDose {
    private static final double LIMIT_DBA = 85;
    private static final double EXCHANGE_DB = 3;
    private static final double WEEK_LIMIT_DBA = 80;
    private static final double WEEK_MINUTES = 40 * 60;
    private static final double DAY_MINUTES = 24 * 60;
    private static final double WORKING_DAY_MINUTES = 8 * 60;

    private ListeningDose() {}

    /** Share of a day's dose that some time at a level takes; 1 is all of it. */
    public static double ofDay(double dba, double minutes) {
        return minutes / (WORKING_DAY_MINUTES * Math.pow(2, (LIMIT_DBA - dba) / EXCHANGE_DB));
    }

    /** Share of a week's dose for leisure listening. */
    public static double ofWeek(double dba, double minutes) {
        return minutes / (WEEK_MINUTES * Math.pow(2, (WEEK_LIMIT_DBA - dba) / EXCHANGE_DB));
    }

    /** Minutes a day at a level, at most a whole day. */
    public static double safeMinutesPerDay(double dba) {
        return Math.min(DAY_MINUTES, WORKING_DAY_MINUTES * Math.pow(2, (LIMIT_DBA - dba) / EXCHANGE_DB));
    }
}
