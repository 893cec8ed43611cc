package verisonus.cli;

import java.io.PrintStream;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import verisonus.cli.perform.BuildsCommand;
import verisonus.cli.perform.MapCommand;
import verisonus.cli.perform.PedalCommand;
import verisonus.cli.perform.TempoCommand;
import verisonus.cli.perform.TranslateCommand;
import verisonus.cli.perform.TransparencyCommand;
import verisonus.cli.perform.VariantsCommand;
import verisonus.core.work.Cancelled;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;

/**
 * Runs one command. Exit status: 0 done, 2 wrong usage, 3 an input cannot be used, 4 a result cannot be written, 1 a
 * fault of ours, 130 cancelled. An error is one line on standard error; {@code --verbose} adds where it arose.
 */
public final class CommandLineProgram {
    @Command(name = "verisonus", mixinStandardHelpOptions = true, version = "verisonus 0.1.0", description = "Measures a signature guitar sound and derives settings that reproduce it on your gear.", synopsisSubcommandLabel = "COMMAND")
    static final class Root implements Callable<Integer> {
        @CommandLine.Spec
        CommandLine.Model.@Nullable CommandSpec spec;

        @Override
        public Integer call() {
            throw new CommandLine.ParameterException(java.util.Objects.requireNonNull(spec).commandLine(),
                    "name a command");
        }
    }

    private CommandLineProgram() {}

    /**
     * @param windowCommands further commands by name, added by the program that has a window
     * @return the exit status
     */
    public static int run(String[] args, Map<String, Object> windowCommands) {
        CommandLine line = new CommandLine(new Root());
        windowCommands.forEach(line::addSubcommand);
        for (Object command : List.of(new MeasureCommand(), new ControlsCommand(), new RenderCommand(),
                new SwapCommand(), new TurnCommand(), new PlacesCommand(),
                new LevelsCommand(), new ImpulsesCommand(), new CaptureCommand(),
                new DeriveCommand(), new MovesCommand(), new PassagesCommand(), new FeelCommand(),
                new ReachCommand(), new PlayingCommand(), new CompareCommand(), new TravelCommand(),
                new SweepCommand(), new TimesCommand(),
                new RepeatsCommand(), new SheetCommand(), new SettingsCommand(), new TrialCommand(),
                new VariantsCommand(),
                new TempoCommand(), new PedalCommand(), new MapCommand(), new TranslateCommand(), new BuildsCommand(),
                new TransparencyCommand())) {
            line.addSubcommand(command);
        }
        line.setExecutionExceptionHandler((e, commandLine, _) -> report(e, args, System.err));
        line.setParameterExceptionHandler((e, _) -> {
            System.err.println("verisonus: " + oneLine(e.getMessage()) + "; see --help");
            return CommandLine.ExitCode.USAGE;
        });
        line.setCaseInsensitiveEnumValuesAllowed(true);
        int status = executed(line, args);
        // What could not be printed was not done, whoever closed the pipe.
        return System.out.checkError() && status == 0
                ? said(System.err, "standard output: it is full or closed; the result was not printed whole", 4)
                : status;
    }

    private static int executed(CommandLine line, String[] args) {
        try {
            return line.execute(args);
        } catch (OutOfMemoryError e) {
            return said(System.err,
                    "this takes more memory than the program may use; use a shorter part of the recording,"
                            + " or give more with JAVA_TOOL_OPTIONS=-Xmx4g",
                    3);
        }
    }

    private static int report(Exception e, String[] args, PrintStream err) {
        boolean verbose = java.util.Arrays.asList(args).contains("--verbose");
        if (verbose) e.printStackTrace(err);
        return switch (e) {
            case InputFault f -> said(err, f.getMessage(), 3);
            case OutputFault f -> said(err, f.getMessage(), 4);
            case Cancelled _ -> said(err, "cancelled; nothing was written", 130);
            default ->
                said(err, "a fault of this program (" + e + "); run again with --verbose and report what it prints", 1);
        };
    }

    private static int said(PrintStream err, @Nullable String message, int status) {
        err.println("verisonus: " + oneLine(message));
        return status;
    }

    private static String oneLine(@Nullable String message) {
        return message == null ? "unknown fault" : message.replaceAll("\\s*[\\r\\n]+\\s*", " ");
    }
}
