package verisonus.desktop.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.evidence.study.Isolation;
import verisonus.core.evidence.study.Passage;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.player.Source;

/** How a recording is heard, zoomed and exchanged, without its view. */
class ListenBenchTest {
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

    private ListenModel model() {
        ListenModel m = new ListenModel(fixture.desk());
        fixture.settle();
        return m;
    }

    @Test
    void zoomingKeepsTheTimeUnderThePointerAndEndsAtTheRecording() {
        ListenModel m = model();
        assertThat(m.view().get().toS()).isCloseTo(4, within(1e-6));
        m.zoom(0.5, 1);
        assertThat(m.view().get().fromS()).isCloseTo(0.5, within(1e-6));
        assertThat(m.view().get().toS()).isCloseTo(2.5, within(1e-6));
        m.scroll(99);
        assertThat(m.view().get().toS()).isCloseTo(4, within(1e-6));
        m.zoom(1e6, 3);
        assertThat(m.view().get().fromS()).isZero();
    }

    @Test
    void aCourseThatWasDrawnIsKeptForTheNextTime() {
        model();
        assertThat(fixture.book().recordings().course(reference().hash())).isPresent();
        assertThat(new ListenModel(fixture.desk()).course().get()).isPresent();
    }

    @Test
    void anAcceptedProposalBecomesARegionAndIsProposedNoMore() {
        ListenModel m = model();
        List<Passage> open = m.openProposals();
        assertThat(m.acceptNext()).isEqualTo(!open.isEmpty());
        assertThat(m.openProposals()).hasSize(Math.max(0, open.size() - 1));
        assertThat(fixture.open().regions()).hasSize(Math.min(1, open.size()));
    }

    @Test
    void theReferenceIsHeardInWaysThatSuitIt() {
        ListenModel m = model();
        m.nextIsolation();
        fixture.settle();
        assertThat(fixture.desk().isolation().get()).isEqualTo(Isolation.RINGING);
        m.nextIsolation();
        m.nextIsolation();
        fixture.settle();
        assertThat(fixture.desk().isolation().get()).isEqualTo(Isolation.BY_TAKE);
        m.nextIsolation();
        fixture.settle();
        assertThat(fixture.desk().isolation().get()).isEqualTo(Isolation.WHOLE);
    }

    @Test
    void whereTheTakePlaysSomethingElseEverythingIsHeardAndThatIsSaid() {
        float[] backwards = DeskFixture.notes(4, 0.23).mid().clone();
        for (int i = 0, k = backwards.length - 1; i < k; i++, k--) {
            float x = backwards[i];
            backwards[i] = backwards[k];
            backwards[k] = x;
        }
        long id = fixture.book().addCase("Other Take", "Nobody, “Nothing”", "");
        fixture.book().recordings().addMedium(id, Medium.Role.REFERENCE, "reference.wav",
                SoundWriter.encode(DeskFixture.notes(4, 0.4), SoundWriter.Format.WAV_24));
        fixture.book().recordings().addMedium(id, Medium.Role.DI, "di.wav",
                SoundWriter.encode(Sound.mono(backwards, 48000), SoundWriter.Format.WAV_24));
        fixture.desk().openCase(fixture.book().cases().stream().filter(c -> c.id() == id).findFirst().orElseThrow());
        fixture.settle();
        fixture.desk().isolation().set(Isolation.BY_TAKE);
        fixture.settle();
        assertThat(fixture.desk().isolation().get()).isEqualTo(Isolation.WHOLE);
        assertThat(fixture.desk().work().fault().get()).contains("the take").contains("play the record's phrase");
    }

    @Test
    void anotherReferenceIsStudiedWithItsOwnRegions() {
        Medium first = reference();
        mark(first);
        Medium other = second();
        fixture.desk().chooseReference(other);
        fixture.settle();
        assertThat(reference().id()).isEqualTo(other.id());
        assertThat(fixture.open().regions()).isEmpty();
        assertThat(fixture.open().references()).hasSize(2);
        fixture.desk().chooseReference(first);
        fixture.settle();
        assertThat(fixture.open().regions()).hasSize(1);
    }

    @Test
    void aRecordingBesideIsHeardByItsOwnKey() {
        Medium other = second();
        fixture.desk().hearBeside(Optional.of(new Desk.Beside(other, 0, other.title())));
        fixture.settle();
        assertThat(fixture.desk().player().has(Source.BESIDE)).isTrue();
        fixture.desk().player().choose(Source.BESIDE);
        assertThat(fixture.desk().player().source().get()).isEqualTo(Source.BESIDE);
        assertThat(fixture.desk().beside().get()).isPresent();
    }

    @Test
    void aRecordingCanBeTakenOut() {
        Medium other = second();
        fixture.desk().removeMedium(other);
        fixture.settle();
        assertThat(fixture.open().references()).hasSize(1);
        fixture.desk().changeRole(reference(), Medium.Role.BACKING);
        fixture.settle();
        assertThat(fixture.open().references()).isEmpty();
    }

    @Test
    void aTakeIsHeardFromWhereItWasLaidAndFoundAgainWhereNothingIsTyped() {
        ListenModel m = model();
        Medium take = fixture.open().first(Medium.Role.DI).orElseThrow();
        assertThat(m.lay(take, "1,5")).isTrue();
        fixture.settle();
        assertThat(fixture.desk().sounds().get().diStartS()).isEqualTo(1.5);
        assertThat(fixture.open().laidS()).hasValue(1.5);
        for (String no : List.of("soon", "4.5", "-9", "NaN")) assertThat(m.lay(take, no)).as(no).isFalse();
        Medium laid = fixture.open().first(Medium.Role.DI).orElseThrow();
        assertThat(m.lay(laid, "")).isTrue();
        fixture.settle();
        assertThat(fixture.open().laidS()).isEmpty();
        assertThat(fixture.desk().sounds().get().diStartS()).isZero();
        fixture.desk().undo();
        fixture.settle();
        assertThat(fixture.desk().sounds().get().diStartS()).isEqualTo(1.5);
    }

    @Test
    void whereASearchFoundItCloseToWhereItWasLaidCountsMore() {
        fixture.mark();
        fixture.keepTone();
        ListenModel m = model();
        Medium take = fixture.open().first(Medium.Role.DI).orElseThrow();
        m.lay(take, "0.3");
        fixture.settle();
        assertThat(fixture.desk().sounds().get().diStartS()).isZero();
        m.lay(fixture.open().first(Medium.Role.DI).orElseThrow(), "2");
        fixture.settle();
        assertThat(fixture.desk().sounds().get().diStartS()).isEqualTo(2);
    }
}
