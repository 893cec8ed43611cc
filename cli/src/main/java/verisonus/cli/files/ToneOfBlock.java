package verisonus.cli.files;

import java.nio.file.Path;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.work.InputFault;

/** A tone read from a file, and one of its blocks by id. */
public record ToneOfBlock(Tone tone, Block block) {
    public static ToneOfBlock read(Path file, String id) {
        Tone tone = ToneInput.tone(file);
        return new ToneOfBlock(tone, tone.find(id).orElseThrow(() -> new InputFault(file.toString(),
                "it has no block called " + id,
                "name one of " + String.join(", ", tone.blocks().stream().map(Block::id).toList()))));
    }
}
