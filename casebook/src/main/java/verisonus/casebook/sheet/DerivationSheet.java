package verisonus.casebook.sheet;

import java.util.List;
import java.util.Locale;
import verisonus.core.compare.GapRow;
import verisonus.core.derive.Alternative;
import verisonus.core.derive.Derivation;
import verisonus.core.derive.Tolerance;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;

/** A derivation as a page: settings with tolerances and reasons, what still differs, other choices. */
public record DerivationSheet(Tone tone, Derivation derivation, Rig rig) {
    /** The page as Markdown. */
    public String markdown() {
        Page page = new Page(tone.name());
        page.paragraph(String.format(Locale.ROOT,
                "Derived from a take of %s; %,d tones tried. Largest remaining difference %.1f JND, spectrum %.1f dB RMS.",
                derivation.pairing() == verisonus.core.derive.Pairing.SAME_PHRASE ? "the same phrase" : "other playing",
                derivation.candidates(),
                derivation.gap().scoreJnd(), derivation.gap().spectrumRmsDb()));
        settings(page, tone, derivation.tolerances(), rig);
        page.heading("What the recording shows");
        page.table(List.of("", "finding", "rests on"), EvidenceSentences.of(derivation.reference()).stream()
                .map(s -> List.of(s.topic(), s.sentence(), s.remark())).toList());
        gap(page, derivation.gap().rows());
        if (!derivation.alternatives().isEmpty()) {
            page.heading("Other choices");
            page.table(List.of("instead", "costs, dB"),
                    derivation.alternatives().stream().map(a -> List.of(a.what(), worse(a))).toList());
        }
        return page.markdown();
    }

    private static String worse(Alternative a) {
        return String.format(Locale.ROOT, "%.2f", a.worseDb());
    }

    /** Settings in signal order, each with how far it can move unheard and what it rests on. */
    static void settings(Page page, Tone tone, List<Tolerance> tolerances, Rig rig) {
        page.heading("Settings, in signal order");
        List<List<String>> rows = new java.util.ArrayList<>();
        for (Block b : tone.blocks()) {
            if (!b.on()) continue;
            boolean first = true;
            for (Control c : b.model().controls()) {
                if (!b.settings().containsKey(c.name())) continue;
                List<Tolerance> t = tolerances.stream()
                        .filter(x -> x.block().equals(b.id()) && x.control().equals(c.name())).toList();
                String move = t.isEmpty()
                        ? ""
                        : rig.display(b.model(), c, t.get(0).low()) + " – "
                                + rig.display(b.model(), c, t.get(0).high());
                rows.add(List.of(first ? b.model().name() : "", c.name(), rig.display(b.model(), c, b.get(c.name())),
                        move, t.isEmpty() ? "" : t.get(0).why()));
                first = false;
            }
            if (first) rows.add(List.of(b.model().name(), "", "as it is", "", ""));
        }
        page.table(List.of("block", "control", "set to", "can move", "rests on"), rows);
        page.paragraph(
                "Start quiet and match loudness before judging. A valve amp never runs without its speaker or a rated load; "
                        + "work inside it is for a qualified technician.");
    }

    static void gap(Page page, List<GapRow> rows) {
        page.heading("What still differs");
        page.table(List.of("attribute", "reference", "mine", "JND", "advice"), rows.stream()
                .map(r -> List.of(r.attribute(), figure(r.reference(), r.unit()), figure(r.candidate(), r.unit()),
                        String.format(Locale.ROOT, "%.1f", r.audibility()),
                        r.audibility() < 1 ? "below hearing" : r.advice()))
                .toList());
    }

    private static String figure(double value, String unit) {
        return String.format(Locale.ROOT, "%.1f %s", value, unit).replace('-', '−');
    }
}
