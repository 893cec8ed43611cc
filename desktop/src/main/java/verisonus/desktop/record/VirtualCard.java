package verisonus.desktop.record;

import java.util.Arrays;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.IntFunction;
import verisonus.core.sound.Convolution;
import verisonus.core.sound.Sound;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.SystemSound;
import verisonus.core.work.Progress;
import verisonus.desktop.player.SoundOutput;
import verisonus.desktop.player.VirtualOutput;

/**
 * A stand-in for a sound card with a guitarist plugged in: its output runs at the pace of a real one, its input brings the
 * guitarist's playing late by the card's latency, with a little noise. With a cable from output to input it brings back what was
 * sent instead, and before a loudspeaker what that makes of it.
 */
public final class VirtualCard {
    private static final double NOISE = 2e-4;

    private static final PlaybackSystem STAND_IN = PlaybackSystem.find("monitors").orElseThrow();

    private final int latencyFrames;
    private Optional<Convolution> loudspeaker = Optional.empty();
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

    /** Plays what is sent over a simulated loudspeaker in a room, with a microphone before it. */
    public void holdBeforeLoudspeaker() {
        PlaybackSystem s = STAND_IN;
        PlaybackSystem unhindered = new PlaybackSystem(s.id(), s.name(), s.curve(), Optional.empty(), s.room(), 1,
                false,
                s.levelDbSpl(), "");
        float[] click = new float[(int) (0.6 * Sound.WORKING_RATE_HZ)];
        click[0] = 1;
        Sound answer = new SystemSound(unhindered, s.levelDbSpl()).of(Sound.mono(click, Sound.WORKING_RATE_HZ),
                Progress.NONE);
        loudspeaker = Optional.of(new Convolution(answer.channel(0), 1024));
        cable = true;
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
                float[] out = new float[frames];
                for (int i = 0; i < frames; i++) out[i] = 0.5f * (interleaved[2 * i] + interleaved[2 * i + 1]);
                loudspeaker.ifPresent(l -> l.process(out, 0, frames));
                for (float v : out) sent[(int) (sentFrames++ & sent.length - 1)] = v;
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
                loudspeaker.ifPresent(Convolution::reset);
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
