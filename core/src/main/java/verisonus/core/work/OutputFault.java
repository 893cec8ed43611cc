package verisonus.core.work;

/** A result that cannot be written where it was asked for. */
public final class OutputFault extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public OutputFault(String target, String fault, String remedy) {
        super(target + ": " + fault + "; " + remedy);
    }
}
