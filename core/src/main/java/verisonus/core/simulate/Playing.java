package verisonus.core.simulate;

import verisonus.core.rig.Tone;
import verisonus.core.simulate.stages.Quality;

/**
 * A tone played piece by piece, for what is too long to be held at once: the same samples as {@link Renderer} gives for the whole. A tone
 * that doubles needs two takes side by side and is rendered whole.
 */
public final class Playing {
    private final Chain chain;
    private final float[][] block = new float[2][Chain.BLOCK];
    private int late;

    public Playing(Tone tone, Quality quality) {
        chain = new Chain(tone, quality);
        late = chain.latency();
    }

    /** How many channels come out. */
    public int channels() {
        return chain.isStereo() ? 2 : 1;
    }

    /** Plays on: what comes out is as long as what went in, but for the chain's latency at the beginning. */
    public float[][] next(float[] mono) {
        int skipped = Math.min(late, mono.length);
        float[][] out = new float[channels()][mono.length - skipped];
        for (int at = 0; at < mono.length; at += Chain.BLOCK) {
            int n = Math.min(Chain.BLOCK, mono.length - at);
            System.arraycopy(mono, at, block[0], 0, n);
            chain.process(block, n);
            int from = Math.max(0, skipped - at);
            for (int c = 0; c < out.length && from < n; c++)
                System.arraycopy(block[c], from, out[c], at + from - skipped, n - from);
        }
        late -= skipped;
        return out;
    }

    /** What is still on its way: the rest that makes the whole as long as what went in. */
    public float[][] rest() {
        return next(new float[chain.latency()]);
    }
}
