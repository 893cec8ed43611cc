package verisonus.core.simulate;

/** A stage inside or around what makes new frequencies; runs in mono, in place, at a rate high enough for them. */
interface NonlinearStage {
    void process(float[] x, int n);

    void reset();
}
