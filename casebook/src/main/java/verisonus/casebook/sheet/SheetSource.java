package verisonus.casebook.sheet;

import java.util.List;
import java.util.Map;
import verisonus.casebook.sheet.page.Drawing;
import verisonus.core.travel.trim.Trim;

/**
 * What a sheet tells beside the tone itself.
 *
 * @param made from what and when it was made, in sentences
 * @param drawings spectra, touch
 * @param trims by playback system
 * @param notes what was heard, by playback system
 * @param tried changes of the case, newest first
 * @param played how the tone is played
 */
public record SheetSource(List<String> made, List<Drawing> drawings, Map<String, Trim> trims,
        Map<String, String> notes, List<String> tried, PlayedTonight played) {
    public static final SheetSource NONE = new SheetSource(List.of(), List.of(), Map.of(), Map.of(), List.of(),
            PlayedTonight.NOTHING);

    public SheetSource {
        made = List.copyOf(made);
        drawings = List.copyOf(drawings);
        trims = Map.copyOf(trims);
        notes = Map.copyOf(notes);
        tried = List.copyOf(tried);
    }
}
