package verisonus.core.derive;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Kind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.EqualizerCurve;
import verisonus.core.simulate.LoudspeakerCurve;
import verisonus.core.simulate.Quality;

/**
 * How far each control can move, alone, before the change counts as heard: until |change| = 1 with
 * |change|² = (colour, dB RMS)² + (envelope / 1.5 dB)².
 */
final class SensitivityReport {
    private static final double ENVELOPE_UNIT_DB = 1.5;

    private final Objective objective;
    private final ExecutorService workers;
    private final double[] weight;

    SensitivityReport(Objective objective, ExecutorService workers, double[] weight) {
        this.objective = objective;
        this.workers = workers;
        this.weight = weight;
    }

    private record Sensitivity(double perUnit, String why) {}

    List<Tolerance> of(Objective.Point point, Tone tone) {
        List<Tolerance> out = new ArrayList<>();
        List<Sensitivity> knobs = knobSensitivities(point);
        List<String> names = point.knobs().names();
        for (Block block : tone.blocks()) {
            if (!block.on()) continue;
            for (Control c : block.model().controls()) {
                int index = names.indexOf(block.id() + "/" + c.name());
                if (index >= 0) {
                    out.add(bracket(block, c, knobs.get(index)));
                } else if (!c.isChoice() && mentioned(block, c)) {
                    out.add(linear(block, c));
                }
            }
        }
        return out;
    }

    private static boolean mentioned(Block block, Control c) {
        return block.settings().containsKey(c.name()) && !c.name().equals("level");
    }

    private List<Sensitivity> knobSensitivities(Objective.Point point) {
        Features base = objective.at(point.knobs(), point.curve(), Quality.DRAFT).features();
        List<Callable<Sensitivity>> work = new ArrayList<>();
        for (int i = 0; i < point.knobs().count(); i++) {
            int index = i;
            work.add(() -> {
                double value = point.knobs().values()[index];
                double step = value > 5 ? -1 : 1;
                Features moved = objective.at(point.knobs().moved(index, value + step), point.curve(), Quality.DRAFT)
                        .features();
                return sensitivity(base, moved);
            });
        }
        return KnobFit.all(work, workers);
    }

    private Sensitivity sensitivity(Features base, Features moved) {
        double[] d = new double[base.levelDb().length];
        for (int b = 0; b < d.length; b++) d[b] = moved.levelDb()[b] - base.levelDb()[b];
        double colour = rms(d);
        double sum = 0;
        int n = 0;
        for (int t = 0; t < base.envelopeDb().length; t++) {
            for (int b = 0; b < base.envelopeDb()[t].length; b++, n++) {
                double e = moved.envelopeDb()[t][b] - base.envelopeDb()[t][b];
                sum += e * e;
            }
        }
        double motion = n == 0 ? 0 : Math.sqrt(sum / n) / ENVELOPE_UNIT_DB;
        return new Sensitivity(Math.hypot(colour, motion),
                motion > colour ? "dynamics" : "level at " + strongest(d));
    }

    /** RMS over the trusted bands, loudness taken out. */
    private double rms(double[] d) {
        double mean = 0;
        double total = 0;
        for (int b = 0; b < d.length; b++) {
            mean += weight[b] * d[b];
            total += weight[b];
        }
        mean /= total;
        double sum = 0;
        for (int b = 0; b < d.length; b++) sum += weight[b] * (d[b] - mean) * (d[b] - mean) / total;
        return Math.sqrt(sum);
    }

    private String strongest(double[] d) {
        double[] hz = Features.LEVEL_BANDS.centresHz();
        int best = 0;
        for (int b = 0; b < d.length; b++) if (weight[b] * Math.abs(d[b]) > weight[best] * Math.abs(d[best])) best = b;
        return hz[best] < 1000
                ? String.format(Locale.ROOT, "%.0f Hz", hz[best])
                : String.format(Locale.ROOT, "%.1f kHz", hz[best] / 1000);
    }

    private Tolerance linear(Block block, Control c) {
        if (block.model().kind() == Kind.ECHO) return echo(block, c);
        double value = block.get(c.name());
        double step = 0.05;
        double position = c.position(value);
        double other = c.valueAt(position > 0.5 ? position - step : position + step);
        double[] hz = Features.LEVEL_BANDS.centresHz();
        double[] d = new double[hz.length];
        for (int b = 0; b < d.length; b++) d[b] = gain(block.with(c.name(), other), hz[b]) - gain(block, hz[b]);
        double perStep = rms(d);
        double reach = perStep < 1e-6 ? 1 : step / perStep;
        return new Tolerance(block.id(), c.name(), value, c.valueAt(position - reach), c.valueAt(position + reach),
                "level at " + strongest(d));
    }

    private static double gain(Block block, double hz) {
        return switch (block.model().kind()) {
            case CABINET -> LoudspeakerCurve.cabinetDb(block, hz);
            case MICROPHONE -> LoudspeakerCurve.microphoneDb(block, hz);
            case AMP -> LoudspeakerCurve.presenceDb(block.get("presence"), hz);
            case EQUALIZER -> EqualizerCurve.gainDb(block, hz, 48000);
            default -> 0;
        };
    }

    private static Tolerance echo(Block block, Control c) {
        double value = block.get(c.name());
        double reach = switch (c.name()) {
            case "time" -> Math.max(5, 0.04 * value);
            case "feedback" -> 8;
            default -> 0.12 * value + 0.5;
        };
        return new Tolerance(block.id(), c.name(), value, c.clamp(value - reach), c.clamp(value + reach),
                "echo found");
    }

    private static Tolerance bracket(Block block, Control c, Sensitivity s) {
        double reach = s.perUnit < 1e-6 ? 10 : 1 / s.perUnit;
        double value = block.get(c.name());
        return new Tolerance(block.id(), c.name(), value, c.clamp(value - reach), c.clamp(value + reach), s.why);
    }
}
