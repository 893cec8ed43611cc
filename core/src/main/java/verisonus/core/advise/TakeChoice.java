package verisonus.core.advise;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import verisonus.core.evidence.study.InputCheck;
import verisonus.core.sound.Sound;
import verisonus.core.take.Alignment;
import verisonus.core.work.Figures;

/** Which of several takes serves best: played like the reference, clean, quiet between the notes. */
public final class TakeChoice {
    /**
     * One take in its place.
     *
     * @param index in the list that was given
     * @param samePhrase whether it plays what the reference plays
     * @param likeness of its notes to the reference's, −1 to 1
     * @param lagMs how much later than the reference it plays
     * @param check its level, noise and tuning
     */
    public record Judged(int index, boolean samePhrase, double likeness, double lagMs, InputCheck check) {
        double score() {
            double clean = switch (check.verdict()) {
                case GOOD -> 0;
                case HOT -> -0.02;
                case LOW -> -0.05;
                case CLIPPED -> -0.3;
                case SILENT -> -2;
            };
            return likeness + clean - 0.002 * Math.max(0, check.noiseDbfs() + 75) - (check.isInTune() ? 0 : 0.03);
        }

        /** "plays the phrase (0.82), 12 ms late; good …". */
        public String words() {
            String playing = samePhrase
                    ? Figures.of("plays the phrase, %.0f ms %s", Math.abs(lagMs),
                            lagMs >= 0 ? "late" : "early")
                    : "plays something else, or not enough of it";
            return playing + "; " + check.words();
        }
    }

    private TakeChoice() {}

    /** All takes, the best first. */
    public static List<Judged> of(Sound reference, List<Sound> takes) {
        float[] wanted = reference.atRate(Sound.WORKING_RATE_HZ).mid();
        List<Judged> out = new ArrayList<>();
        for (int i = 0; i < takes.size(); i++) {
            float[] played = takes.get(i).atRate(Sound.WORKING_RATE_HZ).mid();
            Alignment a = Alignment.find(wanted, played, Sound.WORKING_RATE_HZ);
            out.add(new Judged(i, a.pairing().isSamePhrase(), a.likeness(),
                    -1000.0 * a.offsetSamples() / Sound.WORKING_RATE_HZ, InputCheck.of(takes.get(i))));
        }
        out.sort(Comparator.comparingDouble(Judged::score).reversed());
        return out;
    }
}
