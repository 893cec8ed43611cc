package verisonus.core.simulate;

/** A stage that makes new frequencies; runs in mono at a rate high enough for them. */
interface NonlinearStage {
    void process(float[] x, int n);

    void reset();
}
