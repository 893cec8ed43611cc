package verisonus.core.simulate;

import java.util.Optional;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** Plays a dry guitar recording through a tone. */
public final class Renderer {
    private Renderer() {}

    /**
     * The whole recording through the tone, as long as the recording, latency taken out; mono or stereo as the tone
     * makes it, at {@value Sound#WORKING_RATE_HZ} Hz. Two channels of a DI are mixed to one first. Same input, same output.
     */
    public static Sound render(Tone tone, Sound di, Quality quality, Progress progress) {
        return render(tone, di, Optional.empty(), quality, progress);
    }

    /**
     * The same with a second performance for a tone that doubles.
     *
     * @throws InputFault where the tone doubles and there is no second take
     */
    public static Sound render(Tone tone, Sound di, Optional<Sound> secondTake, Quality quality, Progress progress) {
        boolean doubles = tone.main().stream().anyMatch(LineBuilder::isDoubler);
        if (doubles && secondTake.isEmpty()) {
            throw new InputFault(tone.name(), "its doubler needs a second take",
                    "record one and name it, or switch the doubler off");
        }
        float[] in = di.atRate(Sound.WORKING_RATE_HZ).mid();
        float[] second = doubles ? secondTake.orElseThrow().atRate(Sound.WORKING_RATE_HZ).mid() : new float[0];
        Chain chain = new Chain(tone, quality);
        int latency = chain.latency();
        int total = in.length + latency;
        float[][] out = new float[chain.isStereo() ? 2 : 1][in.length];
        float[][] block = new float[2][Chain.BLOCK];
        for (int at = 0; at < total; at += Chain.BLOCK) {
            int n = Math.min(Chain.BLOCK, total - at);
            for (int i = 0; i < n; i++) {
                block[0][i] = at + i < in.length ? in[at + i] : 0;
                if (doubles) block[1][i] = at + i < second.length ? second[at + i] : 0;
            }
            chain.process(block, n);
            int from = Math.max(0, latency - at);

            for (int c = 0; c < out.length && from < n; c++) {
                System.arraycopy(block[c], from, out[c], at + from - latency, n - from);
            }
            if ((at / Chain.BLOCK & 63) == 0) progress.step((double) at / total, "playing through the tone");
        }
        return new Sound(out, Sound.WORKING_RATE_HZ);
    }

    /** Mono samples through a mono tone from silence, for the search: no progress, no resampling. */
    public static float[] renderMono(Tone tone, float[] in, Quality quality) {
        return render(tone, Sound.mono(in, Sound.WORKING_RATE_HZ), quality, Progress.NONE).mid();
    }
}
