package verisonus.desktop.derive.chain;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.work.Sentence;

/**
 * One block of the chain as it stands in the table: what matters is shown, what rests is folded, an equalizer's filters are drawn.
 *
 * @param shown settings with a line of their own
 * @param folded settings at rest, named on one line
 * @param drawn filters of an equalizer that stand in its curve
 */
record ChainStage(Block block, List<SettingRow> shown, List<SettingRow> folded, List<EqualizerFilter> drawn) {
    /** Fewer settings at rest than this are not worth a fold. */
    private static final int WORTH_FOLDING = 2;

    /** The blocks of a chain in signal order. */
    static List<ChainStage> of(Tone tone, List<SettingRow> rows, ChainModel model) {
        Map<Block, List<SettingRow>> blocks = new LinkedHashMap<>();
        // An equalizer that is flat has no setting to show, and stands in the chain all the same.
        for (Block b : tone.blocks()) blocks.put(b, new ArrayList<>());
        for (SettingRow r : rows) blocks.computeIfAbsent(r.block(), _ -> new ArrayList<>()).add(r);
        return blocks.entrySet().stream().map(e -> of(e.getKey(), e.getValue(), model)).toList();
    }

    private static ChainStage of(Block block, List<SettingRow> rows, ChainModel model) {
        boolean open = model.isUnfolded(block) || model.isWhole(block);
        if (open) return new ChainStage(block, rows, List.of(), List.of());
        if (block.model().kind() == GearKind.EQUALIZER && block.on()) {
            List<EqualizerFilter> drawn = EqualizerFilter.among(rows, model.everySetting(block));
            Set<SettingRow> inIt = Set.copyOf(drawn.stream().map(EqualizerFilter::gain).toList());
            return new ChainStage(block, rows.stream().filter(r -> !inIt.contains(r)).toList(), List.of(), drawn);
        }
        // Of a block that was put in by hand nothing is known: its settings are all there to be turned.
        boolean judged = rows.stream().anyMatch(r -> r.tolerance().isPresent());
        List<SettingRow> resting = rows.stream().filter(r -> r.isAtRest(judged)).toList();
        if (resting.size() < WORTH_FOLDING && resting.size() < rows.size())
            return new ChainStage(block, rows, List.of(), List.of());
        return new ChainStage(block, rows.stream().filter(r -> !resting.contains(r)).toList(), resting, List.of());
    }

    /** Whether none of its settings has been moved and none is shown. */
    boolean isEmpty() {
        return shown.isEmpty() && folded.isEmpty() && drawn.isEmpty();
    }

    /** For the ids of its parts. */
    String id() {
        return block.id().replace(' ', '-');
    }

    /** Lines of a setting's height that stand beside its head. */
    long lines() {
        return shown.size() + (folded.isEmpty() ? 0 : 1)
                + (drawn.isEmpty() ? 0 : Math.round(EqualizerView.HEIGHT / ChainTable.SETTING));
    }

    /** "bass, mid and sag at rest"; how to fold again where nothing is. */
    String foldWords(Rig rig) {
        if (folded.isEmpty()) return block.model().kind() == GearKind.EQUALIZER ? "as a curve" : "fewer";
        return Sentence.listed(folded.stream().map(r -> r.label(rig)).toList()) + " at rest";
    }
}
