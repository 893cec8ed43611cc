package verisonus.core.simulate;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import verisonus.core.rig.Block;
import verisonus.core.rig.Kind;
import verisonus.core.simulate.loudspeaker.LoudspeakerCurve;
import verisonus.core.simulate.loudspeaker.MeasuredCabinet;
import verisonus.core.simulate.movements.MovingDelay;
import verisonus.core.simulate.movements.Phaser;
import verisonus.core.simulate.movements.Rotary;
import verisonus.core.simulate.movements.SweptFilter;
import verisonus.core.simulate.movements.Tremolo;
import verisonus.core.simulate.parts.FilterBank;
import verisonus.core.simulate.parts.ImpulseFilter;
import verisonus.core.simulate.parts.Processor;
import verisonus.core.simulate.parts.VolumePan;
import verisonus.core.simulate.spaces.EchoLine;
import verisonus.core.simulate.spaces.SpaceReverb;
import verisonus.core.simulate.spaces.SpringReverb;
import verisonus.core.simulate.stages.DriveStage;
import verisonus.core.simulate.stages.NonlinearGroup;
import verisonus.core.simulate.stages.NonlinearStage;
import verisonus.core.simulate.stages.OctaveStage;
import verisonus.core.simulate.stages.Oversampler;
import verisonus.core.simulate.stages.PowerStage;
import verisonus.core.simulate.stages.Preamp;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.simulate.stages.Raised;
import verisonus.core.sound.Sound;

/**
 * Turns blocks in a row into processors. Neighbouring nonlinear stages run together at one raised rate, and neighbouring response
 * curves become one convolution.
 */
final class LineBuilder {
    private static final double RATE_HZ = Sound.WORKING_RATE_HZ;

    private final Quality quality;
    private final Raised raised;
    private final List<Chain.Run> runs = new ArrayList<>();
    private final List<NonlinearStage> stages = new ArrayList<>();
    private final List<DoubleUnaryOperator> curves = new ArrayList<>();
    private boolean wide;
    private int latency;

    /** @param wide whether two unlike sides come in */
    LineBuilder(Quality quality, boolean wide) {
        this.quality = quality;
        this.raised = Raised.of(quality);
        this.wide = wide;
    }

    /** @param loop blocks between an amp's first stages and its power stage; of no meaning for others */
    void add(Block b, List<Block> loop) {
        if (!b.on()) return;
        switch (b.model().kind()) {
            case DRIVE -> stage(DriveStage.of(b, raised));
            case AMP -> amp(b, loop);
            case FILTER -> {
                if (b.model().name().equals("octave")) {
                    if (b.get("above") > 0 || b.get("below") > 0 || b.get("dry") < 100)
                        stage(new OctaveStage(b, raised));
                } else {
                    add(new SweptFilter(b, RATE_HZ));
                }
            }
            case INPUT -> input(b);
            case GUITAR -> guitar(b);
            case CABINET -> cabinet(b);
            case MICROPHONE -> microphone(b);
            default -> add(linear(b));
        }
    }

    private void amp(Block b, List<Block> loop) {
        stage(new Preamp(b, raised));
        for (Block l : loop) add(l, List.of());
        stage(new PowerStage(b, Preamp.Voicing.of(b.model().name()).powerBias, raised));
        // Where it is flat nothing runs: the search renders hundreds of tones with it so.
        if (!LoudspeakerCurve.isFlatAfterClipping(b)) curve(hz -> LoudspeakerCurve.ampDb(b, hz));
    }

    private void input(Block b) {
        if (b.get("impedance") != 1000) {
            curve(hz -> GuitarCurve.inputDb(b, hz));
        } else if (b.get("level") != 0 || b.get("pad") > 0.5) {
            add(new VolumePan(b.get("level") - (b.get("pad") > 0.5 ? 12 : 0), 0));
        }
    }

