package verisonus.core.simulate;

import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.simulate.parts.Processor;
import verisonus.core.simulate.stages.Quality;

/**
 * Two performances, each through gear of its own, then panned apart. As two takes on a record are, the second is heard by a
 * microphone that stands a little elsewhere.
 */
final class DoubledFront implements Processor {
    private static final double ELSEWHERE_PERCENT = 8;

    private final Chain.Line[] lines = new Chain.Line[2];
    private final float[][] sides = new float[2][];
    private final int latency;
    private final float near;
    private final float far;
    private final float second;
    private final float[][] own = new float[2][];

    DoubledFront(List<Block> blocks, List<Block> loop, Block doubler, Quality quality) {
        int lag = 0;
        for (int take = 0; take < 2; take++) {
            LineBuilder line = new LineBuilder(quality, false);
            for (Block b : blocks)
                line.add(take == 0 ? b : elsewhere(b), b.model().kind() == GearKind.AMP ? loop : List.of());
            line.flush();
            lag = line.latency();
            lines[take] = new Chain.Line(line.taken());
            own[take] = new float[Chain.BLOCK];
        }
        latency = lag;
        double spread = doubler.get(ControlNames.SPREAD) / 100;
        double angle = (1 - spread) * Math.PI / 4;
        near = (float) Math.cos(angle);
        far = (float) Math.sin(angle);
        second = (float) Math.pow(10, doubler.get(ControlNames.SECOND_TAKE) / 20);
    }

    private static Block elsewhere(Block b) {
        return b.model().kind() == GearKind.MICROPHONE
                ? b.with(ControlNames.POSITION, b.get(ControlNames.POSITION) + ELSEWHERE_PERCENT)
                : b;
    }

    @Override
    public boolean widens() {
        return true;
    }

    @Override
    public int latency() {
        return latency;
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int take = 0; take < 2; take++) {
            System.arraycopy(channels[take], 0, own[take], 0, frames);
            sides[0] = own[take];
            sides[1] = channels[take];
            // A stereo effect before the doubler is heard in mono: each take has one place.
            if (lines[take].run(sides, frames, false)) {
                for (int i = 0; i < frames; i++) own[take][i] = 0.5f * (own[take][i] + channels[take][i]);
            }
        }
        for (int i = 0; i < frames; i++) {
            float a = own[0][i];
            float b = second * own[1][i];
            channels[0][i] = near * a + far * b;
            channels[1][i] = far * a + near * b;
        }
    }

    @Override
    public void reset() {
        for (Chain.Line l : lines) l.reset();
    }
}
