package verisonus.core.work;

/** Asks the work to stop from the beginning. */
public final class StopAtOnce implements Progress {
    @Override
    public void at(double done, String doing) {}

    @Override
    public boolean cancelled() {
        return true;
    }
}
