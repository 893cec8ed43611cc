package verisonus.cli;

import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import verisonus.casebook.exchange.ControlsJson;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.core.rig.Control;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Model;

@Command(name = "controls", mixinStandardHelpOptions = true, description = "Every block the rig can hold, with its controls.")
final class ControlsCommand extends CommonOptions implements Callable<Integer> {
    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        if (json.asked()) {
            json.print(ControlsJson.write());
            return 0;
        }
        for (Model m : Gear.MODELS) {
            System.out.println(m.name() + " (" + m.kind().word() + "): " + m.about());
            for (Control c : m.controls()) {
                String range = c.isChoice()
                        ? String.join(" | ", c.choices())
                        : c.display(c.minimum()) + " to " + c.display(c.maximum());
                System.out.printf("    %-18s %-24s default %-10s %s%n", c.name(), range, c.display(c.defaultValue()),
                        c.about());
            }
        }
        return 0;
    }
}
