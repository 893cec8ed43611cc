package verisonus.core.simulate;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Convolution;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/**
 * What stands behind the last clipper of a tone and only filters (cabinet, microphone, equalizer) as one impulse response, for a device
 * that loads such responses. What an amp does behind its own power stage stays with the amp.
 *
 * @param impulse from the first sample that sounds, at {@value Sound#WORKING_RATE_HZ} Hz
 * @param blocks what it stands for, by name
 * @param nullDb what is left when noise through those blocks and through the response are taken from each other, against the former
 */
public record LinearResponse(float[] impulse, List<String> blocks, double nullDb) {
    private static final int RATE_HZ = Sound.WORKING_RATE_HZ;
    private static final double LONGEST_S = 0.5;
    private static final double FADE_S = 0.005;
    /** What rings softer than this under the whole is left out. */
    private static final double LEFT_OUT_DB = -80;
    private static final double PULSE = 0.1;
    private static final double NOISE = 0.05;
    private static final int PROBE = 2 * RATE_HZ;
    private static final int BLOCK = 1024;

    /** Empty where nothing behind the last clipper only filters, or where ways run beside each other: no one response stands for both. */
    public static Optional<LinearResponse> of(Tone tone) {
        if (!tone.routing().branches().isEmpty()) return Optional.empty();
        List<Block> on = tone.main().stream().filter(Block::on).toList();
        int behind = 0;
        for (int i = 0; i < on.size(); i++) if (clips(on.get(i).model().kind())) behind = i + 1;
        List<Block> blocks = on.stream().skip(behind).filter(b -> filters(b.model().kind())).toList();
        if (blocks.isEmpty()) return Optional.empty();
        Tone part = new Tone("part", blocks);
        float[] pulse = new float[RATE_HZ];
        pulse[0] = (float) PULSE;
        float[] h = played(part, pulse);
        for (int i = 0; i < h.length; i++) h[i] /= (float) PULSE;
        float[] cut = cut(h);
        SplittableRandom random = new SplittableRandom(1);
        float[] noise = new float[PROBE];
        for (int i = 0; i < noise.length; i++) noise[i] = (float) (NOISE * (2 * random.nextDouble() - 1));
        float[] wanted = played(part, noise);
        float[] got = through(cut, noise);
        double error = 0;
        double all = 1e-20;
        for (int i = 0; i < wanted.length; i++) {
            error += Math.pow(wanted[i] - got[i], 2);
            all += Math.pow(wanted[i], 2);
        }
        return Optional.of(new LinearResponse(cut, blocks.stream().map(b -> b.model().name()).toList(),
                10 * Math.log10(error / all + 1e-20)));
    }

    /** What stands before one of these sounds otherwise behind it. */
    private static boolean clips(GearKind kind) {
        return kind == GearKind.AMP || kind == GearKind.DRIVE || kind == GearKind.COMPRESSOR || kind == GearKind.GATE;
    }

    private static boolean filters(GearKind kind) {
        return kind == GearKind.CABINET || kind == GearKind.MICROPHONE || kind == GearKind.EQUALIZER;
    }

    private static float[] played(Tone tone, float[] x) {
        return Arrays.copyOf(Renderer.render(tone, Sound.mono(x, RATE_HZ), Quality.FINAL, Progress.NONE).mid(),
                x.length);
    }

    private static float[] through(float[] response, float[] x) {
        Convolution filter = new Convolution(response, BLOCK);
        float[] out = Arrays.copyOf(x, x.length + BLOCK);
        filter.process(out, 0, out.length);
        return Arrays.copyOfRange(out, BLOCK, out.length);
    }

    private static float[] cut(float[] h) {
        int most = (int) (LONGEST_S * RATE_HZ);
        double all = 0;
        for (float v : h) all += (double) v * v;
        double left = 0;
        int end = h.length;
        while (end > 1 && left + (double) h[end - 1] * h[end - 1] < all * Math.pow(10, LEFT_OUT_DB / 10)) {
            left += (double) h[end - 1] * h[end - 1];
            end--;
        }
        int fade = (int) (FADE_S * RATE_HZ);
        float[] out = Arrays.copyOf(h, Math.min(most, end + fade));
        for (int i = 0; i < fade && i < out.length; i++) out[out.length - 1 - i] *= (float) i / fade;
        return out;
    }

    /** At another rate: as loud when a sound of that rate goes through it. */
    public Sound at(int rateHz) {
        Sound here = Sound.mono(impulse, RATE_HZ);
        if (rateHz == RATE_HZ) return here;
        return here.atRate(rateHz).gained(20 * Math.log10((double) RATE_HZ / rateHz));
    }
}
