package verisonus.core.perform;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.compare.Driven;
import verisonus.core.compare.JndScale;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.travel.PassageSpectra;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * What to turn when another guitar is plugged in, from a short take of each: level into the chain first, then the amp's tone controls,
 * as few as help. Judged by third octaves and by how far the playing is held back, both of which bear other playing.
 *
 * @param base the tone, with an input in front where it had none
 * @param variant what is turned for the other guitar
 * @param beforeJnd how far the other guitar sounds from the first through the same tone
 * @param afterJnd the same with the trim
 */
public record GuitarTrim(Tone base, Variant variant, double beforeJnd, double afterJnd) {
    private static final double PLAYED_S = 6;
    private static final double PRICE_JND = 0.15;
    private static final int MOST_CONTROLS = 4;
    private static final double[] LEVELS_DB = {-8, -5, -2.5, -1, 1, 2.5, 5, 8};
    private static final double[] TURNS = {-2.5, -1.2, -0.5, 0.5, 1.2, 2.5};
    /** Third octaves more than this under the loudest count for nothing. */
    private static final double DEPTH_DB = 40;

    /** Sound of a guitar through a tone. */
    private record Colour(double[] thirdsDb, double dirt) {
        double jnd(Colour other) {
            double sum = 0;
            for (int i = 0; i < thirdsDb.length; i++) sum += Math.pow(thirdsDb[i] - other.thirdsDb[i], 2);
            return Math.hypot(Math.sqrt(sum / thirdsDb.length),
                    (dirt - other.dirt) / JndScale.SATURATION_INDEX);
        }
    }

    /**
     * @param first take of the guitar the tone was made for
     * @param other take of the other one, best of the same phrase
     */
    public static GuitarTrim of(String name, Tone tone, Sound first, Sound other, Progress progress) {
        Tone base = tone.first(GearKind.INPUT).filter(Block::on).isPresent()
                ? tone
                : tone.inserted(Block.of("instrument input").named("input"), 0);
        Sound a = part(first);
        Sound b = part(other);
        Colour wanted = colour(base, a);
        double before = colour(base, b).jnd(wanted);
        Tone now = base;
        double least = before;
        for (int i = 0; i < MOST_CONTROLS; i++) {
            progress.step(i / (double) MOST_CONTROLS, "turning");
            Tone best = now;
            double bestJnd = least - PRICE_JND;
            for (Tone t : tried(base, now)) {
                double jnd = colour(t, b).jnd(wanted);
                if (jnd < bestJnd) {
                    bestJnd = jnd;
                    best = t;
                }
            }
            if (best == now) break;
            now = best;
            least = bestJnd;
        }
        Variant v = Variant.between(name, base, now);
        return new GuitarTrim(base, v, before, least);
    }

    /** Every control at every of its turns from where it stands in the tone, the others as they stand now. */
    private static List<Tone> tried(Tone base, Tone now) {
        List<Tone> out = new ArrayList<>();
        for (Block b : now.blocks()) {
            if (!b.on()) continue;
            for (Control c : b.model().turnable()) {
                double from = base.find(b.id()).orElseThrow().get(c.name());
                for (double by : turns(b, c)) {
                    double to = from + by;
                    if (to >= c.minimum() && to <= c.maximum()) out.add(now.with(b.with(c.name(), to)));
                }
            }
        }
        return out;
    }

    private static double[] turns(Block b, Control c) {
        if (b.model().kind() == GearKind.INPUT && c.name().equals(ControlNames.LEVEL)) return LEVELS_DB;
        boolean tone = b.model().kind() == GearKind.AMP && switch (c.name()) {
            case ControlNames.BASS, ControlNames.MID, ControlNames.TREBLE, ControlNames.PRESENCE -> true;
            default -> false;
        };
        boolean band = b.model().kind() == GearKind.EQUALIZER && c.unit().equals("dB")
                && !c.name().equals(ControlNames.LEVEL);
        return tone || band ? TURNS : new double[0];
    }

    private static Sound part(Sound take) {
        Sound dry = take.atRate(Sound.WORKING_RATE_HZ);
        Sound part = LoudestPart.of(dry, PLAYED_S).cut(dry);
        if (part.durationS() < 1 || part.peak() < 1e-3)
            throw new InputFault("a take of the guitar", "it is too short or silent", "play two seconds or more");
        return part;
    }

    private static Colour colour(Tone t, Sound dry) {
        Sound played = Renderer.render(t, dry, Quality.DRAFT, Progress.NONE);
        double[] power = PassageSpectra.of(played).power(2);
        double top = 0;
        for (double p : power) top = Math.max(top, p);
        double floor = top * Math.pow(10, -DEPTH_DB / 10) + 1e-20;
        double loudness = 10 * Math.log10(PassageSpectra.weighted(power));
        double[] db = new double[power.length];
        for (int i = 0; i < db.length; i++) db[i] = 10 * Math.log10(power[i] + floor) - loudness;
        Tone tailless = t.withoutTails();
        Sound held = tailless.equals(t) ? played : Renderer.render(tailless, dry, Quality.DRAFT, Progress.NONE);
        return new Colour(db, Driven.of(dry, held));
    }
}
