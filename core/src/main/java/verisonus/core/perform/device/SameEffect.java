package verisonus.core.perform.device;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.compare.Driven;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.travel.PassageSpectra;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;

/**
 * Two blocks of a tone that do the same to it, by what is measured when each is taken out.
 *
 * @param first id
 * @param second id
 * @param words what both do
 * @param likeness of what they do to the colour, −1 to 1; 1 where it is the dynamics
 */
public record SameEffect(String first, String second, String words, double likeness) {
    private static final double PLAYED_S = 6;
    private static final double ALIKE = 0.85;
    private static final double AUDIBLE_DB = 1.2;
    private static final double HELD_BACK = 0.06;
    private static final double SMALL = 1e-20;

    /** What taking a block out changes. */
    private record Effect(Block block, double[] colourDb, double heldBack) {
        double rms() {
            double sum = 0;
            for (double v : colourDb) sum += v * v;
            return Math.sqrt(sum / colourDb.length);
        }
    }

    /** All pairs, the most alike first. */
    public static List<SameEffect> in(Tone tone, Sound phrase) {
        Sound dry = phrase.atRate(Sound.WORKING_RATE_HZ);
        Sound part = LoudestPart.of(dry, PLAYED_S).cut(dry);
        Sound whole = played(tone, part);
        List<Effect> effects = new ArrayList<>();
        for (Block b : tone.blocks()) {
            if (!b.on()) continue;
            Sound without = played(tone.with(b.switched(false)), part);
            effects.add(new Effect(b, colour(without, whole), Driven.of(part, whole) - Driven.of(part, without)));
        }
        List<SameEffect> out = new ArrayList<>();
        for (int i = 0; i < effects.size(); i++)
            for (int k = i + 1; k < effects.size(); k++) pair(effects.get(i), effects.get(k), out);
        out.sort((a, b) -> Double.compare(b.likeness, a.likeness));
        return out;
    }

    private static void pair(Effect a, Effect b, List<SameEffect> out) {
        double like = cosine(a.colourDb, b.colourDb);
        if (a.rms() > AUDIBLE_DB && b.rms() > AUDIBLE_DB && like > ALIKE)
            out.add(new SameEffect(a.block.id(), b.block.id(),
                    Figures.of("both change the same bands (%.1f and %.1f dB): one of them would do", a.rms(), b.rms()),
                    like));
        if (a.heldBack > HELD_BACK && b.heldBack > HELD_BACK && holds(a.block) && holds(b.block))
            out.add(new SameEffect(a.block.id(), b.block.id(),
                    Figures.of("both hold the playing back (by %.2f and %.2f): what is won at one is lost at the other",
                            a.heldBack, b.heldBack),
                    1));
    }

    /** Repeats fill the gaps and seem to hold back; what does it lies before the loudspeaker. */
    private static boolean holds(Block b) {
        return switch (b.model().kind()) {
            case GATE, COMPRESSOR, DRIVE, AMP -> true;
            default -> false;
        };
    }

    private static Sound played(Tone t, Sound dry) {
        return Renderer.render(t, dry, Quality.SEARCH, Progress.NONE);
    }

    /** Third octaves of the second against the first, loudness taken out. */
    private static double[] colour(Sound first, Sound second) {
        double[] a = PassageSpectra.of(first).power(2);
        double[] b = PassageSpectra.of(second).power(2);
        double loudness = 10 * Math.log10(PassageSpectra.weighted(b) / PassageSpectra.weighted(a));
        double top = 0;
        for (double v : a) top = Math.max(top, v);
        double[] out = new double[a.length];
        for (int i = 0; i < out.length; i++) {
            double floor = top * 1e-4 + SMALL;
            out[i] = 10 * Math.log10((b[i] * Math.pow(10, -loudness / 10) + floor) / (a[i] + floor));
        }
        return out;
    }

    private static double cosine(double[] a, double[] b) {
        double ab = 0;
        double aa = SMALL;
        double bb = SMALL;
        for (int i = 0; i < a.length; i++) {
            ab += a[i] * b[i];
            aa += a[i] * a[i];
            bb += b[i] * b[i];
        }
        return ab / Math.sqrt(aa * bb);
    }
}
