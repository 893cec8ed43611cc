package verisonus.core.simulate;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Voice;
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
import verisonus.core.simulate.stages.RaisedRate;
import verisonus.core.sound.Sound;

/**
 * Turns blocks in a row into processors. Neighbouring nonlinear stages run together at one raised rate, and neighbouring response
 * curves become one convolution.
 */
final class LineBuilder {
    private static final double RATE_HZ = Sound.WORKING_RATE_HZ;

    private final Quality quality;
    private final RaisedRate raised;
    private final List<Chain.Run> runs = new ArrayList<>();
    private final List<NonlinearStage> stages = new ArrayList<>();
    private final List<DoubleUnaryOperator> curves = new ArrayList<>();
    private boolean wide;
    private int latency;

    /** @param wide whether two unlike sides come in */
    LineBuilder(Quality quality, boolean wide) {
        this.quality = quality;
        this.raised = RaisedRate.of(quality);
        this.wide = wide;
    }

    /** @param loop blocks between an amp's first stages and its power stage; of no meaning for others */
    void add(Block b, List<Block> loop) {
        if (!b.on()) return;
        switch (b.model().voice()) {
            case Voice.Drive voice -> stage(DriveStage.of(b, voice, raised));
            case Voice.Amp voice -> amp(b, voice, loop);
            case Voice.Learnt voice -> learnt(b, voice, loop);
            case Voice.Filter voice -> filter(b, voice);
            case Voice.Input _ -> input(b);
            case Voice.Guitar _ -> guitar(b);
            case Voice.Cabinet voice -> cabinet(b, voice);
            case Voice.Microphone _ -> microphone(b);
            case Voice.Gate _ -> add(new Gate(b, RATE_HZ));
            case Voice.Compressor _ -> add(new Compressor(b, RATE_HZ));
            case Voice.Equalizer _ ->
                add(new FilterBank(EqualizerCurve.filters(b, RATE_HZ), Math.pow(10, b.get(ControlNames.LEVEL) / 20)));
            case Voice.Phaser _ -> add(new Phaser(b, RATE_HZ));
            case Voice.Rotary _ -> add(new Rotary(b, RATE_HZ));
            case Voice.Tremolo voice -> add(new Tremolo(b, voice, RATE_HZ));
            case Voice.MovingDelay voice -> add(new MovingDelay(b, voice, RATE_HZ));
            case Voice.Echo _ -> add(new EchoLine(b, RATE_HZ));
            case Voice.Spring _ -> add(new SpringReverb(b, RATE_HZ));
            case Voice.Space voice -> add(new SpaceReverb(b, voice, RATE_HZ));
            case Voice.Looper _ -> add(new Looper(b, RATE_HZ));
            case Voice.Utility voice -> utility(b, voice);
        }
    }

    /** An amp's curve stands among all that follows its last clipper; a drive has nothing else there. */
    private void learnt(Block b, Voice.Learnt voice, List<Block> loop) {
        if (voice.base() instanceof Voice.Drive drive) {
            stage(DriveStage.of(b, drive, raised));
            curve(voice::afterDb);
        } else {
            amp(b, Voice.Amp.of(voice), loop);
        }
    }

    private void utility(Block b, Voice.Utility voice) {
        switch (voice) {
            case VOLUME -> add(new VolumePan(b.get(ControlNames.LEVEL), b.get(ControlNames.PAN)));
            case DOUBLER -> throw new IllegalArgumentException("a doubler stands in front of the line, not in it");
        }
    }

    private void filter(Block b, Voice.Filter voice) {
        switch (voice) {
            case OCTAVE -> {
                if (b.get(ControlNames.ABOVE) > 0 || b.get(ControlNames.BELOW) > 0 || b.get(ControlNames.DRY) < 100)
                    stage(new OctaveStage(b, raised));
            }
            case PEDAL, ENVELOPE -> add(new SweptFilter(b, RATE_HZ));
        }
    }

    private void amp(Block b, Voice.Amp voice, List<Block> loop) {
        Preamp.Voicing voicing = Preamp.Voicing.of(voice);
        stage(new Preamp(b, voicing, raised));
        for (Block l : loop) add(l, List.of());
        stage(new PowerStage(b, voicing.powerBias, raised));
        // Where it is flat nothing runs: the search renders hundreds of tones with it so.
        if (!LoudspeakerCurve.isFlatAfterClipping(b)) curve(hz -> LoudspeakerCurve.ampDb(b, hz));
    }

    private void input(Block b) {
        if (b.get(ControlNames.IMPEDANCE) != 1000) {
            curve(hz -> GuitarCurve.inputDb(b, hz));
        } else if (b.get(ControlNames.LEVEL) != 0 || b.get(ControlNames.PAD) > 0.5) {
            add(new VolumePan(b.get(ControlNames.LEVEL) - (b.get(ControlNames.PAD) > 0.5 ? 12 : 0), 0));
        }
    }

    private void guitar(Block b) {
        boolean open = b.get(ControlNames.VOLUME) == 10 && b.get(ControlNames.TONE) == 10
                && b.get(ControlNames.CABLE) == 500;
        if (!open) {
            curve(hz -> GuitarCurve.guitarDb(b, hz));
        } else if (b.get(ControlNames.PICKUP_OUTPUT) != 0) {
            add(new VolumePan(b.get(ControlNames.PICKUP_OUTPUT), 0));
        }
    }

    private void cabinet(Block b, Voice.Cabinet voice) {
        if (voice == Voice.Cabinet.IMPULSE_RESPONSE) {
            if (b.impulse().isPresent()) add(new MeasuredCabinet(b, RATE_HZ));
            if (b.get(ControlNames.LOW_CUT) <= 20 && b.get(ControlNames.HIGH_CUT) >= 20000
                    && b.get(ControlNames.LEVEL) == 0)
                return;
        }
        curve(hz -> LoudspeakerCurve.cabinetDb(b, hz));
    }

    private void microphone(Block b) {
        curve(hz -> LoudspeakerCurve.microphoneDb(b, hz) + b.get(ControlNames.LEVEL));
        if (b.get(ControlNames.PHASE) > 0.5) add(new Turned());
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
        return b.on() && b.model().voice() == Voice.Utility.DOUBLER;
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
