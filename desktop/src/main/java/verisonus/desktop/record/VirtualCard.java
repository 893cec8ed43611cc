package verisonus.desktop.record;

import java.util.Arrays;
import java.util.SplittableRandom;
import java.util.function.IntFunction;
import verisonus.core.sound.Sound;
import verisonus.desktop.player.SoundOutput;
import verisonus.desktop.player.VirtualOutput;

/**
 * A stand-in for a sound card with a guitarist plugged in: its output runs at the pace of a real one, its input brings the
 * guitarist's playing late by the card's latency, with a little noise. With a cable from output to input it brings back what was
 * sent instead.
 */
public final class VirtualCard {
    private static final double NOISE = 2e-4;

    private final int latencyFrames;
    private final IntFunction<Sound> playing;
    private final VirtualOutput pace;
    private final boolean atOnce;
    private boolean cable;
    private float[] sent = new float[1 << 16];
    private long sentFrames;
    private int take;

    /**
     * @param latencyFrames from output to input, both ways together
     * @param playing what the guitarist plays in take 0, 1, …
     * @param atOnce runs as fast as it can, for tests
     */
    public VirtualCard(int rateHz, int latencyFrames, IntFunction<Sound> playing, boolean atOnce) {
        this.latencyFrames = latencyFrames;
        this.playing = playing;
        this.atOnce = atOnce;
        pace = new VirtualOutput(rateHz);
    }

    /** Joins output and input by a cable, or takes it away. */
    public void plugCable(boolean in) {
        cable = in;
    }

    public SoundOutput output() {
        return new SoundOutput() {
            @Override
            public String name() {
                return "virtual card";
            }

            @Override
            public void write(float[] interleaved, int frames) {
                for (int i = 0; i < frames; i++) {
                    sent[(int) (sentFrames++ & sent.length - 1)] = 0.5f * (interleaved[2 * i] + interleaved[2 * i + 1]);
                }
                if (!atOnce) pace.write(interleaved, frames);
            }

            @Override
            public void close() {
                pace.close();
            }
        };
    }

    public SoundInput input() {
        return new SoundInput() {
            private float[] phrase = new float[0];
            private int at;
            private final SplittableRandom random = new SplittableRandom(3);

            @Override
            public String name() {
                return "simulated guitarist";
            }

            @Override
            public void begin(int countInFrames) {
                float[] played = playing.apply(take++).mid();
                phrase = new float[countInFrames + latencyFrames + played.length];
                System.arraycopy(played, 0, phrase, countInFrames + latencyFrames, played.length);
                at = 0;
                Arrays.fill(sent, 0);
                sentFrames = 0;
            }

            @Override
            public void read(float[] mono, int frames) {
                for (int i = 0; i < frames; i++, at++) {
                    float noise = (float) (NOISE * (2 * random.nextDouble() - 1));
                    float back = at >= latencyFrames ? sent[at - latencyFrames & sent.length - 1] : 0;
                    mono[i] = noise + (cable ? back : at < phrase.length ? phrase[at] : 0);
                }
            }

            @Override
            public void close() {
                at = 0;
            }
        };
    }
}
