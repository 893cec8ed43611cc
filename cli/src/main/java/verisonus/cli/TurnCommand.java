package verisonus.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import verisonus.cli.files.ToneOfBlock;
import verisonus.core.feel.FairSwap;
import verisonus.core.feel.HeldConstant;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

@Command(name = "turn", mixinStandardHelpOptions = true, description = "Turns one control while the loudness, or the dirt too, stays as it was.")
final class TurnCommand extends ToneChange {
    @Option(names = "--control", required = true, paramLabel = "NAME", description = "the control")
    private String control = "";

    @Option(names = "--to", required = true, paramLabel = "VALUE", description = "its new value, in its unit")
    private double value;

    @Option(names = "--keep", paramLabel = "WHAT", description = "nothing, loudness or dirt (default: ${DEFAULT-VALUE})")
    private HeldConstant keeping = HeldConstant.LOUDNESS;

    @Override
    Tone changed(ToneOfBlock read, FairSwap fair) {
        Block block = read.block();
        Control c = block.model().find(control).orElseThrow(() -> new InputFault(block.id(),
                "it has no control called " + control,
                "name one of " + String.join(", ", block.model().turnable().stream().map(Control::name).toList())));
        if (!(value >= c.minimum() && value <= c.maximum())) {
            throw new InputFault(block.id() + " " + control,
                    Figures.of("%s is out of its range", value),
                    Figures.of("use %s to %s", c.minimum(), c.maximum()));
        }
        return fair.turned(read.tone(), block, control, value, keeping, Locks.NONE);
    }
}
