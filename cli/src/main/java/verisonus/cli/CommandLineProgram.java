package verisonus.cli;

import java.io.PrintStream;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import verisonus.cli.ears.ClipCommand;
import verisonus.cli.ears.LayersCommand;
import verisonus.cli.ears.TrialCommand;
import verisonus.cli.files.Folder;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.StandardInput;
import verisonus.cli.gear.GearCommand;
import verisonus.cli.handover.PackageCommand;
import verisonus.cli.perform.BuildsCommand;
import verisonus.cli.perform.MapCommand;
import verisonus.cli.perform.PedalCommand;
import verisonus.cli.perform.PlatformCommand;
import verisonus.cli.perform.TempoCommand;
import verisonus.cli.perform.TranslateCommand;
import verisonus.cli.perform.TransparencyCommand;
import verisonus.cli.perform.VariantsCommand;
import verisonus.cli.tone.ToneCommand;
import verisonus.core.work.Cancelled;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;

/**
 * Runs one command. Exit status: 0 done, 2 wrong usage, 3 an input cannot be used, 4 a result cannot be written, 1 a
 * fault of ours, 130 cancelled. An error is one line on standard error; {@code --verbose} adds where it arose.
 */
public final class CommandLineProgram {
    /** The launcher starts over with more memory where it gave little. */
    private static final int TOO_LEAN = 76;

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
        try (StandardInput piped = StandardInput.of(args, System.in)) {
            String[] named = piped.in(args);
            Optional<Folder> folder = Folder.in(named);
            return folder.isPresent()
                    ? folder.get().run(one -> once(one, windowCommands, piped))
                    : once(named, windowCommands, piped);
        } catch (InputFault e) {
            return said(System.err, e.getMessage(), 3);
        }
    }

    private static int once(String[] args, Map<String, Object> windowCommands, StandardInput piped) {
        CommandLine line = new CommandLine(new Root());
        Map<String, Supplier<Object>> all = commands();
        windowCommands.forEach((name, command) -> all.put(name, () -> command));
        // A command that is named is the only one that has to be made; only help and slips need to know them all.
        @Nullable
        Supplier<Object> asked = args.length == 0 ? null : all.get(args[0]);
        if (asked != null) {
            line.addSubcommand(args[0], asked.get());
        } else {
            all.forEach((name, made) -> line.addSubcommand(name, made.get()));
        }
        line.setExecutionExceptionHandler((e, commandLine, _) -> report(e, args, piped));
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

    /** How each command is made, by name, in the order of the help. */
    private static Map<String, Supplier<Object>> commands() {
        Map<String, Supplier<Object>> out = new LinkedHashMap<>();
        out.put("measure", MeasureCommand::new);
        out.put("controls", ControlsCommand::new);
        out.put("render", RenderCommand::new);
        out.put("swap", SwapCommand::new);
        out.put("turn", TurnCommand::new);
        out.put("places", PlacesCommand::new);
        out.put("levels", LevelsCommand::new);
        out.put("impulses", ImpulsesCommand::new);
        out.put("capture", CaptureCommand::new);
        out.put("gear", GearCommand::new);
        out.put("derive", DeriveCommand::new);
        out.put("moves", MovesCommand::new);
        out.put("tone", ToneCommand::new);
        out.put("passages", PassagesCommand::new);
        out.put("feel", FeelCommand::new);
        out.put("reach", ReachCommand::new);
        out.put("playing", PlayingCommand::new);
        out.put("compare", CompareCommand::new);
        out.put("travel", TravelCommand::new);
        out.put("sweep", SweepCommand::new);
        out.put("variants", VariantsCommand::new);
        out.put("tempo", TempoCommand::new);
        out.put("pedal", PedalCommand::new);
        out.put("map", MapCommand::new);
        out.put("translate", TranslateCommand::new);
        out.put("builds", BuildsCommand::new);
        out.put("transparency", TransparencyCommand::new);
        out.put("platform", PlatformCommand::new);
        out.put("trial", TrialCommand::new);
        out.put("layers", LayersCommand::new);
        out.put("clip", ClipCommand::new);
        out.put("package", PackageCommand::new);
        out.put("times", TimesCommand::new);
        out.put("repeats", RepeatsCommand::new);
        out.put("sheet", SheetCommand::new);
        out.put("settings", SettingsCommand::new);
        return out;
    }

    private static int executed(CommandLine line, String[] args) {
        try {
            return line.execute(args);
        } catch (OutOfMemoryError e) {
            if (Objects.equals(System.getProperty("verisonus.heap"), "lean")) return TOO_LEAN;
            return said(System.err,
                    "this takes more memory than the program may use; use a shorter part of the recording,"
                            + " or give more with JAVA_TOOL_OPTIONS=-Xmx4g",
                    3);
        }
    }

    private static int report(Exception e, String[] args, StandardInput piped) {
        PrintStream err = System.err;
        boolean verbose = java.util.Arrays.asList(args).contains("--verbose");
        if (verbose) e.printStackTrace(err);
        return switch (e) {
            case InputFault f -> said(err, piped.named(String.valueOf(f.getMessage())), 3);
            case OutputFault f -> said(err, f.getMessage(), 4);
            case Cancelled _ -> said(err, OutputFile.cancelledWords(), 130);
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
