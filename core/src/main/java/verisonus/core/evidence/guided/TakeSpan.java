package verisonus.core.evidence.guided;

import verisonus.core.sound.Sound;

/** The part of a recording in which a take that is laid under it plays, with a little before and behind. */
record TakeSpan(double fromS, double toS) {
    private static final double MARGIN_S = 2;

    /** Empty, at the start, where the take is silent. */
    static TakeSpan of(Sound take, double lengthS) {
        float[] x = take.mid();
        int from = 0;
        while (from < x.length && x[from] == 0) from++;
        int to = x.length;
        while (to > from && x[to - 1] == 0) to--;
        if (from == to) return new TakeSpan(0, 0);
        return new TakeSpan(Math.clamp((double) from / take.rateHz() - MARGIN_S, 0, lengthS),
                Math.clamp((double) to / take.rateHz() + MARGIN_S, 0, lengthS));
    }

    TakeSpan atMost(double lengthS) {
        return new TakeSpan(fromS, Math.min(toS, fromS + lengthS));
    }
}
