package verisonus.desktop.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.Judgement;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.evidence.words.Claim;
import verisonus.core.evidence.words.Word;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.desktop.desk.DeskFixture;

/** What can be done with findings: accepted, corrected, taught, exported. */
class FindingsTest {
    @TempDir
    private Path dir;
    private DeskFixture fixture;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    private Region mark(Medium m) {
        long id = fixture.book().recordings().addRegion(m.id(), Region.Role.CORE_TONE, 0.2, 3.4);
        fixture.desk().refresh();
        fixture.settle();
        return fixture.book().recordings().regions(m.id()).stream().filter(r -> r.id() == id).findFirst().orElseThrow();
    }

    private Medium reference() {
        return fixture.open().first(Medium.Role.REFERENCE).orElseThrow();
    }

    private Medium second() {
        float[] y = DeskFixture.notes(4, 0.4).channel(0).clone();
        new Biquad.Section(Biquad.peak(450, 10, 1, 48000)).process(y, 0, y.length);
        long id = fixture.book().recordings().addMedium(fixture.open().entry().id(), Medium.Role.REFERENCE,
                "second.wav",
                SoundWriter.encode(Sound.mono(y, 48000), SoundWriter.Format.WAV_24));
        fixture.desk().refresh();
        fixture.settle();
        return fixture.open().media().stream().filter(m -> m.id() == id).findFirst().orElseThrow();
    }

    private MeasureModel measured() {
        mark(reference());
        MeasureModel m = new MeasureModel(fixture.desk());
        m.measure();
        fixture.settle();
        return m;
    }

    private static void choose(MeasureModel m, String topic) {
        for (int i = 0; i < m.findings().size(); i++)
            if (m.findings().get(i).topic().equals(topic)) m.selected().set(i);
    }

    @Test
    void aFindingIsAcceptedAndThatTakenBack() {
        MeasureModel m = measured();
        choose(m, "Colour");
        m.accept();
        assertThat(m.verdict("Colour").orElseThrow().state()).isEqualTo(Judgement.State.ACCEPTED);
        m.accept();
        assertThat(m.verdict("Colour")).isEmpty();
    }

    @Test
    void aFigureIsCorrectedWhereItCanBeMeant() {
        MeasureModel m = measured();
        choose(m, "Pulse");
        assertThat(m.correct(5)).isFalse();
        assertThat(m.correct(Double.NaN)).isFalse();
        assertThat(m.correct(98)).isTrue();
        assertThat(Judgement.corrections(fixture.open().verdicts())).hasSize(1);
        choose(m, "Colour");
        assertThat(m.correct(98)).isFalse();
        m.setAside();
        assertThat(m.verdict("Colour").orElseThrow().state()).isEqualTo(Judgement.State.SET_ASIDE);
    }

    @Test
    void aWordIsTaughtByTwoRegionsChangedAndForgotten() {
        MeasureModel m = measured();
        Medium other = second();
        fixture.desk().chooseReference(other);
        fixture.settle();
        mark(other);
        m.measure();
        fixture.settle();
        MeasureModel.Measured without = m.measured().stream().filter(x -> x.medium().id() != other.id()).findFirst()
                .orElseThrow();
        assertThat(m.teach("cardboard", Word.About.COLOUR, without)).startsWith("Learnt: cardboard");
        Word word = m.words().stream().map(Word.Fit::word).filter(w -> w.name().equals("cardboard")).findFirst()
                .orElseThrow();
        Word.Condition c = word.conditions().get(0);
        m.change(word, c, new Word.Condition(c.trait(), c.above(), c.above() ? 1e6 : -1e6));
        assertThat(m.words()).noneMatch(f -> f.word().name().equals("cardboard"));
        m.forget(fixture.book().judgements().vocabulary().stream().filter(w -> w.name().equals("cardboard"))
                .findFirst()
                .orElseThrow());
        assertThat(fixture.book().judgements().vocabulary()).noneMatch(w -> w.name().equals("cardboard"));
        assertThat(m.signature().orElseThrow().rows()).isNotEmpty();
    }

    @Test
    void oneReferenceHasNoSignature() {
        assertThat(measured().signature()).isEmpty();
    }

    @Test
    void aClaimIsJudgedByTheRegion() {
        MeasureModel m = measured();
        Claim claim = new Claim(Claim.Says.CLICK, "a sleeve", Claim.Certainty.RUMOUR);
        m.claim(claim);
        assertThat(fixture.open().claims()).hasSize(1);
        assertThat(m.judge(claim).standing()).isEqualTo(Claim.Standing.UNDECIDED);
        assertThat(m.judge(claim).why()).contains("too short");
        m.removeClaim(fixture.open().claims().get(0));
        assertThat(fixture.open().claims()).isEmpty();
    }

    @Test
    void findingsAreExportedAsATableOrADocument() throws IOException {
        MeasureModel m = measured();
        m.export(dir.resolve("f.csv"));
        m.export(dir.resolve("f.json"));
        fixture.settle();
        assertThat(Files.readAllLines(dir.resolve("f.csv"))).hasSize(m.findings().size() + 1);
        assertThat(Files.readString(dir.resolve("f.json"))).contains("verisonus.evidence/1");
    }

    @Test
    void fourTapsAreATempo() {
        MeasureModel m = measured();
        assertThat(m.tap(0)).contains("3 more");
        for (int i = 1; i < 3; i++) m.tap(i * 500_000_000L);
        assertThat(m.tap(1_500_000_000L)).contains("120.0 BPM");
        m.settleTaps();
        assertThat(m.verdict("Pulse").orElseThrow().figure().orElseThrow()).isEqualTo(120);
        assertThat(m.tap(60_000_000_000L)).as("after a pause it begins anew").contains("3 more");
    }
}
