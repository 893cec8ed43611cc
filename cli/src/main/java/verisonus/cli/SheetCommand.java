package verisonus.cli;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Objects;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import verisonus.casebook.sheet.CaseSheet;
import verisonus.casebook.sheet.SheetFormat;
import verisonus.casebook.store.Casebook;
import verisonus.cli.files.OutputFile;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

@Command(name = "sheet", mixinStandardHelpOptions = true, description = "The tone sheet of a case.")
final class SheetCommand extends VerboseOption implements Callable<Integer> {
    @Parameters(paramLabel = "CASEBOOK", description = "a .casebook file")
    private @Nullable Path casebook;

    @Option(names = "--case", required = true, paramLabel = "NAME", description = "which case")
    private String name = "";

    @Option(names = "--out", required = true, paramLabel = "FILE", description = "ends in .md, .html, .json or .csv")
    private @Nullable Path out;

    @Option(names = "--force", description = "replace an existing file")
    private boolean force;

    @Override
    public Integer call() {
        Path target = Objects.requireNonNull(out);
        String fileName = target.getFileName().toString().toLowerCase(Locale.ROOT);
        SheetFormat format = SheetFormat.of(fileName).orElseThrow(() -> new InputFault(target.toString(),
                "its ending names no kind of sheet", "end it in .md, .html, .json or .csv"));
        OutputFile file = new OutputFile(target, force);
        try (Casebook book = Casebook.open(Objects.requireNonNull(casebook))) {
            var entry = CaseSheet.find(book, name);
            file.check();
            file.write(format.write(CaseSheet.of(book, entry, Progress.NONE)));
        }
        return 0;
    }
}
