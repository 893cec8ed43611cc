package verisonus.core.advise;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.hipparchus.linear.RealMatrix;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.search.LinearPart;
import verisonus.core.search.colour.BandWeights;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.loudspeaker.ImpulseCharacter;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;

/**
 * Which of many impulse responses brings a tone nearest to a reference: the tone is played once without cabinet and microphone,
 * and each response is judged by what loudness and a gentle equalizer could not mend behind it ({@link LinearPart}).
 */
public final class ImpulseRanking {
    private static final double RIDGE = 0.02;

    /**
     * One response in its place.
     *
     * @param index in the list that was given
     * @param leftDb what stays of the difference, RMS over the compared bands
     * @param reason what speaks for or against it
     */
    public record Ranked(int index, double leftDb, String reason) {}

    private final double[] difference;
    private final RealMatrix projection;
    private final double[] hz = Features.LEVEL_BANDS.centresHz();

    /** @param tone with or without a cabinet; its cabinets and microphones are left out */
    public ImpulseRanking(Sound reference, Sound di, Tone tone) {
        Evidence evidence = Examination.of(reference, Progress.NONE);
        float[] wanted = reference.atRate(Sound.WORKING_RATE_HZ).mid();
        double[] level = Features.of(wanted, 0, Sound.WORKING_RATE_HZ).levelDb();
        double[] weight = BandWeights.of(evidence.spectrum(), level);
        Tone bare = new Tone(tone.name(), tone.main().stream().filter(ImpulseRanking::isBeforeTheBox).toList());
        float[] played = Renderer.render(bare, di, Quality.SEARCH, Progress.NONE).mid();
        double[] has = Features.of(played, 0, Sound.WORKING_RATE_HZ).levelDb();
        difference = new double[level.length];
        for (int b = 0; b < level.length; b++) difference[b] = level[b] - has[b];
        projection = LinearPart.projection(weight, RIDGE);
    }

    private static boolean isBeforeTheBox(Block b) {
        return b.model().kind().compareTo(GearKind.CABINET) < 0 && b.model().kind() != GearKind.INPUT;
    }

    /** All of them, best first. */
    public List<Ranked> of(List<ImpulseCharacter> responses) {
        List<Ranked> out = new ArrayList<>();
        for (int i = 0; i < responses.size(); i++) {
            double[] left = new double[difference.length];
            for (int b = 0; b < left.length; b++) left[b] = difference[b] - responses.get(i).levelDb()[b];
            double sum = 0;
            for (double v : projection.operate(left)) sum += v * v;
            out.add(new Ranked(i, Math.sqrt(sum), reason(left)));
        }
        out.sort(Comparator.comparingDouble(Ranked::leftDb));
        return out;
    }

    /** Where it is furthest off before any equalizer, loudness taken out. */
    private String reason(double[] left) {
        double mean = 0;
        for (double v : left) mean += v / left.length;
        String[] names = {"lows", "low middle", "middle", "upper middle", "highs"};
        double[] edges = {0, 160, 400, 1200, 3500, 20000};
        int worst = 0;
        double most = 0;
        for (int r = 0; r < names.length; r++) {
            double sum = 0;
            int n = 0;
            for (int b = 0; b < hz.length; b++) {
                if (hz[b] < edges[r] || hz[b] >= edges[r + 1]) continue;
                sum += left[b] - mean;
                n++;
            }
            double here = n == 0 ? 0 : sum / n;
            if (Math.abs(here) > Math.abs(most)) {
                most = here;
                worst = r;
            }
        }
        if (Math.abs(most) < 1) return "within 1 dB everywhere before any equalizer";
        return Figures.of("%s %.1f dB %s", names[worst], Math.abs(most),
                most > 0 ? "short" : "over");
    }
}
