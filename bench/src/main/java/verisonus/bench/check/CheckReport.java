package verisonus.bench.check;

import java.util.ArrayList;
import java.util.List;

/**
 * Every figure that the commands print and that can be had another way, with its largest error. What cannot be had another way is named
 * at the end: it is held against cases of known truth by the other reports.
 */
public final class CheckReport {
    private static final String ELSEWHERE = "not checked here, for nothing else computes them: evidence and its confidence (AccuracyReport,"
            + " StatedReport), tones that are derived (DeriveReport, ReplayReport), gaps in JND, builds and swaps, prices and weights"
            + " that the player typed";

    private CheckReport() {}

    public static void main(String[] args) {
        List<Figure> all = new ArrayList<>();
        all.addAll(TrialChecks.all());
        all.addAll(SoundChecks.all());
        all.addAll(SweepChecks.all());
        all.forEach(f -> System.out.println(f.row()));
        System.out.println(all.stream().filter(Figure::holds).count() + " of " + all.size() + " figures hold");
        System.out.println(ELSEWHERE);
    }
}
