package verisonus.core.work;

/**
 * An input that cannot be used: missing, unreadable, of the wrong kind, or out of range. Carries the name of the
 * input, what is wrong with it and what the user can do, so that a shell can print one line and a window a message.
 */
public class InputFault extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final String input;
    private final String fault;
    private final String remedy;

    public InputFault(String input, String fault, String remedy) {
        super(input + ": " + fault + "; " + remedy);
        this.input = input;
        this.fault = fault;
        this.remedy = remedy;
    }

    public InputFault(String input, String fault, String remedy, Throwable cause) {
        this(input, fault, remedy);
        initCause(cause);
    }

    /** Name of the file or value that cannot be used. */
    public String input() {
        return input;
    }

    /** What is wrong, without the name and without a full stop. */
    public String fault() {
        return fault;
    }

    /** What the user can do about it. */
    public String remedy() {
        return remedy;
    }
}
