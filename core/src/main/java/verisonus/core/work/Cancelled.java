package verisonus.core.work;

/** Thrown out of long work after its {@link Progress} asked it to stop; nothing has been changed. */
public final class Cancelled extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public Cancelled() {
        super("cancelled");
    }
}
