package verisonus.casebook.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.sheet.page.Page;
import verisonus.casebook.sheet.write.HtmlPage;
import verisonus.casebook.sheet.write.MarkdownPage;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Ways;
import verisonus.core.search.Tolerance;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.travel.Journey;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.work.InputFault;

class SheetTest {
    private static final Rig CLOCK = new Rig(List.of(), Map.of("chiming edge", 1),
            Map.of("chiming edge", DeviceScale.CLOCK), 9);

    private static DerivedTone tone(double gapDb) {
        Tone t = new Tone("t", List.of(Block.of("chiming edge").with("gain", 5),
                Block.of("parametric equalizer").with("peak 1", 3).with("peak 1 frequency", 900).with("peak 2", 0)
                        .with("peak 2 frequency", 400)));
        return new DerivedTone(t, Optional.empty(), Locks.NONE,
                List.of(new Tolerance("amp", "gain", 5, 4, 6, "dynamics")), List.of(),
                new GapLedger(
                        List.of(new GapRow(GapAttribute.BITE, "dB", 0, gapDb, 1, "microphone", "further out", true)),
                        0.5),
                new DerivedTone.Search(Pairing.SAME_PERFORMANCE, 7, 1000, "", 0));
    }

    private static ToneSheet sheet() {
        EvidenceSentences f = new EvidenceSentences("Echo", "Two repeats | 286 ms <apart>.", "triplet", "",
                OptionalDouble.of(0.98), Presence.PRESENT, Optional.empty());
        return new ToneSheet("Glass Harbour", "Oda Marrel", List.of(f), Optional.of(tone(2.4)), List.of(), CLOCK);
    }

    private static String markdown(ToneSheet sheet) {
        return MarkdownPage.of(sheet.page());
    }

    @Test
    void anEqualizerIsARowAFilterAtAFrequencyThatCanBeSet() {
        assertThat(markdown(sheet())).contains("|parametric equalizer|at 900 Hz|+3.0 dB, medium (Q 1.0)|")
                .doesNotContain("peak 1").doesNotContain("400 Hz");
    }

    @Test
    void whatIsNotHeardStandsInOneLine() {
        DerivedTone t = tone(1);
        Tone both = new Tone("t", List.of(Block.of("chiming edge").with("gain", 5).with("sag", 3)));
        DerivedTone unheard = new DerivedTone(both, Optional.empty(), Locks.NONE,
                List.of(new Tolerance("amp", "gain", 5, 4, 6, "dynamics"),
                        new Tolerance("amp", "sag", 3, 0, 10, "feel")),
                List.of(), t.gap(), t.search());
        assertThat(markdown(new ToneSheet("t", "", List.of(), Optional.of(unheard), List.of(), CLOCK)))
                .contains("Not heard here, leave as usual: chiming edge sag.")
                .doesNotContain("|sag|");
    }

    @Test
    void settingsStandOnOtherScalesBesideThePlayersOwn() {
        String md = MarkdownPage
                .of(sheet().page(SheetContents.ALL.beside(List.of(DeviceScale.TENS, DeviceScale.HUNDREDS))));
        assertThat(md).contains("|device|control|set to|0-10|0-100|can move|").contains("|12:00|5.0|50|")
                .contains("|+3.0 dB, medium (Q 1.0)|||");
    }

    @Test
    void partsAreLeftOutAndTheStagePageHoldsOnlyWhatToSet() {
        String bare = MarkdownPage.of(sheet().page(SheetContents.ALL.with(Set.of())));
        assertThat(bare).contains("What to set").doesNotContain("What still differs").doesNotContain("recording shows");
        Page stage = sheet().stagePage();
        assertThat(stage.isLarge()).isTrue();
        assertThat(MarkdownPage.of(stage)).contains("12:00").doesNotContain("11:00").doesNotContain("valve amp");
    }

    @Test
    void whatIsBelowHearingIsNamedAndTakesNoRow() {
        String md = markdown(new ToneSheet("t", "", List.of(), Optional.of(tone(0.4)), List.of(), CLOCK));
        assertThat(md).contains("Below hearing: bite.").doesNotContain("|bite");
    }

    @Test
    void settingsStandInThePlayersOwnScaleWithTheirRange() {
        String md = markdown(sheet());
        assertThat(md).contains("|chiming edge|gain|12:00|11:00 – 13:00|");
        assertThat(md).contains("|dynamics|amp gain|");
    }