    private void guitar(Block b) {
        boolean open = b.get("volume") == 10 && b.get("tone") == 10 && b.get("cable") == 500;
        if (!open) {
            curve(hz -> GuitarCurve.guitarDb(b, hz));
        } else if (b.get("pickup output") != 0) {
            add(new VolumePan(b.get("pickup output"), 0));
        }
    }

    private void cabinet(Block b) {
        if (b.model().name().equals("impulse response")) {
            if (b.impulse().isPresent()) add(new MeasuredCabinet(b, RATE_HZ));
            if (b.get("low cut") <= 20 && b.get("high cut") >= 20000 && b.get("level") == 0) return;
        }
        curve(hz -> LoudspeakerCurve.cabinetDb(b, hz));
    }

    private void microphone(Block b) {
        curve(hz -> LoudspeakerCurve.microphoneDb(b, hz) + b.get("level"));
        if (b.get("phase") > 0.5) add(new Turned());
    }

    private static Processor linear(Block b) {
        return switch (b.model().kind()) {
            case GATE -> new Gate(b, RATE_HZ);
            case COMPRESSOR -> new Compressor(b, RATE_HZ);
            case EQUALIZER -> new FilterBank(EqualizerCurve.filters(b, RATE_HZ), Math.pow(10, b.get("level") / 20));
            case MODULATION -> switch (b.model().name()) {
                case "four-stage phaser" -> new Phaser(b, RATE_HZ);
                case "rotary" -> new Rotary(b, RATE_HZ);
                case "bias tremolo", "optical tremolo", "harmonic tremolo" -> new Tremolo(b, RATE_HZ);
                default -> new MovingDelay(b, RATE_HZ);
            };
            case ECHO -> new EchoLine(b, RATE_HZ);
            case REVERB -> b.model().name().equals("spring")
                    ? new SpringReverb(b, RATE_HZ)
                    : new SpaceReverb(b, RATE_HZ);
            case LOOPER -> new Looper(b, RATE_HZ);
            case UTILITY -> new VolumePan(b.get("level"), b.get("pan"));
            default -> throw new IllegalArgumentException("no processor for " + b.model().name());
        };
    }

    private void stage(NonlinearStage s) {
        flushCurves();
        stages.add(s);
    }

    private void curve(DoubleUnaryOperator db) {
        flushStages();
        curves.add(db);
    }

    void add(Processor p) {
        flush();
        append(p);
    }

    private void append(Processor p) {
        wide |= p.widens();
        latency += p.latency();
        runs.add(new Chain.Run(p, wide));
    }

    /** Makes what is pending run, so that something may be taken off or added here. */
    void flush() {
        flushStages();
        flushCurves();
    }

    private void flushStages() {
        if (stages.isEmpty()) return;
        append(new NonlinearGroup(stages, new Oversampler(quality.factor()), Chain.BLOCK));
        stages.clear();
    }

    private void flushCurves() {
        if (curves.isEmpty()) return;
        List<DoubleUnaryOperator> all = List.copyOf(curves);
        append(new ImpulseFilter(hz -> all.stream().mapToDouble(c -> c.applyAsDouble(hz)).sum(), RATE_HZ));
        curves.clear();
    }

    /** What has been built since the last call. */
    List<Chain.Run> taken() {
        flush();
        List<Chain.Run> out = List.copyOf(runs);
        runs.clear();
        return out;
    }

    int latency() {
        return latency;
    }

    boolean isWide() { return wide; }

    void widen() {
        wide = true;
    }

    static boolean isDoubler(Block b) {
        return b.on() && b.model().kind() == Kind.UTILITY && b.model().name().equals("doubler");
    }

    /** The phase turned. */
    private static final class Turned implements Processor {
        @Override
        public void process(float[][] channels, int frames) {
            for (float[] c : channels) for (int i = 0; i < frames; i++) c[i] = -c[i];
        }

        @Override
        public void reset() {
            // It remembers nothing.
        }
    }
}
