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

    /** Processors in a row, with what they need to run on one side alone: nothing is made anew while a sound plays. */
    static final class Line {
        private final Run[] runs;
        private final float[][] one = new float[1][];

        Line(List<Run> runs) {
            this.runs = runs.toArray(Run[]::new);
        }

        /** Runs on one side while both are alike, on two from the first that needs two. @return which it was at the end */
        boolean run(float[][] channels, int frames, boolean alreadySplit) {
            boolean split = alreadySplit;
            one[0] = channels[0];
            for (int r = 0; r < runs.length; r++) {
                if (runs[r].stereo && !split) {
                    System.arraycopy(channels[0], 0, channels[1], 0, frames);
                    split = true;
                }
                runs[r].processor.process(split ? channels : one, frames);
            }
            return split;
        }

        void reset() {
            for (Run r : runs) r.processor.reset();
        }
    }

    /** A branch: its own processors, its buffer, and where main and branch wait for each other. */
    private static final class Side {
        private final Branch branch;
        private final float[][] buffer = new float[2][BLOCK];
        private Line line = new Line(List.of());
        private List<Run> runs = List.of();
        private boolean comesBackWide;
        private int latency;

        Side(Branch branch) {
            this.branch = branch;
        }
    }

    /** One thing to do. */
    private sealed interface Step {
        /** Run processors. */
        record Through(Line line) implements Step {}

        /** Send to a side. */
        record Leave(Side side) implements Step {}

        /** Take a side back. */
        record Return(Side side) implements Step {}
    }

    private final Step[] steps;
    private final int latency;
    private final boolean stereo;
    private final boolean doubles;

    public Chain(Tone tone, Quality quality) {
        List<Step> made = new ArrayList<>();
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
            made.add(through(line));
        }
        leave(Branch.INPUT, sides, made, line, tone, quality);
        boolean amp = doubles && main.subList(0, doubler).stream().anyMatch(b -> b.model().kind() == GearKind.AMP);
        for (Block b : main.subList(doubler + 1, main.size())) {
            comeBack(b.id(), sides, made, line);
            boolean holdsLoop = !amp && b.model().kind() == GearKind.AMP;
            line.add(b, holdsLoop ? loop : List.of());
            amp |= holdsLoop;
            leave(b.id(), sides, made, line, tone, quality);
        }
        comeBack(Branch.OUTPUT, sides, made, line);
        made.add(through(line));
        for (Side s : sides) s.line = new Line(s.runs);
        steps = made.toArray(Step[]::new);
        latency = line.latency();
        stereo = line.isWide();
    }

    private static int indexOfDoubler(List<Block> main) {
        for (int i = 0; i < main.size(); i++) if (LineBuilder.isDoubler(main.get(i))) return i;
        return -1;
    }

    private static Step through(LineBuilder line) {
        return new Step.Through(new Line(line.taken()));
    }

    private static void leave(String after, List<Side> sides, List<Step> made, LineBuilder line, Tone tone,
            Quality quality) {
        for (Side s : sides) {
            if (!s.branch.after().equals(after)) continue;
            made.add(through(line));
            LineBuilder own = new LineBuilder(quality, line.isWide());
            for (String id : s.branch.blocks()) own.add(tone.find(id).orElseThrow(), List.of());
            own.add(new VolumePan(s.branch.levelDb(), s.branch.pan()));
            s.runs = own.taken();
            s.comesBackWide = own.isWide();
            s.latency = line.latency() + own.latency();
            made.add(new Step.Leave(s));
        }
    }

    private static void comeBack(String before, List<Side> sides, List<Step> made, LineBuilder line) {
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
            made.add(through(line));
            if (s.comesBackWide) line.widen();
            made.add(new Step.Return(s));
        }
    }

    /** Whether any block makes the sound stereo. */
    public boolean isStereo() { return stereo; }

    /** Processes in place; on return both channels hold the output, equal where the tone is mono. */
    public void process(float[][] channels, int frames) {
        boolean split = doubles;
        for (int i = 0; i < steps.length; i++) {
            switch (steps[i]) {
                case Step.Through t -> split = t.line.run(channels, frames, split);
                case Step.Leave l -> leave(l.side, channels, frames, split);
                case Step.Return r -> split = comeBack(r.side, channels, frames, split);
            }
        }
        if (!split) System.arraycopy(channels[0], 0, channels[1], 0, frames);
    }

    private static void leave(Side s, float[][] channels, int frames, boolean split) {
        System.arraycopy(channels[0], 0, s.buffer[0], 0, frames);
        if (split) System.arraycopy(channels[1], 0, s.buffer[1], 0, frames);
        s.comesBackWide |= s.line.run(s.buffer, frames, split);
    }

    private static boolean comeBack(Side s, float[][] channels, int frames, boolean alreadySplit) {
        boolean split = alreadySplit;
        if (s.comesBackWide && !split) {
            System.arraycopy(channels[0], 0, channels[1], 0, frames);
            split = true;
        }
        float sign = s.branch.turned() ? -1 : 1;
        float[] right = s.buffer[s.comesBackWide ? 1 : 0];
        for (int i = 0; i < frames; i++) {
            channels[0][i] += sign * s.buffer[0][i];
            if (split) channels[1][i] += sign * right[i];
        }
        return split;
    }

    public int latency() {
        return latency;
    }

    public void reset() {
        for (Step step : steps) {
            switch (step) {
                case Step.Through t -> t.line.reset();
                case Step.Leave l -> l.side.line.reset();
                case Step.Return _ -> {
                    // The side was begun again where it leaves.
                }
            }
        }
    }
}
