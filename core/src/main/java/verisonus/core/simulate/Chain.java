package verisonus.core.simulate;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;

/**
 * A running tone at {@value Renderer#RATE_HZ} Hz. Life cycle: construct, {@link #process} blocks of at most
 * {@value #BLOCK} frames in order, {@link #reset} to begin again. The sound is mono up to the first block that makes
 * it stereo; two channels are always handed in.
 */
public final class Chain {
    /** Most frames handed in at a time. */
    public static final int BLOCK = 1024;

    private final List<Processor> processors = new ArrayList<>();
    private final List<Boolean> stereo = new ArrayList<>();

    public Chain(Tone tone, Quality quality) {
        List<NonlinearStage> pending = new ArrayList<>();
        boolean wide = false;
        double rate = Renderer.RATE_HZ;
        double raised = rate * quality.factor();
        for (Block b : tone.blocks()) {
            if (!b.on()) continue;
            switch (b.model().kind()) {
                case DRIVE -> pending.add(new OverdriveStage(b, raised));
                case AMP -> {
                    pending.add(new AmpStage(b, raised));
                    flush(pending, quality, wide);
                    // In the middle it is flat; the search renders hundreds of tones with it there.
                    if (b.get("presence") != 5)
                        add(new ImpulseFilter(hz -> LoudspeakerCurve.presenceDb(b.get("presence"), hz), rate), wide);
                }
                default -> {
                    flush(pending, quality, wide);
                    Processor p = linear(b, rate);
                    wide |= p instanceof HallReverb || p instanceof EchoLine e && e.pingPong();
                    add(p, wide);
                }
            }
        }
        flush(pending, quality, wide);
    }

    private void add(Processor p, boolean wide) {
        processors.add(p);
        stereo.add(wide);
    }

    private void flush(List<NonlinearStage> pending, Quality quality, boolean wide) {
        if (pending.isEmpty()) return;
        add(new NonlinearGroup(pending, new Oversampler(quality.factor()), BLOCK), wide);
        pending.clear();
    }

    private static Processor linear(Block b, double rate) {
        return switch (b.model().kind()) {
            case CABINET -> new ImpulseFilter(hz -> LoudspeakerCurve.cabinetDb(b, hz), rate);
            case MICROPHONE -> new ImpulseFilter(hz -> LoudspeakerCurve.microphoneDb(b, hz) + b.get("level"), rate);
            case EQUALIZER -> new FilterBank(EqualizerCurve.filters(b, rate), Math.pow(10, b.get("level") / 20));
            case MODULATION -> new Phaser(b, rate);
            case ECHO -> new EchoLine(b, rate);
            case REVERB -> new HallReverb(b, rate);
            default -> throw new IllegalArgumentException("no processor for " + b.model().name());
        };
    }

    /** Whether any block makes the sound stereo. */
    public boolean isStereo() { return stereo.contains(true); }

    /** Processes in place; on return both channels hold the output, equal where the tone is mono. */
    public void process(float[][] channels, int frames) {
        boolean split = false;
        float[][] one = {channels[0]};
        for (int i = 0; i < processors.size(); i++) {
            if (stereo.get(i) && !split) {
                System.arraycopy(channels[0], 0, channels[1], 0, frames);
                split = true;
            }
            processors.get(i).process(split ? channels : one, frames);
        }
        if (!split) System.arraycopy(channels[0], 0, channels[1], 0, frames);
    }

    public int latency() {
        return processors.stream().mapToInt(Processor::latency).sum();
    }

    public void reset() {
        processors.forEach(Processor::reset);
    }
}
