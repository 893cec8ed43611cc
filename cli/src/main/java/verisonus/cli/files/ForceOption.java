package verisonus.cli.files;

import java.nio.file.Path;
import picocli.CommandLine.Option;

/** Whether files that are there already may be replaced. */
public final class ForceOption {
    @Option(names = "--force", description = "replace existing files")
    private boolean given;

    /** A result that replaces what is there only if that was asked for. */
    public OutputFile to(Path path) {
        return new OutputFile(path, given);
    }

    public boolean given() {
        return given;
    }
}
