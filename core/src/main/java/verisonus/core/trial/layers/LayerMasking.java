package verisonus.core.trial.layers;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import verisonus.core.sound.Sound;
import verisonus.core.travel.EqualLoudness;
import verisonus.core.travel.Masking;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.PassageSpectra;
import verisonus.core.trial.Candidate;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/**
 * Who hides whom in a mix: moment by moment and third by third, whether a part lies under what another one's excitation has spread
 * there ({@link Masking}); the mix is heard at {@value #LEVEL_DB_SPL} dB SPL. Shares are of what the hidden part has in a band.
 *
 * @param hidden which part cannot be heard
 * @param hider which part covers it
 * @param share of the moments and thirds in which the hidden part has something there, 0 to 1
 * @param yieldDb by how much the hider would have to yield in the band for three quarters to be heard
 * @param worstAtS the second in which it is hidden most begins here
 */
public record LayerMasking(String hidden, String hider, NamedBand band, double share, double yieldDb,
        double worstAtS) {
    static final double LEVEL_DB_SPL = 80;
    /** What lies further under a part's own strongest third adds nothing to it. */
    private static final double ACTIVE_DB = 32;
    private static final double HEARD_SHARE = 0.75;
    /** A band in which less is hidden is no finding. */
    public static final double WORTH_SAYING = 0.4;
    /** Bands in which a part has less than this of its loudness are not its own. */
    private static final double OWN_DB = -18;
    private static final double MOST_YIELD_DB = 12;
    private static final double THERE_DB = -40;

    public String words() {
        String out = Figures.of("%s hides the %s of %s (%.0f %% of it, most at %.0f s)", hider, band
                .words(), hidden, 100 * share, worstAtS);
        if (yieldDb > MOST_YIELD_DB)
            return out + ": more than an equalizer gives back, play elsewhere or leave it out there";
        return out + Figures.of(": %.0f dB less there lets it through", Math.max(1, yieldDb));
    }

    /**
     * Every pair and band in which more than {@value #WORTH_SAYING} is hidden, the most hidden first.
     *
     * @param layers as they stand in the mix, beginning together
     */
    public static List<LayerMasking> of(List<Candidate> layers) {
        if (layers.size() < 2)
            throw new InputFault("the layers", "one part alone hides nothing", "give two or more that play together");
        List<PassageSpectra> spectra = layers.stream().map(c -> PassageSpectra.of(c.sound().atRate(
                Sound.WORKING_RATE_HZ))).toList();
        double mix = 1e-30;
        for (PassageSpectra s : spectra) mix += PassageSpectra.weighted(s.power(2));
        double offset = LEVEL_DB_SPL - 10 * Math.log10(mix);
        List<double[][]> levels = spectra.stream().map(s -> dbSpl(s.on(2), offset)).toList();
        List<double[][]> thresholds = levels.stream().map(LayerMasking::thresholds).toList();
        List<LayerMasking> out = new ArrayList<>();
        for (int a = 0; a < layers.size(); a++) {
            double[] power = spectra.get(a).power(2);
            double whole = PassageSpectra.weighted(power);
            if (whole < 1e-20) throw new InputFault(layers.get(a).name(), "it is silent", "leave it out");
            // What hardly plays is not hidden, it is not there.
            if (whole < mix * Math.pow(10, THERE_DB / 10)) continue;
            for (int b = 0; b < layers.size(); b++) {
                if (a == b) continue;
                for (NamedBand n : NamedBand.values()) {
                    if (!isOwn(n, power)) continue;
                    LayerMasking m = between(layers.get(a).name(), layers.get(b).name(), n, levels.get(a),
                            thresholds.get(b));
                    if (m.share > WORTH_SAYING) out.add(m);
                }
            }
        }
        out.sort(Comparator.comparingDouble((LayerMasking m) -> -m.share));
        return out;
    }

    private static boolean isOwn(NamedBand n, double[] power) {
        double most = 0;
        for (NamedBand k : NamedBand.values()) most = Math.max(most, PassageSpectra.bandPower(k, power));
        return PassageSpectra.bandPower(n, power) > most * Math.pow(10, OWN_DB / 10);
    }

    private static double[][] dbSpl(float[][] power, double offset) {
        double[][] out = new double[power.length][];
        for (int t = 0; t < out.length; t++) {
            out[t] = new double[power[t].length];
            for (int b = 0; b < out[t].length; b++) out[t][b] = offset + 10 * Math.log10(power[t][b] + 1e-20);
        }
        return out;
    }

    private static double[][] thresholds(double[][] levels) {
        double[] hz = PassageSpectra.BANDS.centresHz();
        double[][] out = new double[levels.length][];
        for (int t = 0; t < out.length; t++) out[t] = Masking.thresholdDbSpl(hz, levels[t], true);
        return out;
    }

    private static LayerMasking between(String hidden, String hider, NamedBand n, double[][] level,
            double[][] threshold) {
        double[] hz = PassageSpectra.BANDS.centresHz();
        double top = Double.NEGATIVE_INFINITY;
        for (double[] l : level) top = Math.max(top, Arrays.stream(l).max().orElse(0));
        List<Double> lacking = new ArrayList<>();
        int covered = 0;
        int frames = Math.min(level.length, threshold.length);
        double[] coveredAt = new double[frames];
        for (int t = 0; t < frames; t++) {
            for (int b = 0; b < hz.length; b++) {
                boolean there = level[t][b] > top - ACTIVE_DB && level[t][b] > EqualLoudness.thresholdDbSpl(hz[b]);
                if (!n.holds(hz[b]) || !there) continue;
                double lacks = threshold[t][b] - level[t][b];
                lacking.add(lacks);
                if (lacks > 0) {
                    covered++;
                    coveredAt[t] += lacks;
                }
            }
        }
        if (lacking.isEmpty()) return new LayerMasking(hidden, hider, n, 0, 0, 0);
        lacking.sort(Comparator.naturalOrder());
        double yield = Math.max(0, lacking.get((int) (HEARD_SHARE * (lacking.size() - 1))));
        return new LayerMasking(hidden, hider, n, covered / (double) lacking.size(), yield, worst(coveredAt));
    }

    /** Where the second begins that holds the most of it. */
    private static double worst(double[] byFrame) {
        double frameS = PassageSpectra.FRAME_S;
        int second = Math.max(1, (int) Math.round(1 / frameS));
        double most = -1;
        int at = 0;
        for (int t = 0; t < byFrame.length; t++) {
            double sum = 0;
            for (int k = t; k < Math.min(byFrame.length, t + second); k++) sum += byFrame[k];
            if (sum > most + 1e-9) {
                most = sum;
                at = t;
            }
        }
        return at * frameS;
    }
}
