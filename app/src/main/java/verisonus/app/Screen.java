package verisonus.app;

import java.util.List;
import java.util.Set;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import verisonus.casebook.store.Casebook;
import verisonus.desktop.shell.VerisonusApplication;

/** Whether a window can be shown here, and showing it. */
final class Screen {
    /** Tells the launcher that the window toolkit could not start, so that it tries again without a screen. */
    static final int NO_SCREEN = 75;

    private static final Set<String> PLAIN = Set.of("--fresh", "--verbose");
    private static final Logger LOG = LoggerFactory.getLogger(Screen.class);

    private Screen() {}

    /** Whether the launcher, or whoever started the program, has chosen to do without a screen. */
    static boolean isOff() {
        return "Headless".equals(System.getProperty("glass.platform"));
    }

    /**
     * Begins to start the toolkit before the arguments are read, where they can only ask for the window.
     *
     * @param arguments after the command's name
     */
    static void prepare(List<String> arguments) {
        if (!isOff() && arguments.stream().allMatch(a -> !a.startsWith("-") || PLAIN.contains(a))) {
            VerisonusApplication.startToolkit();
        }
    }

    /**
     * @param opening opens the casebook; what is wrong with it is thrown
     * @param toLearnWith whether a first walk is offered
     * @return exit status
     */
    static int show(Supplier<Casebook> opening, boolean toLearnWith) {
        try {
            VerisonusApplication.show(opening, toLearnWith);
            return 0;
        } catch (UnsupportedOperationException | UnsatisfiedLinkError | ExceptionInInitializerError e) {
            return missing(e);
        } catch (RuntimeException e) {
            Throwable cause = e.getCause() == null ? e : e.getCause();
            boolean toolkit = cause instanceof UnsupportedOperationException || cause instanceof LinkageError
                    || String.valueOf(e.getMessage()).contains("oolkit");
            if (toolkit) return missing(cause);
            throw e;
        }
    }

    private static int missing(Throwable e) {
        LOG.debug("the window toolkit could not start", e);
        System.err.println("verisonus: the window cannot be shown here (" + e.getMessage() + ")");
        return NO_SCREEN;
    }
}
