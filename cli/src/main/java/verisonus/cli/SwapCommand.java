package verisonus.cli;

import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import verisonus.cli.files.ToneInput;
import verisonus.cli.files.ToneOfBlock;
import verisonus.core.feel.FairSwap;
import verisonus.core.rig.Block;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.work.InputFault;

@Command(name = "swap", mixinStandardHelpOptions = true, description = "Exchanges a block for another model; gain and loudness are balanced so that only its character differs.")
final class SwapCommand extends ToneChange {
    @Option(names = "--model", required = true, paramLabel = "MODEL", description = "what stands there instead")
    private String model = "";

    @Option(names = "--rig", paramLabel = "RIG.json", description = "your gear, so that your own devices can be named")
    private @Nullable Path rig;

    @Option(names = "--uncompensated", description = "leave gain and loudness as they come")
    private boolean uncompensated;

    @Override
    Tone changed(ToneOfBlock read, FairSwap fair) {
        Block block = read.block();
        Rig gear = ToneInput.rig(rig);
        Model other = gear.find(model).filter(m -> m.kind() == block.model().kind())
                .orElseThrow(() -> new InputFault(model, "it is no " + block.model().kind().word(),
                        "choose one of " + String.join(", ",
                                gear.all(block.model().kind()).map(Model::name).toList())));
        Tone exchanged = read.tone().with(block.exchangedFor(other));
        return uncompensated ? exchanged : fair.balanced(read.tone(), exchanged, block.id());
    }
}
