package verisonus.core.simulate.stages;

/** A stage inside or around what makes new frequencies; runs in mono, in place, at a rate high enough for them. */
public interface NonlinearStage {
    void process(float[] x, int n);

    void reset();
}
