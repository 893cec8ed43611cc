package verisonus.app;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import sun.misc.Signal;
import verisonus.cli.CommandLineProgram;
import verisonus.cli.files.OutputFile;

/** Starts the program. */
public final class Main {
    private static final int CANCELLED = 130;
    private static final Set<String> WINDOWS = Set.of("demo", "open");

    private Main() {}

    /** An interrupt or a polite end takes with it what is half written and says so, status 130. */
    private static void endCleanly() {
        for (String name : new String[]{"INT", "TERM"}) {
            try {
                Signal.handle(new Signal(name), _ -> {
                    OutputFile.abandonAll();
                    System.err.println("verisonus: " + OutputFile.cancelledWords());
                    Runtime.getRuntime().halt(CANCELLED);
                });
            } catch (IllegalArgumentException e) {
                // This system has no such signal.
                continue;
            }
        }
    }

    /** A casebook alone, as a double click hands it over, is opened. */
    static String[] opening(String[] given) {
        boolean casebook = given.length == 1 && !given[0].startsWith("-") && given[0].endsWith(".casebook");
        return casebook ? new String[]{"open", given[0]} : given;
    }

    public static void main(String[] given) {
        String[] args = opening(given);
        if (args.length > 0 && WINDOWS.contains(args[0])) Screen.prepare(List.of(args).subList(1, args.length));
        Map<String, Object> window = new LinkedHashMap<>();
        window.put("demo", new DemoCommand());
        window.put("open", new OpenCommand());
        window.put("command-warm-up", new WarmUp.OfCommands());
        window.put("quick-warm-up", new WarmUp.OfArithmetic());
        window.put("window-warm-up", new WarmUp.OfWindow());
        window.put("package-warm-up", new WarmUp.OfAll());
        // The window has work of its own to end.
        if (args.length > 0 && !window.containsKey(args[0])) endCleanly();
        int status = CommandLineProgram.run(args, window);
        // The player's and the toolkit's threads may still be ending.
        System.exit(status);
    }
}
