package verisonus.core.perform.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.PassageSpectra;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;

/**
 * What a tone brings onto a stage besides its sound, each with its figure: controls at their ends, lows that belong to the bass guitar,
 * microphones that cancel each other, and what a gate takes from the tails.
 */
public final class StageChecks {
    private static final double PART_S = 6;
    private static final double AT_END = 0.02;
    /** Under 100 Hz a guitar in a band has nothing that is heard; more than this much of its power there is in the bass's way. */
    private static final double LOWS_SHARE = 0.12;
    private static final double CANCELS_DB = -3;

    private StageChecks() {}

    /** Everything that is amiss, in words; empty where nothing is. */
    public static List<String> of(Tone tone, Sound phrase, Progress progress) {
        Sound dry = phrase.atRate(Sound.WORKING_RATE_HZ);
        Sound part = LoudestPart.of(dry, PART_S).cut(dry);
        List<String> out = new ArrayList<>(extremes(tone));
        progress.step(0.2, "listening to the lows");
        Sound played = played(tone, part);
        lows(played).ifPresent(out::add);
        progress.step(0.4, "adding the ways together");
        out.addAll(cancelling(tone, part, played));
        progress.step(0.6, "closing the gate");
        tone.first(GearKind.GATE).filter(Block::on).flatMap(g -> GatePrice.of(tone, g, dry)).map(GatePrice::words)
                .ifPresent(out::add);
        return out;
    }

    private static Sound played(Tone tone, Sound dry) {
        return Renderer.render(tone, dry, Optional.of(dry), Quality.SEARCH, Progress.NONE);
    }

    /** A control at its end has no way left for another room or guitar. */
    static List<String> extremes(Tone tone) {
        List<String> out = new ArrayList<>();
        for (Block b : tone.blocks()) {
            if (!b.on()) continue;
            for (Control c : b.model().turnable()) {
                double at = c.position(b.get(c.name()));
                boolean moved = b.get(c.name()) != c.defaultValue();
                boolean shapes = switch (c.moves()) {
                    case SATURATION, LOWS, MIDDLE, HIGHS -> true;
                    default -> false;
                };
                if (c.isChoice() || !moved || !shapes || at > AT_END && at < 1 - AT_END) continue;
                out.add(b.id() + " " + b.label(c.name())
                        + " stands at its end: nothing is left to turn for another room"
                        + " or guitar");
            }
        }
        return out;
    }

    /** How much of the tone lies under 100 Hz, where a bass guitar has its lowest notes. */
    static Optional<String> lows(Sound played) {
        double[] power = PassageSpectra.of(played).power(2);
        double[] hz = PassageSpectra.BANDS.centresHz();
        double all = 1e-20;
        double under = 0;
        for (int b = 0; b < hz.length; b++) {
            all += power[b];
            if (hz[b] < 100) under += power[b];
        }
        double share = under / all;
        return share < LOWS_SHARE
                ? Optional.empty()
                : Optional.of(Figures.of("%.0f %% of its power lies under 100 Hz, where the bass guitar"
                        + " is: a low cut there makes room and saves %.1f dB of headroom", 100 * share,
                        -10 * Math.log10(
                                1 - share)));
    }

    /** Ways that are added at the end and lose a band to each other: what both make against what each makes alone. */
    static List<String> cancelling(Tone tone, Sound part, Sound both) {
        List<String> out = new ArrayList<>();
        for (int i = 0; i < tone.routing().branches().size(); i++) {
            var branch = tone.routing().branches().get(i);
            if (!branch.before().equals(verisonus.core.rig.Branch.OUTPUT)) continue;
            Tone without = tone.routed(new verisonus.core.rig.Routing(tone.routing().loop(), tone.routing().branches()
                    .stream().map(b -> b.equals(branch) ? b.mixed(-60, b.pan(), b.turned()) : b).toList()));
            Sound rest = played(without, part);
            Sound way = difference(both, rest);
            double[] a = PassageSpectra.of(rest).power(1);
            double[] b = PassageSpectra.of(way).power(1);
            double[] sum = PassageSpectra.of(both).power(1);
            worst(a, b, sum).ifPresent(w -> out.add("the way “" + branch.name() + "” takes " + w
                    + ": turn its phase or move its microphone"));
        }
        return out;
    }

    private static Optional<String> worst(double[] a, double[] b, double[] sum) {
        double deepest = CANCELS_DB;
        Optional<String> out = Optional.empty();
        for (NamedBand n : NamedBand.values()) {
            double apart = PassageSpectra.bandPower(n, a) + PassageSpectra.bandPower(n, b);
            if (PassageSpectra.isEmpty(n, a) || PassageSpectra.isEmpty(n, b)) continue;
            double db = 10 * Math.log10(PassageSpectra.bandPower(n, sum) / apart);
            if (db > deepest) continue;
            deepest = db;
            out = Optional.of(Figures.of("%.1f dB off the %s when both sound", -db, n.words()));
        }
        return out;
    }

    private static Sound difference(Sound a, Sound b) {
        float[][] out = new float[1][];
        float[] x = a.mid();
        float[] y = b.withFrames(a.frames()).mid();
        out[0] = new float[x.length];
        for (int i = 0; i < x.length; i++) out[0][i] = x[i] - y[i];
        return new Sound(out, a.rateHz());
    }
}
