package verisonus.desktop.record;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import verisonus.core.capture.LoopbackLatency;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;
import verisonus.desktop.player.SoundOutput;

/**
 * Records takes along with a looped passage: a count-in, the passage as often as takes are wanted, each take cut to the passage
 * with the card's latency taken out. Runs on the caller's thread at the pace of the card; a cancel keeps the takes so far.
 */
public final class Recorder {
    private static final int BLOCK = 512;
    private static final int COUNT = 4;
    private static final double CLICK_S = 0.03;
    private static final double LATENCY_LISTEN_S = 1;

    private final SoundOutput output;
    private final SoundInput input;
    private final int rateHz;

    /**
     * What is played along to.
     *
     * @param passage heard while recording
     * @param bpm of the count-in
     * @param takes how many in a row
     * @param latencyFrames of the card, out and in together
     * @param first an earlier take, heard on the other side while its double is played
     */
    public record Plan(Sound passage, double bpm, int takes, int latencyFrames, Optional<Sound> first) {
        public Plan {
            if (takes < 1 || takes > 20) throw new IllegalArgumentException(takes + " takes");
            if (!(bpm >= 30 && bpm <= 300)) throw new IllegalArgumentException(bpm + " BPM");
        }
    }

    public Recorder(SoundOutput output, SoundInput input, int rateHz) {
        this.output = output;
        this.input = input;
        this.rateHz = rateHz;
    }

    /** Some seconds of the input, with silence going out. */
    public Sound listen(double seconds, Progress progress) {
        input.begin(0);
        return Sound.mono(run(new float[2][(int) (seconds * rateHz)], progress, "listening"), rateHz);
    }

    /** Frames from output to input, where a cable joins them; empty where nothing came back. */
    public OptionalInt latency(Progress progress) {
        float[] burst = LoopbackLatency.burst(rateHz / 10);
        float[][] out = new float[2][(int) (LATENCY_LISTEN_S * rateHz)];
        for (float[] c : out) System.arraycopy(burst, 0, c, 0, burst.length);
        input.begin(0);
        return LoopbackLatency.samples(burst, run(out, progress, "sending a burst round the cable"));
    }

    /** What comes in while a signal goes out on both sides. */
    Sound along(Sound signal, Progress progress, String what) {
        float[] x = signal.atRate(rateHz).mid();
        input.begin(0);
        return Sound.mono(run(new float[][]{x, x}, progress, what), rateHz);
    }

    public List<Sound> takes(Plan plan, Progress progress) {
        int beat = (int) (60 / plan.bpm * rateHz);
        int countIn = COUNT * beat;
        int length = plan.passage.atRate(rateHz).frames();
        List<Sound> out = new ArrayList<>();
        for (int t = 0; t < plan.takes && !progress.cancelled(); t++) {
            float[][] heard = heard(plan, beat, countIn, length);
            input.begin(countIn);
            float[] all = run(heard, progress, "take " + (t + 1) + " of " + plan.takes);
            if (progress.cancelled()) break;
            int from = countIn + plan.latencyFrames;
            out.add(Sound.mono(Arrays.copyOfRange(all, from, from + length), rateHz));
        }
        return out;
    }

    private float[][] heard(Plan plan, int beat, int countIn, int length) {
        float[][] out = new float[2][countIn + length + plan.latencyFrames];
        for (int k = 0; k < COUNT; k++) {
            double hz = k == 0 ? 1760 : 1320;
            for (int i = 0; i < CLICK_S * rateHz; i++) {
                float v = (float) (0.25 * Math.sin(2 * Math.PI * hz * i / rateHz) * (1 - i / (CLICK_S * rateHz)));
                out[0][k * beat + i] += v;
                out[1][k * beat + i] += v;
            }
        }
        Sound passage = plan.passage.atRate(rateHz);
        for (int c = 0; c < 2; c++) {
            float[] x = passage.channel(Math.min(c, passage.channels().length - 1));
            for (int i = 0; i < length; i++) out[c][countIn + i] += 0.7f * x[i];
        }
        plan.first.ifPresent(f -> {
            float[] x = f.atRate(rateHz).mid();
            for (int i = 0; i < Math.min(length, x.length); i++) out[0][countIn + i] += 0.7f * x[i];
        });
        return out;
    }

    /** Sends and takes in step. */
    private float[] run(float[][] out, Progress progress, String what) {
        int n = out[0].length;
        float[] in = new float[n];
        float[] block = new float[BLOCK];
        float[] interleaved = new float[2 * BLOCK];
        for (int at = 0; at < n && !progress.cancelled(); at += BLOCK) {
            int frames = Math.min(BLOCK, n - at);
            for (int i = 0; i < frames; i++) {
                interleaved[2 * i] = out[0][at + i];
                interleaved[2 * i + 1] = out[1][at + i];
            }
            output.write(interleaved, frames);
            input.read(block, frames);
            System.arraycopy(block, 0, in, at, frames);
            progress.at((double) at / n, what);
        }
        return in;
    }
}
