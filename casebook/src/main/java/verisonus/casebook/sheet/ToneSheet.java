package verisonus.casebook.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Remarks;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.Block;
import verisonus.core.rig.Branch;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Ways;
import verisonus.core.search.Alternative;
import verisonus.core.search.ControlTrade;
import verisonus.core.search.Tolerance;
import verisonus.core.travel.Journey;
import verisonus.core.travel.ListeningDose;
import verisonus.core.travel.Travelled;

/**
 * The document that lets somebody set a tone up again: settings with tolerances and reasons, what the recording shows, what
 * still differs, how it travels, other choices.
 *
 * @param title the case or the recording
 * @param subtitle whose sound it is, may be empty
 * @param findings what was measured in the reference
 * @param tone the settings, where a tone was derived
 * @param travelled the tone on playback systems, may be empty
 * @param rig whose scales the settings are shown in
 */
public record ToneSheet(String title, String subtitle, List<EvidenceSentences> findings, Optional<DerivedTone> tone,
        List<Travelled> travelled, Rig rig) {
    public ToneSheet {
        findings = List.copyOf(findings);
        travelled = List.copyOf(travelled);
    }

    /** The whole page. */
    public Page page() {
        Page page = new Page(title);
        if (!subtitle.isEmpty()) page.paragraph(subtitle);
        tone.ifPresentOrElse(t -> {
            page.paragraph(verdict(t));
            settings(page, t);
        }, () -> page.paragraph("No tone has been derived yet."));
        if (!findings.isEmpty()) {
            page.heading("What the recording shows");
            page.table(List.of("", "finding", "rests on", "sure"), findings.stream()
                    .map(s -> List.of(s.topic(), s.sentence(), s.remark(),
                            s.confidence().isPresent() ? percent(s.confidence().getAsDouble()) : ""))
                    .toList());
        }
        tone.ifPresent(t -> {
            gap(page, t.gap());
            remarks(page, t.remarks());
            travel(page);
            alternatives(page, t.alternatives());
        });
        return page;
    }

    /** One sentence: how near the tone is and how it was come by. */
    public static String verdict(DerivedTone t) {
        return String.format(Locale.ROOT,
                "%s Largest remaining difference %.1f JND, spectrum %.1f dB RMS. Derived from a take of %s, in %.0f s.",
                nearness(t), t.gap().scoreJnd(), t.gap().spectrumRmsDb(),
                t.search().pairing().said(),
                t.search().seconds());
    }

    /** How near it is, and what is missing or could not be told. */
    public static String nearness(DerivedTone t) {
        return Nearness.of(t);
    }

    private static String percent(double share) {
        return String.format(Locale.ROOT, "%.0f %%", 100 * share);
    }

    private void settings(Page page, DerivedTone derived) {
        page.heading("Settings, in signal order");
        List<List<String>> rows = new ArrayList<>();
        for (Block b : derived.tone().blocks()) {
            if (!b.on()) continue;
            boolean first = true;
            for (Control c : b.model().controls()) {
                if (!b.settings().containsKey(c.name()) || isUnused(b, c)) continue;
                Optional<Tolerance> t = derived.tolerances().stream()
                        .filter(x -> x.block().equals(b.id()) && x.control().equals(c.name())).findFirst();
                String name = b.model().kind() == GearKind.EQUALIZER ? c.name() : b.label(c.name());
                rows.add(List.of(first ? placed(derived.tone(), b) : "", name,
                        rig.display(b.model(), c, b.get(c.name())),
                        t.filter(x -> x.isHeard(c)).map(x -> rig.displayRange(b.model(), c, x.low(), x.high()))
                                .orElse(""),
                        derived.locked().holds(b.id(), c.name())
                                ? "locked by the player"
                                : t.map(x -> x.isHeard(c) ? x.why() : "not heard here, left as usual").orElse("")));
                first = false;
            }
            if (first) rows.add(List.of(placed(derived.tone(), b), "", "as it is", "", ""));
        }
        page.table(List.of("block", "control", "set to", "can move", "rests on"), rows);
        for (Branch b : derived.tone().routing().branches()) page.paragraph(branch(b));
        page.paragraph("Start quiet and match loudness before judging. A valve amp never runs without its speaker or a"
                + " rated load; work inside it is for a qualified technician.");
    }

    /** A block's model, and its way where it is not the main one. */
    private static String placed(Tone tone, Block b) {
        String way = Ways.of(tone, b.id());
        return b.model().name()
                + (way.equals(Ways.MAIN) ? "" : way.equals(Ways.LOOP) ? ", in the loop" : ", on " + way);
    }

    private static String branch(Branch b) {
        String level = String.format(Locale.ROOT, "%+.1f dB", b.levelDb()).replace('-', '−');
        String side = b.pan() == 0
                ? ""
                : String.format(Locale.ROOT, ", %.0f %% to the %s", Math.abs(b.pan()), b.pan() < 0 ? "left" : "right");
        return "The branch " + b.name() + " leaves behind " + b.after() + " and comes back before " + b.before()
                + ", at " + level + side + (b.turned() ? ", its phase turned." : ".");
    }

    /** The frequency and width of a peak that is flat say nothing. */
    public static boolean isUnused(Block b, Control c) {
        for (int p = 1; p <= 4; p++) {
            String peak = ControlNames.peak(p);
            if (c.name().startsWith(peak + " ") && b.get(peak) == 0) return true;
        }
        return false;
    }

    private static void remarks(Page page, Remarks r) {
        if (!r.sketch().helps().isEmpty())
            page.paragraph("What would help most: " + String.join("; ", r.sketch().helps()) + ".");
        if (!r.enough().isEmpty()) page.paragraph(r.enough());
        if (!r.start().isEmpty()) {
            page.paragraph("Nearest known tone: " + r.start() + (r.changed().isEmpty()
                    ? "."
                    : ". Changed from it: " + String.join(", ", r.changed()) + "."));
        }
        if (!r.ties().isEmpty()) {
            page.paragraph(
                    "Can be traded: " + String.join("; ", r.ties().stream().map(ControlTrade::words).toList()) + ".");
        }
    }

    /** A part of the sound by its name, with the span of frequencies for those who think in them. */
    private static String named(GapAttribute a) {
        return a.isBand()
                ? a.playersWords() + ", " + a.words().replace("spectrum ", "").replace('-', '–')
                : a.words();
    }

    private static void gap(Page page, GapLedger gap) {
        List<GapRow> rows = gap.rows();
        page.heading("What still differs");
        page.table(List.of("attribute", "reference", "mine", "JND", "advice"), rows.stream()
                .map(r -> List.of(named(r.attribute()), figure(r.reference(), r.unit()),
                        figure(r.candidate(), r.unit()),
                        String.format(Locale.ROOT, "%.1f", r.audibility()),
                        gap.wantedSo().contains(r.attribute())
                                ? "wanted so"
                                : r.audibility() < 1 ? "below hearing" : r.advice()))
                .toList());
    }

    private void travel(Page page) {
        if (travelled.isEmpty()) return;
        page.heading("On other systems");
        List<String> head = new ArrayList<>(List.of("system, loudness matched"));
        travelled.get(0).bands().forEach(b -> head.add(b.name()));
        head.add("what to turn");
        page.table(head, travelled.stream().map(t -> {
            List<String> row = new ArrayList<>(List.of(t.system().name()));
            t.bands().forEach(b -> row.add(signed(b.changeDb())));
            row.add(t.advice().isEmpty() ? "nothing" : t.advice().get(0));
            return row;
        }).toList());
        Journey.worst(travelled).ifPresent(w -> page.paragraph(
                "It changes most on: " + w.system().name() + " (" + String.join(", ", w.findings()) + ")."));
        page.paragraph(String.format(Locale.ROOT,
                "Heard at %.0f dB SPL. Loud playing harms hearing: at 85 dBA %.0f hours a day are safe, half as long for every 3 dB more.",
                Journey.WORKING_LEVEL_DB_SPL, ListeningDose.safeMinutesPerDay(85) / 60));
    }

    private static void alternatives(Page page, List<Alternative> alternatives) {
        if (alternatives.isEmpty()) return;
        page.heading("Other choices");
        page.table(List.of("instead", "costs, dB"), alternatives.stream()
                .map(a -> List.of(a.what(), String.format(Locale.ROOT, "%.2f", a.worseDb()))).toList());
    }

    private static String figure(double value, String unit) {
        return minus(String.format(Locale.ROOT, "%.1f %s", value, unit));
    }

    private static String signed(double db) {
        return minus(String.format(Locale.ROOT, "%+.1f", db));
    }

    private static String minus(String figure) {
        return figure.replaceFirst("^-", "−");
    }
}
