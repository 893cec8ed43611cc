package verisonus.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.MidiFileWriter;
import verisonus.casebook.exchange.MidiMapCsv;
import verisonus.casebook.exchange.SettingsCsv;
import verisonus.casebook.exchange.ToneJson;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneInput;
import verisonus.core.plan.MidiMap;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.work.InputFault;

@Command(name = "settings", mixinStandardHelpOptions = true, description = "A tone's settings from one kind of file to another: tone JSON, sheet JSON, CSV with columns of your own; out also as MIDI for a map of your own.")
final class SettingsCommand extends CommonOptions implements Callable<Integer> {
    @Parameters(paramLabel = "TONE", description = "a tone or sheet as .json, or settings as .csv")
    private @Nullable Path tone;

    @Option(names = "--out", required = true, paramLabel = "FILE", description = "ends in .json, .csv or .mid")
    private @Nullable Path out;

    @Option(names = "--columns", paramLabel = "COLUMN=NAME,…", description = "what the columns of the CSV that is read are called: tone, block, model, on, control, value, unit")
    private String columns = "";

    @Option(names = "--out-columns", paramLabel = "COLUMN=NAME,…", description = "the same of the CSV that is written")
    private String outColumns = "";

    @Option(names = "--map", paramLabel = "MAP.csv", description = "which controller moves what: block,control,controller[,channel[,low,high]]")
    private @Nullable Path map;

    @Mixin
    private final ForceOption force = new ForceOption();

    @Override
    public Integer call() {
        Path target = Objects.requireNonNull(out);
        OutputFile file = force.to(target);
        Tone read = ToneInput.tone(Objects.requireNonNull(tone), SettingsCsv.columns(columns));
        String name = target.getFileName().toString().toLowerCase(Locale.ROOT);
        file.check();
        if (name.endsWith(".json")) {
            file.write(Json.text(ToneJson.write(read)));
        } else if (name.endsWith(".csv")) {
            file.write(SettingsCsv.write(read, SettingsCsv.columns(outColumns)));
        } else if (name.endsWith(".mid")) {
            if (map == null)
                throw new InputFault(target.toString(), "no two devices number their controls alike",
                        "give --map with the numbers of your device's manual");
            MidiMap numbers = MidiMapCsv.read(map);
            file.write(MidiFileWriter.write(read, numbers));
            List<ControlPlace> left = numbers.leftOut(read);
            if (!left.isEmpty())
                System.err.println("verisonus: not in the map: " + String.join(", ", left.stream().map(
                        ControlPlace::toString).toList()));
        } else {
            throw new InputFault(target.toString(), "its ending names no kind of settings",
                    "end it in .json, .csv or .mid");
        }
        return 0;
    }
}
