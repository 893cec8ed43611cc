package verisonus.core.simulate;

import verisonus.core.fault.Progress;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;

/** Plays a dry guitar recording through a tone. */
public final class Renderer {
    /** Rate of everything that is simulated. */
    public static final int RATE_HZ = 48000;

    private Renderer() {}

    /**
     * The whole recording through the tone, as long as the recording, latency taken out; mono or stereo as the tone
     * makes it, at {@value #RATE_HZ} Hz. Two channels of a DI are mixed to one first. Same input, same output.
     */
    public static Sound render(Tone tone, Sound di, Quality quality, Progress progress) {
        float[] in = di.atRate(RATE_HZ).mid();
        Chain chain = new Chain(tone, quality);
        int latency = chain.latency();
        int total = in.length + latency;
        float[][] out = new float[chain.isStereo() ? 2 : 1][in.length];
        float[][] block = new float[2][Chain.BLOCK];
        for (int at = 0; at < total; at += Chain.BLOCK) {
            int n = Math.min(Chain.BLOCK, total - at);
            for (int i = 0; i < n; i++) block[0][i] = at + i < in.length ? in[at + i] : 0;
            chain.process(block, n);
            int from = Math.max(0, latency - at);

            for (int c = 0; c < out.length && from < n; c++) {
                System.arraycopy(block[c], from, out[c], at + from - latency, n - from);
            }
            if ((at / Chain.BLOCK & 63) == 0) progress.step((double) at / total, "playing through the tone");
        }
        return new Sound(out, RATE_HZ);
    }

    /** Mono samples through a mono tone from silence, for the search: no progress, no resampling. */
    public static float[] renderMono(Tone tone, float[] in, Quality quality) {
        return render(tone, Sound.mono(in, RATE_HZ), quality, Progress.NONE).mid();
    }
}
