package verisonus.desktop.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import verisonus.core.work.Figures;

/** A tempo tapped by key, button or foot: from the fourth tap on the mean of all stands; a pause begins anew. */
public final class TapTempo {
    private static final int FEWEST = 4;
    private static final long PAUSE_NANOS = 2_000_000_000L;

    private final List<Long> taps = new ArrayList<>();

    /** @return what to say to it */
    public String tap(long nanos) {
        if (!taps.isEmpty() && nanos - taps.get(taps.size() - 1) > PAUSE_NANOS) taps.clear();
        taps.add(nanos);
        OptionalDouble bpm = bpm();
        if (bpm.isEmpty()) return "Tap on: " + (FEWEST - taps.size()) + " more.";
        return Figures.of("%.1f BPM tapped; stands when you stop.", bpm.getAsDouble());
    }

    /** What was tapped so far; empty before the fourth tap. */
    public OptionalDouble bpm() {
        int n = taps.size();
        return n < FEWEST
                ? OptionalDouble.empty()
                : OptionalDouble.of(60e9 * (n - 1) / (taps.get(n - 1) - taps.get(0)));
    }

    /** What was tapped, to a tenth; the next tap begins anew. */
    public OptionalDouble settle() {
        OptionalDouble bpm = bpm();
        taps.clear();
        return bpm.isEmpty() ? bpm : OptionalDouble.of(Math.rint(10 * bpm.getAsDouble()) / 10);
    }
}
