package verisonus.cli.files;

import picocli.CommandLine.Option;

/** The option every command has. */
public abstract class VerboseOption {
    @Option(names = "--verbose", description = "say more when something fails")
    @SuppressWarnings("unused") // read from the arguments where a failure is reported
    private boolean verbose;
}