    @Test
    void whatStandsBesideOrInTheLoopIsSaid() {
        DerivedTone one = tone(0.5);
        Tone beside = Ways.put(Ways.changed(Ways.beside(one.tone(), "amp", Block.of("open clean")), "amp 2",
                b -> b.mixed(-6, 40, true)), "equalizer", Ways.LOOP);
        String md = markdown(new ToneSheet("t", "", List.of(), Optional.of(one.turned(beside, one.gap())), List.of(),
                CLOCK));
        assertThat(md).contains("open clean, on amp 2").contains("parametric equalizer, in the loop")
                .contains(
                        "The branch amp 2 leaves behind input socket and comes back before output socket, at −6.0 dB, "
                                + "40 % to the right, its phase turned.");
    }

    @Test
    void markdownKeepsACellInOneCell() {
        assertThat(markdown(sheet())).contains("Two repeats \\| 286 ms").doesNotContain(" <apart>");
    }

    @Test
    void htmlIsEscapedAndStandsAlone() {
        String html = HtmlPage.of(sheet().page());
        assertThat(html).contains("286 ms &lt;apart&gt;").doesNotContain("<script").doesNotContain("http");
        assertThat(html).startsWith("<!doctype html>").endsWith("</html>\n");
    }

    @Test
    void csvLeadsEachRowWithItsHeading() {
        assertThat(new String(SheetFormat.CSV.write(sheet()), StandardCharsets.UTF_8))
                .contains("\"What to set, in signal order\",chiming edge,gain,12:00");
    }

    @Test
    void theVerdictFollowsTheGap() {
        assertThat(ToneSheet.nearness(tone(0.5))).startsWith("As near");
        assertThat(ToneSheet.nearness(tone(2))).startsWith("Close").contains("hear 1 difference.");
        assertThat(ToneSheet.nearness(tone(4))).startsWith("On the way");
        assertThat(ToneSheet.nearness(tone(9))).startsWith("Far off");
    }

    @Test
    void cautionsStandOnceWhereTheyMatter() {
        String md = markdown(sheet());
        assertThat(md.split("valve amp", -1)).hasSize(2);
    }

    @Test
    void formatsAreKnownByTheirEnding() {
        assertThat(SheetFormat.of("a.b.MD")).contains(SheetFormat.MARKDOWN);
        assertThat(SheetFormat.of("a.html")).contains(SheetFormat.HTML);
        assertThat(SheetFormat.of("a.doc")).isEmpty();
    }

    @Test
    void aCaseIsFoundByNameAndItsAbsenceNamesTheOthers(@TempDir Path dir) {
        try (Casebook book = Casebook.create(dir.resolve("x.casebook"))) {
            book.addCase("Salt and Static", "", "");
            assertThat(CaseSheet.find(book, "salt AND static").name()).isEqualTo("Salt and Static");
            assertThatThrownBy(() -> CaseSheet.find(book, "Nope")).isInstanceOf(InputFault.class)
                    .hasMessageContaining("Salt and Static");
        }
    }

    @Test
    void travelIsATableWithTheWorstNamedBelow() {
        float[] x = new float[48000 * 2];
        for (int i = 0; i < x.length; i++)
            for (int p = 1; p < 20; p++) x[i] += (float) (0.1 / p * Math.sin(i * 0.0144 * p));
        var travelled = new Journey(Sound.mono(x, 48000), Optional.empty(), Journey.WORKING_LEVEL_DB_SPL)
                .to(PlaybackSystem.ALL);
        String md = markdown(new ToneSheet("T", "", List.of(), Optional.of(tone(1)), travelled, CLOCK));
        assertThat(md).contains("## On other systems").contains("|phone|").contains("It changes most on: ");
        assertThat(md).contains("harms hearing");
    }

    @Test
    void aCaseWithoutAToneSaysSo() {
        String md = markdown(new ToneSheet("T", "", List.of(), Optional.empty(), List.of(), CLOCK));
        assertThat(md).contains("No tone has been derived yet.").doesNotContain("What to set");
    }

    @Test
    void lockedControlsAreMarked() {
        ToneSheet s = new ToneSheet("T", "", List.of(),
                Optional.of(tone(1).locking(Locks.of(ControlPlace.parse("amp/gain")))), List.of(),
                CLOCK);
        assertThat(markdown(s)).contains("locked by you");
    }

    @Test
    void jsonHoldsTheToneForOthers() {
        assertThat(new String(SheetFormat.JSON.write(sheet()), StandardCharsets.UTF_8)).contains("verisonus.tone/1")
                .contains("chiming edge");
    }
}
