package verisonus.app;

import java.util.LinkedHashMap;
import java.util.Map;
import verisonus.cli.CommandLineProgram;

/** Starts the program. */
public final class Main {
    private Main() {}

    public static void main(String[] args) {
        Map<String, Object> window = new LinkedHashMap<>();
        window.put("demo", new DemoCommand());
        window.put("open", new OpenCommand());
        window.put("command-warm-up", new WarmUp.OfCommands());
        window.put("window-warm-up", new WarmUp.OfWindow());
        int status = CommandLineProgram.run(args, window);
        // The player's and the toolkit's threads may still be ending.
        System.exit(status);
    }
}
