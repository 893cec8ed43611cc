package verisonus.desktop.derive.chain;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;

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
    static List<ChainStage> of(List<SettingRow> rows, ChainModel model) {
        boolean judged = rows.stream().anyMatch(r -> r.tolerance().isPresent());
        Map<Block, List<SettingRow>> blocks = new LinkedHashMap<>();
        for (SettingRow r : rows) blocks.computeIfAbsent(r.block(), _ -> new ArrayList<>()).add(r);
        return blocks.entrySet().stream().map(e -> of(e.getKey(), e.getValue(), judged, model)).toList();
    }

    private static ChainStage of(Block block, List<SettingRow> rows, boolean judged, ChainModel model) {
        boolean open = model.isUnfolded(block) || model.isWhole(block);
        if (open) return new ChainStage(block, rows, List.of(), List.of());
        if (block.model().kind() == GearKind.EQUALIZER && block.on()) {
            List<EqualizerFilter> drawn = EqualizerFilter.among(rows, model.everySetting(block));
            Set<SettingRow> inIt = Set.copyOf(drawn.stream().map(EqualizerFilter::gain).toList());
            return new ChainStage(block, rows.stream().filter(r -> !inIt.contains(r)).toList(), List.of(), drawn);
        }
        List<SettingRow> resting = rows.stream().filter(r -> r.isAtRest(judged)).toList();
        if (resting.size() < WORTH_FOLDING && resting.size() < rows.size())
            return new ChainStage(block, rows, List.of(), List.of());
        return new ChainStage(block, rows.stream().filter(r -> !resting.contains(r)).toList(), resting, List.of());
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

    /** "bass, mid and sag at rest". */
    String foldWords(Rig rig) {
        if (folded.isEmpty()) return "fewer";
        List<String> names = folded.stream().map(r -> r.label(rig)).toList();
        int last = names.size() - 1;
        String said = last == 0
                ? names.get(0)
                : String.join(", ", names.subList(0, last)) + " and " + names.get(last);
        return said + " at rest";
    }
}
