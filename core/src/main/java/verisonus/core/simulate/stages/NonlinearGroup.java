package verisonus.core.simulate.stages;

import java.util.List;
import verisonus.core.simulate.parts.Processor;

/** Neighbouring nonlinear stages, run together at one raised rate; two channels become one. */
public final class NonlinearGroup implements Processor {
    private final NonlinearStage[] stages;
    private final Oversampler oversampler;
    private final float[] raised;

    public NonlinearGroup(List<NonlinearStage> stages, Oversampler oversampler, int blockFrames) {
        this.stages = stages.toArray(NonlinearStage[]::new);
        this.oversampler = oversampler;
        this.raised = new float[blockFrames * oversampler.factor()];
    }

    @Override
    public void process(float[][] channels, int frames) {
        float[] x = channels[0];
        if (channels.length == 2) for (int i = 0; i < frames; i++) x[i] = 0.5f * (x[i] + channels[1][i]);
        oversampler.up(x, frames, raised);
        for (NonlinearStage s : stages) s.process(raised, frames * oversampler.factor());
        oversampler.down(raised, frames, x);
        if (channels.length == 2) System.arraycopy(x, 0, channels[1], 0, frames);
    }

    @Override
    public int latency() {
        return oversampler.latency();
    }

    @Override
    public void reset() {
        oversampler.reset();
        for (NonlinearStage s : stages) s.reset();
    }
}
