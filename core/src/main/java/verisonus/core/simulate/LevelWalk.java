package verisonus.core.simulate;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * How loud the signal is at each point of a chain, and where the next input clips, is starved or is loaded. With the input's
 * sensitivity known (what full scale is in volts) levels are in volts too; else they are left out and said to be unknown.
 */
public final class LevelWalk {
    /**
     * One point of the chain.
     *
     * @param block what it comes out of; empty for the dry take itself
     * @param peakDbfs highest sample
     * @param rmsDbfs mean power
     * @param volts peak volts, empty where the sensitivity is unknown
     * @param fault what is wrong there, in words; empty where nothing is
     */
    public record Point(String block, double peakDbfs, double rmsDbfs, Optional<Double> volts, String fault) {}

    /** Peak of a hot humbucking pickup; above it an instrument input is likely to be fed at line level. */
    private static final double HOT_PICKUP_VOLTS = 2;
    private static final double STARVED_DBFS = -60;

    private LevelWalk() {}

    /** @param fullScaleVolts what 0 dBFS of the dry take is at the socket; empty where it has not been calibrated */
    public static List<Point> of(Tone tone, Sound di, Optional<Double> fullScaleVolts) {
        List<Point> out = new ArrayList<>();
        Sound at = di.atRate(Sound.WORKING_RATE_HZ);
        out.add(point("", at, fullScaleVolts, inputFault(at, fullScaleVolts)));
        Tone soFar = new Tone(tone.name(), List.of());
        Optional<Block> before = Optional.empty();
        for (Block b : tone.main()) {
            if (!b.on() || LineBuilder.isDoubler(b)) continue;
            Sound into = at;
            soFar = soFar.inserted(b, soFar.blocks().size());
            at = Renderer.render(soFar, di, Quality.DRAFT, verisonus.core.work.Progress.NONE);
            out.add(point(b.id(), at, Optional.empty(), fault(b, before, into, at)));
            before = Optional.of(b);
        }
        return out;
    }

    private static Point point(String block, Sound s, Optional<Double> fullScale, String fault) {
        double peak = Decibels.fromAmplitude(s.peak());
        return new Point(block, peak, Decibels.fromAmplitude(s.rms()), fullScale.map(v -> v * s.peak()), fault);
    }

    private static String inputFault(Sound di, Optional<Double> fullScaleVolts) {
        double peak = Decibels.fromAmplitude(di.peak());
        if (peak > -0.1) return "the take touches full scale: record it lower, clipping cannot be taken back";
        if (peak < -30) return "the take is very soft: gain after it lifts noise and hum as well";
        if (fullScaleVolts.filter(v -> v * di.peak() > HOT_PICKUP_VOLTS).isPresent()) {
            return "more than a pickup gives: this looks like line level into an instrument input";
        }
        return "";
    }

    private static String fault(Block b, Optional<Block> before, Sound into, Sound out) {
        double peak = Decibels.fromAmplitude(into.peak());
        if (b.model().kind() == GearKind.INPUT && b.get(ControlNames.IMPEDANCE) < 100) {
            return Figures.of("%.0f kΩ loads a passive pickup: highs are lost before the first stage; use"
                    + " 500 kΩ or more, or a DI box",
                    b.get(ControlNames.IMPEDANCE));
        }
        boolean line = before.map(p -> p.model().kind()).filter(k -> k == GearKind.MICROPHONE || k == GearKind.AMP)
                .isPresent();
        if (b.model().kind() == GearKind.DRIVE && line) {
            return "a pedal after an amp is hit at line level; it clips at once unless a pad stands before it";
        }
        if (isDigital(b) && peak > 0) {
            return Figures.of("its input clips by %.1f dB: turn down what stands before it", peak);
        }
        if ((b.model().kind() == GearKind.DRIVE || b.model().kind() == GearKind.AMP) && peak < STARVED_DBFS) {
            return "it is starved: hardly anything reaches it";
        }
        return Decibels.fromAmplitude(out.peak()) > 20 ? "far above full scale: turn its level down" : "";
    }

    private static boolean isDigital(Block b) {
        return switch (b.model().kind()) {
            case ECHO, REVERB, MODULATION, LOOPER -> true;
            default -> false;
        };
    }
}
