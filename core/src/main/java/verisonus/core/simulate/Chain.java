package verisonus.core.simulate;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.Branch;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.parts.Lag;
import verisonus.core.simulate.parts.Processor;
import verisonus.core.simulate.parts.VolumePan;
import verisonus.core.simulate.stages.Quality;

/**
 * A running tone at {@value Sound#WORKING_RATE_HZ} Hz: the main way with its effects loop, and branches that leave it and come back
 * in step with it. Life cycle: construct, {@link #process} blocks of at most {@value #BLOCK} frames in order, {@link #reset} to
 * begin again. The sound is mono up to the first block that makes it stereo; two channels are always handed in. A tone that
 * doubles takes the second performance on the second channel.
 */
public final class Chain {
    /** Most frames handed in at a time. */
    public static final int BLOCK = 1024;

    /** A processor that runs on both sides, or on one while both are alike. */
    record Run(Processor processor, boolean stereo) {}

    /** A branch: its own processors, its buffer, and where main and branch wait for each other. */
    private static final class Side {
        private final Branch branch;
        private final float[][] buffer = new float[2][BLOCK];
        private List<Run> runs = List.of();
        private boolean comesBackWide;
        private int latency;

        Side(Branch branch) {
            this.branch = branch;
        }
    }

    /** One thing to do: run a processor, send to a side, or take a side back. Exactly one is there. */
    private record Step(List<Run> runs, List<Side> leaves, List<Side> returns) {}

    private final List<Step> steps = new ArrayList<>();
    private final int latency;
    private final boolean stereo;
    private final boolean doubles;

    public Chain(Tone tone, Quality quality) {
        List<Block> main = tone.main();
        List<Side> sides = tone.routing().branches().stream().map(Side::new).toList();
        List<Block> loop = tone.routing().loop().stream().map(id -> tone.find(id).orElseThrow()).toList();
        int doubler = indexOfDoubler(main);
        doubles = doubler >= 0;
        LineBuilder line = new LineBuilder(quality, false);
        if (doubles) {
            DoubledFront front = new DoubledFront(main.subList(0, doubler), loop, main.get(doubler), quality);
            line.add(front);
            line.widen();
            steps.add(new Step(line.taken(), List.of(), List.of()));
        }
        leave(Branch.INPUT, sides, line, tone, quality);
        boolean amp = doubles && main.subList(0, doubler).stream().anyMatch(b -> b.model().kind() == GearKind.AMP);
        for (Block b : main.subList(doubler + 1, main.size())) {
            comeBack(b.id(), sides, line);
            boolean holdsLoop = !amp && b.model().kind() == GearKind.AMP;
            line.add(b, holdsLoop ? loop : List.of());
            amp |= holdsLoop;
            leave(b.id(), sides, line, tone, quality);
        }
        comeBack(Branch.OUTPUT, sides, line);
        steps.add(new Step(line.taken(), List.of(), List.of()));
        latency = line.latency();
        stereo = line.isWide();
    }

    private static int indexOfDoubler(List<Block> main) {
        for (int i = 0; i < main.size(); i++) if (LineBuilder.isDoubler(main.get(i))) return i;
        return -1;
    }

    private void leave(String after, List<Side> sides, LineBuilder line, Tone tone, Quality quality) {
        for (Side s : sides) {
            if (!s.branch.after().equals(after)) continue;
            steps.add(new Step(line.taken(), List.of(), List.of()));
            LineBuilder own = new LineBuilder(quality, line.isWide());
            for (String id : s.branch.blocks()) own.add(tone.find(id).orElseThrow(), List.of());
            own.add(new VolumePan(s.branch.levelDb(), s.branch.pan()));
            s.runs = own.taken();
            s.comesBackWide = own.isWide();
            s.latency = line.latency() + own.latency();
            steps.add(new Step(List.of(), List.of(s), List.of()));
        }
    }

    private void comeBack(String before, List<Side> sides, LineBuilder line) {
        for (Side s : sides) {
            if (!s.branch.before().equals(before)) continue;
            line.flush();
            int behind = s.latency - line.latency();
            if (behind > 0) line.add(new Lag(behind));
            if (behind < 0) {
                List<Run> later = new ArrayList<>(s.runs);
                later.add(new Run(new Lag(-behind), s.comesBackWide));
                s.runs = later;
            }
            steps.add(new Step(line.taken(), List.of(), List.of()));
            if (s.comesBackWide) line.widen();
            steps.add(new Step(List.of(), List.of(), List.of(s)));
        }
    }

    /** Whether any block makes the sound stereo. */
    public boolean isStereo() { return stereo; }

    /** Processes in place; on return both channels hold the output, equal where the tone is mono. */
    public void process(float[][] channels, int frames) {
        boolean split = doubles;
        for (Step step : steps) {
            split = run(step.runs, channels, frames, split);
            for (Side s : step.leaves) {
                System.arraycopy(channels[0], 0, s.buffer[0], 0, frames);
                if (split) System.arraycopy(channels[1], 0, s.buffer[1], 0, frames);
            }
            for (Side s : step.leaves) s.comesBackWide = run(s.runs, s.buffer, frames, split) | s.comesBackWide;
            for (Side s : step.returns) {
                if (s.comesBackWide && !split) {
                    System.arraycopy(channels[0], 0, channels[1], 0, frames);
                    split = true;
                }
                float sign = s.branch.turned() ? -1 : 1;
                for (int i = 0; i < frames; i++) {
                    channels[0][i] += sign * s.buffer[0][i];
                    if (split) channels[1][i] += sign * s.buffer[s.comesBackWide ? 1 : 0][i];
                }
            }
        }
        if (!split) System.arraycopy(channels[0], 0, channels[1], 0, frames);
    }

    /** Runs processors on one side while both are alike, on two from the first that needs two; says which it was at the end. */
    static boolean run(List<Run> runs, float[][] channels, int frames, boolean alreadySplit) {
        boolean split = alreadySplit;
        float[][] one = {channels[0]};
        for (Run r : runs) {
            if (r.stereo && !split) {
                System.arraycopy(channels[0], 0, channels[1], 0, frames);
                split = true;
            }
            r.processor.process(split ? channels : one, frames);
        }
        return split;
    }

    public int latency() {
        return latency;
    }

    public void reset() {
        for (Step step : steps) {
            for (Run r : step.runs) r.processor.reset();
            for (Side s : step.leaves) for (Run r : s.runs) r.processor.reset();
        }
    }
}
