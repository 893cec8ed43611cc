package verisonus.casebook.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import verisonus.casebook.sheet.page.Page;
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
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.Alternative;
import verisonus.core.search.ControlTrade;
import verisonus.core.take.Pairing;
import verisonus.core.travel.BandChange;
import verisonus.core.travel.GapHeard;
import verisonus.core.travel.Journey;
import verisonus.core.travel.ListeningDose;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.TravelFinding;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.trim.Trim;
import verisonus.core.travel.trim.TrimWords;
import verisonus.core.work.Figures;

/**
 * The document that lets somebody set a tone up again. The first page answers what to set; the rest why, what the recording
 * shows, what still differs, how it travels, what else would do.
 *
 * @param title the case or the recording
 * @param subtitle whose sound it is, may be empty
 * @param findings what was measured in the reference
 * @param tone the settings, where a tone was derived
 * @param travelled the tone on playback systems, may be empty
 * @param rig whose scales the settings are shown in
 * @param source what it was made from, drawings, trims, notes
 */
public record ToneSheet(String title, String subtitle, List<EvidenceSentences> findings, Optional<DerivedTone> tone,
        List<Travelled> travelled, Rig rig, SheetSource source) {
    /** Topics that a player needs before the first note. */
    private static final Set<String> BEFORE_PLAYING = Set.of("Pulse", "Echo", "Pickup", "Pitch");
    private static final double WORTH_A_ROW_JND = 1;
    private static final int MOST_SAID = 3;

    public ToneSheet {
        findings = List.copyOf(findings);
        travelled = List.copyOf(travelled);
    }

    /** Without anything beside the tone. */
    public ToneSheet(String title, String subtitle, List<EvidenceSentences> findings, Optional<DerivedTone> tone,
            List<Travelled> travelled, Rig rig) {
        this(title, subtitle, findings, tone, travelled, rig, SheetSource.NONE);
    }

    /** Settings by themselves: a tone that no case stands behind. */
    public static ToneSheet ofSettings(Tone tone, Rig rig) {
        DerivedTone bare = new DerivedTone(tone, Optional.empty(), Locks.NONE, List.of(), List.of(),
                new GapLedger(List.of(), OptionalDouble.empty(), Set.of()),
                new DerivedTone.Search(Pairing.OTHER_PLAYING, 0, 0, "", 0));
        return new ToneSheet(tone.name(), "", List.of(), Optional.of(bare), List.of(), rig);
    }

    /** Only what to set, and what stands in the way of it on the player's gear. */
    public Page settingsPage(SheetContents contents) {
        Page page = new Page(title);
        tone.ifPresent(t -> {
            settings(page, t, contents.scales());
            if (contents.parts().contains(SheetPart.COST)) cost(page, t);
        });
        return page;
    }

    /** The whole page. */
    public Page page() {
        return page(SheetContents.ALL);
    }

    /** What to set, and the chosen parts of the rest. */
    public Page page(SheetContents contents) {
        Set<SheetPart> parts = contents.parts();
        Page page = new Page(title);
        page.paragraph(subtitle);
        tone.ifPresentOrElse(t -> {
            page.paragraph(nearness(t));
            settings(page, t, contents.scales());
            beforePlaying(page);
        }, () -> page.paragraph("No tone has been derived yet."));
        if (parts.isEmpty() || tone.isEmpty() && findings.isEmpty()) return page;
        if (parts.contains(SheetPart.PLAYED))
            tone.ifPresent(t -> source.played().write(page, t.tone(), rig));
        page.newSheet();
        if (parts.contains(SheetPart.DRAWINGS)) source.drawings().forEach(page::picture);
        tone.filter(_ -> parts.contains(SheetPart.REASONS)).ifPresent(t -> reasons(page, t));
        if (parts.contains(SheetPart.DIFFERENCES)) tone.ifPresent(t -> gap(page, t));
        if (parts.contains(SheetPart.TRAVEL) && tone.isPresent()) travel(page);
        if (parts.contains(SheetPart.RECORD)) record(page);
        if (parts.contains(SheetPart.CHOICES)) tone.ifPresent(t -> choices(page, t.alternatives()));
        if (parts.contains(SheetPart.COST)) tone.ifPresent(t -> cost(page, t));
        if (parts.contains(SheetPart.TRIED)) tried(page);
        return page;
    }

    /** Only what to set, large, for a stand on a dark stage. */
    public Page stagePage() {
        Page page = new Page(title, true);
        tone.ifPresentOrElse(t -> {
            List<List<String>> rows = new SettingRows(t, rig).rows();
            page.table(List.of("", "", "set to"), rows.stream().map(r -> r.subList(0, 3)).toList());
            source.played().variants(page, t.tone(), rig);
            source.played().song(page, t.tone());
        }, () -> page.paragraph("No tone has been derived yet."));
        return page;
    }

    /** One sentence: how near the tone is and how it was come by. */
    public static String verdict(DerivedTone t) {
        if (t.isOwn()) return nearness(t);
        return Figures.of("%s%s Derived from a take of %s, in %.0f s.", nearness(t),
                compared(t.gap(), " Largest remaining difference"), t.search().pairing().said(), t.search().seconds());
    }

    /** The gap in figures; nothing where no band of the recording is known to be the guitar's. */
    private static String compared(GapLedger gap, String largest) {
        OptionalDouble db = gap.spectrumRmsDb();
        return db.isEmpty()
                ? ""
                : Figures.of("%s %.1f JND, spectrum %.1f dB RMS.", largest, gap.scoreJnd(), db.getAsDouble());
    }

    /** How near it is, and what is missing or could not be told. */
    public static String nearness(DerivedTone t) {
        return Nearness.of(t);
    }

    /** The first sentence of {@link #nearness}: how near it is by what was measured. */
    public static String nearnessInOneLine(DerivedTone t) {
        return Nearness.line(t);
    }

    /** The other sentences of {@link #nearness}: what is missing, stays open or could not be told. */
    public static List<String> leftOpen(DerivedTone t) {
        return Nearness.open(t);
    }

    private static String percent(double share) {
        return Figures.of("%.0f %%", 100 * share);
    }

    private void settings(Page page, DerivedTone derived, List<DeviceScale> scales) {
        SettingRows rows = new SettingRows(derived, rig, scales);
        page.heading("What to set, in signal order");
        List<String> heads = new ArrayList<>(List.of("device", "control", "set to"));
        scales.forEach(s -> heads.add(s.words()));
        heads.add("can move");
        page.table(heads, rows.rows());
        rows.unheard().ifPresent(page::paragraph);
        for (Branch b : derived.tone().routing().branches()) page.paragraph(SettingRows.branch(b));
        page.caution("Start quiet and match loudness before judging. A valve amp never runs without its speaker or a"
                + " rated load; work inside it is for a qualified technician.");
    }

    /** The frequency and width of a peak that is flat say nothing. */
    public static boolean isUnused(Block b, Control c) {
        for (int p = 1; p <= 4; p++) {
            String peak = ControlNames.peak(p);
            if (c.name().startsWith(peak + " ") && b.get(peak) == 0) return true;
        }
        return false;
    }

    private void beforePlaying(Page page) {
        List<List<String>> rows = new ArrayList<>();
        if (!rig.guitars().isEmpty()) rows.add(List.of("Guitar", String.join(" or ", rig.guitars())));
        for (EvidenceSentences f : findings)
            if (BEFORE_PLAYING.contains(f.topic()) && !f.sentence().startsWith("Cannot") && !isOvertaken(f))
                rows.add(List.of(f.topic(), f.sentence() + (f.remark().isEmpty() ? "" : " (" + f.remark() + ")")));
        for (String made : source.made())
            rows.add(List.of(made.substring(0, Math.max(0, made.indexOf(':'))),
                    made.substring(made.indexOf(':') + 1).strip()));
        if (rows.isEmpty()) return;
        page.heading("Before playing");
        page.table(List.of("", ""), rows);
    }

    /** What the recording alone did not show and the phrase played again did is no news before playing. */
    private boolean isOvertaken(EvidenceSentences f) {
        return f.topic().equals("Echo") && f.sentence().startsWith("No ") && tone.isPresent() && tone.get().tone()
                .blocks().stream().anyMatch(b -> b.on() && b.model().kind() == GearKind.ECHO);
    }

    private void reasons(Page page, DerivedTone t) {
        List<List<String>> reasons = new SettingRows(t, rig).reasons();
        Remarks r = t.remarks();
        page.heading("Why it is set so");
        page.paragraph(Figures.of("Derived from a take of %s, in %.0f s.",
                t.search().pairing().said(), t.search().seconds()));
        page.table(List.of("what was heard", "decided"), reasons);
        if (!r.sketch().helps().isEmpty())
            page.paragraph("What would help most: " + String.join("; ", r.sketch().helps()) + ".");
        page.paragraph(r.enough());
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

    private void record(Page page) {
        if (findings.isEmpty()) return;
        page.heading("What the recording shows");
        page.table(List.of("", "finding", "rests on", "sure"), findings.stream()
                .map(s -> List.of(s.topic(), s.sentence(), s.remark(),
                        s.confidence().isPresent() ? percent(s.confidence().getAsDouble()) : ""))
                .toList());
    }

    /** A part of the sound by its name, with the span of frequencies for those who think in them. */
    private static String named(GapAttribute a) {
        return a.isBand()
                ? a.playersWords() + ", " + a.words().replace("spectrum ", "").replace('-', '–')
                : a.words();
    }

    private static void gap(Page page, DerivedTone t) {
        GapLedger gap = t.gap();
        page.heading("What still differs");
        String figures = compared(gap, "Largest difference");
        page.paragraph(figures.isEmpty()
                ? "Nothing of the recording is known to be the guitar's own: how far this tone is from it could not be measured."
                : figures + " One JND is the least that a trained listener notices.");
        List<GapRow> heard = gap.rows().stream().filter(r -> r.audibility() >= WORTH_A_ROW_JND).toList();
        page.table(List.of("attribute", "reference", "mine", "JND", "advice"), heard.stream()
                .map(r -> List.of(named(r.attribute()), figure(r.reference(), r.unit()),
                        figure(r.candidate(), r.unit()), Figures.of("%.1f", r.audibility()),
                        gap.wantedSo().contains(r.attribute()) ? "left so, as wanted" : r.advice()))
                .toList());
        List<String> below = gap.rows().stream().filter(r -> r.audibility() < WORTH_A_ROW_JND)
                .map(r -> r.attribute().isBand() ? r.attribute().playersWords() : r.attribute().words()).toList();
        if (!below.isEmpty()) page.paragraph("Below hearing: " + String.join(", ", below) + ".");
    }

    private void travel(Page page) {
        if (travelled.isEmpty()) return;
        page.heading("On other systems");
        List<BandChange> bands = travelled.get(0).bands().stream()
                .filter(b -> !b.name().equals(NamedBand.SUB.words())).toList();
        List<String> head = new ArrayList<>(List.of("dB, loudness matched"));
        bands.forEach(b -> head.add(b.name()));
        page.table(head, travelled.stream().map(t -> {
            List<String> row = new ArrayList<>(List.of(t.system().name()));
            bands.forEach(b -> row.add(t.bands().stream().filter(x -> x.name().equals(b.name())).findFirst()
                    .map(x -> signed(x.changeDb())).orElse("")));
            return row;
        }).toList());
        List<List<String>> turns = new ArrayList<>();
        for (Travelled t : travelled) {
            Trim trim = source.trims().get(t.system().id());
            String what = trim != null
                    ? TrimWords.of(trim, rig)
                    : t.advice().isEmpty() ? "nothing" : String.join("; ", t.advice());
            turns.add(List.of(t.system().name(), what, source.notes().getOrDefault(t.system().id(), "")));
        }
        boolean anyNote = turns.stream().anyMatch(r -> !r.get(2).isEmpty());
        page.table(anyNote ? List.of("system", "what to turn", "heard") : List.of("system", "what to turn"),
                turns.stream().map(r -> anyNote ? r : r.subList(0, 2)).toList());
        Journey.worst(travelled).ifPresent(w -> page.paragraph("It changes most on: " + w.system().name() + " ("
                + String.join(", ", w.details().stream().filter(f -> f.kind() != TravelFinding.Kind.GAP)
                        .limit(MOST_SAID).map(TravelFinding::sentence).toList())
                + ")."));
        gapHeard(page);
        page.caution(Figures.of(
                "Heard at %.0f dB SPL. Loud playing harms hearing: at 85 dBA %.0f hours a day are safe, half as long for every 3 dB more.",
                Journey.WORKING_LEVEL_DB_SPL, ListeningDose.safeMinutesPerDay(85) / 60));
    }

    /** On which systems a difference to the record stays audible. */
    private void gapHeard(Page page) {
        List<List<String>> rows = new ArrayList<>();
        for (NamedBand band : NamedBand.values()) {
            List<String> heard = new ArrayList<>();
            List<String> hidden = new ArrayList<>();
            double largest = 0;
            for (Travelled t : travelled) {
                Optional<GapHeard> gap = t.gaps().stream().filter(g -> g.band() == band).findFirst();
                if (gap.isEmpty()) continue;
                (gap.get().heard() ? heard : hidden).add(t.system().name());
                if (Math.abs(gap.get().gapDb()) > Math.abs(largest)) largest = gap.get().gapDb();
            }
            if (heard.isEmpty() && hidden.isEmpty()) continue;
            rows.add(List.of(band.words(), signed(largest), heard.size() == travelled.size()
                    ? "everywhere"
                    : String.join(", ", heard), hidden.isEmpty() ? "" : String.join(", ", hidden)));
        }
        if (rows.isEmpty()) return;
        page.table(List.of("against the record", "dB", "heard on", "hidden on"), rows);
    }

    private static void choices(Page page, List<Alternative> alternatives) {
        if (alternatives.isEmpty()) return;
        page.heading("Other choices");
        page.table(List.of("instead", "costs, dB"), alternatives.stream()
                .map(a -> List.of(a.what(), Figures.read("%.2f", a.worseDb()))).toList());
    }

    /** Price, weight and minutes of the gear in use, where the player has said them. */
    private void cost(Page page, DerivedTone t) {
        double price = 0;
        double weight = 0;
        double minutes = 0;
        List<String> unknown = new ArrayList<>();
        for (Block b : t.tone().blocks()) {
            if (!b.on()) continue;
            Rig.Practical p = rig.practical(b.model());
            if (p.equals(Rig.Practical.UNKNOWN)) unknown.add(b.model().name());
            price += p.price();
            weight += p.weightKg();
            minutes += p.setupMinutes();
        }
        if (price + weight + minutes == 0) return;
        page.heading("What it takes");
        page.paragraph(Figures.of("Price %.0f, weight %.1f kg, %.0f minutes to set up%s.", price,
                weight, minutes, unknown.isEmpty() ? "" : "; not known of " + String.join(", ", unknown)));
    }

    private void tried(Page page) {
        if (source.tried().isEmpty()) return;
        page.heading("What was tried");
        page.table(List.of("change, newest first"), source.tried().stream().map(List::of).toList());
    }

    private static String figure(double value, String unit) {
        return minus(Figures.of("%.1f %s", value, unit));
    }

    private static String signed(double db) {
        return minus(Figures.of("%+.1f", db));
    }

    private static String minus(String figure) {
        return figure.replaceFirst("^-", "−");
    }
}
