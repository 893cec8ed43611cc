package verisonus.cli;

import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.core.plan.NoteValue;
import verisonus.core.work.InputFault;

@Command(name = "times", mixinStandardHelpOptions = true, description = "Echo times for every note value at a tempo.")
final class TimesCommand extends CommonOptions implements Callable<Integer> {
    @Option(names = "--bpm", required = true, paramLabel = "B", description = "quarter notes a minute")
    private double bpm;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        if (!(bpm >= 10 && bpm <= 1000))
            throw new InputFault("--bpm " + bpm, "it is outside 10 to 1000",
                    "give the tempo in quarter notes a minute");
        ObjectNode out = Json.object("verisonus.times/1");
        Json.put(out, "bpm", bpm, 3);
        ArrayNode times = out.putArray("times");
        for (NoteValue v : NoteValue.ALL) {
            Json.put(times.addObject().put("note_value", v.name()), "ms", v.milliseconds(bpm), 2);
            if (!json.asked()) System.out.printf("%-22s %9.1f ms%n", v.name(), v.milliseconds(bpm));
        }
        if (json.asked()) json.print(out);
        return 0;
    }
}
