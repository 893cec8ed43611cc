package verisonus.app;

import java.util.Map;
import verisonus.cli.CommandLineProgram;

/** Starts the program. */
public final class Main {
    private Main() {}

    public static void main(String[] args) {
        System.exit(CommandLineProgram.run(args, Map.of()));
    }
}
