package verisonus.casebook.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.take.Pairing;
import verisonus.core.work.InputFault;

/** What a casebook keeps of recordings, regions and tones. */
class RecordingsAndTonesTest {
    @TempDir
    private Path dir;
    private Casebook book;
    private long caseId;

    @BeforeEach
    void create() {
        book = Casebook.create(dir.resolve("a.casebook"));
        caseId = book.addCase("Evening", "Nobody", "");
    }

    @AfterEach
    void close() {
        book.close();
    }

    private static byte[] wav(double seconds, double hz) {
        float[] x = new float[(int) (seconds * 48_000)];
        for (int i = 0; i < x.length; i++) x[i] = (float) (0.2 * Math.sin(2 * Math.PI * hz * i / 48_000));
        return SoundWriter.encode(Sound.mono(x, 48_000), SoundWriter.Format.WAV_24);
    }

    private long add(Medium.Role role, String name, double hz) {
        return book.recordings().addMedium(caseId, role, name, wav(2, hz));
    }

    private static DerivedTone derived(double gain, double jnd) {
        Tone tone = new Tone("t", List.of(Block.of("chiming edge").with(ControlNames.GAIN, gain)));
        GapLedger gap = jnd == 0
                ? new GapLedger(List.of(), 0)
                : new GapLedger(List.of(new GapRow(GapAttribute.CREST, "dB", 10, 10 + jnd, 1, "amp", "less gain",
                        true)), 1);
        return new DerivedTone(tone, Optional.empty(), Locks.NONE, List.of(), List.of(), gap,
                new DerivedTone.Search(Pairing.SAME_PERFORMANCE, 1, 10, "", 0));
    }

    @Test
    void referencesComeFirstThenTakesThenTheRest() {
        add(Medium.Role.BACKING, "band.wav", 100);
        add(Medium.Role.DI, "take.wav", 200);
        add(Medium.Role.REFERENCE, "record.wav", 300);
        assertThat(book.recordings().media(caseId)).extracting(Medium::title).containsExactly("record", "take", "band");
        assertThat(book.recordings().media(caseId)).allSatisfy(m -> assertThat(m.durationS()).isCloseTo(2,
                within(1e-3)));
    }

    @Test
    void aRecordingSoundsAsTheFileThatWasAdded() {
        add(Medium.Role.REFERENCE, "record.wav", 440);
        String hash = book.recordings().media(caseId).getFirst().hash();
        Sound s = book.recordings().sound(hash);
        assertThat(s.frames()).isEqualTo(96_000);
        assertThat(s.mid()[27]).isCloseTo((float) (0.2 * Math.sin(2 * Math.PI * 440 * 27 / 48_000)), within(1e-5f));
        assertThatThrownBy(() -> book.recordings().sound("no such hash")).isInstanceOf(InputFault.class)
                .hasMessageContaining("no such recording");
    }

    @Test
    void whatIsNoSoundIsNotAddedAndLeavesNoEntry() {
        int before = book.logbook().size();
        assertThatThrownBy(() -> book.recordings().addMedium(caseId, Medium.Role.DI, "x.wav", new byte[]{1, 2, 3}))
                .isInstanceOf(InputFault.class).hasMessageContaining("x.wav");
        assertThat(book.logbook()).hasSize(before);
        assertThat(book.recordings().media(caseId)).isEmpty();
    }

    @Test
    void aRecordingTakesAnotherPartAndUndoGivesItBack() {
        add(Medium.Role.DI, "take.wav", 200);
        Medium m = book.recordings().media(caseId).getFirst();
        book.recordings().changeRole(m, Medium.Role.BACKING);
        assertThat(book.recordings().media(caseId).getFirst().role()).isEqualTo(Medium.Role.BACKING);
        assertThat(book.undo().orElseThrow()).contains("take is now the backing");
        assertThat(book.recordings().media(caseId).getFirst().role()).isEqualTo(Medium.Role.DI);
    }

    @Test
    void removedWithItsRegionsItComesBackWithThem() {
        long medium = add(Medium.Role.REFERENCE, "record.wav", 300);
        book.recordings().addRegion(medium, Region.Role.CORE_TONE, 0.2, 1.4);
        book.recordings().addRegion(medium, Region.Role.values()[1], 1.0, 1.8);
        book.recordings().removeMedium(book.recordings().media(caseId).getFirst());
        assertThat(book.recordings().media(caseId)).isEmpty();
        assertThat(book.recordings().regions(medium)).isEmpty();
        book.undo();
        assertThat(book.recordings().regions(medium)).extracting(Region::fromS).containsExactly(0.2, 1.0);
    }

    @Test
    void regionsComeInTheOrderOfTime() {
        long medium = add(Medium.Role.REFERENCE, "record.wav", 300);
        book.recordings().addRegion(medium, Region.Role.CORE_TONE, 1.2, 1.9);
        book.recordings().addRegion(medium, Region.Role.CORE_TONE, 0.1, 0.9);
        assertThat(book.recordings().regions(medium)).extracting(Region::fromS).containsExactly(0.1, 1.2);
    }

    @Test
    void aMovedRegionKeepsItsNumberAndSaysInTheLogbookWhere() {
        long medium = add(Medium.Role.REFERENCE, "record.wav", 300);
        long id = book.recordings().addRegion(medium, Region.Role.CORE_TONE, 0.1, 0.9);
        Region r = book.recordings().regions(medium).getFirst();
        book.recordings().updateRegion(new Region(r.id(), r.mediumId(), r.role(), 0.3, 1.1));
        assertThat(book.recordings().regions(medium)).singleElement().satisfies(m -> {
            assertThat(m.id()).isEqualTo(id);
            assertThat(m.toS()).isCloseTo(1.1, within(1e-9));
        });
        assertThat(book.logbook(caseId).getFirst().text()).contains("0.3–1.1 s");
    }

    @Test
    void aRegionThatWasNotMeasuredHasNoMeasurement() {
        long medium = add(Medium.Role.REFERENCE, "record.wav", 300);
        long id = book.recordings().addRegion(medium, Region.Role.CORE_TONE, 0.1, 0.9);
        assertThat(book.recordings().measurement(id)).isEmpty();
        assertThat(book.recordings().course(book.recordings().media(caseId).getFirst().hash())).isEmpty();
    }

    @Test
    void aCaseHasOneToneAndTheOneBeforeComesBackWithUndo() {
        assertThat(book.tones().tone(caseId)).isEmpty();
        book.tones().keepTone(caseId, derived(4, 3), "Derived");
        book.tones().keepTone(caseId, derived(6, 1.5), "Amp gain to 6");
        assertThat(gain()).isEqualTo(6);
        book.undo();
        assertThat(gain()).isEqualTo(4);
        book.undo();
        assertThat(book.tones().tone(caseId)).isEmpty();
        book.redo();
        assertThat(gain()).isEqualTo(4);
    }

    private double gain() {
        return book.tones().tone(caseId).orElseThrow().tone().blocks().getFirst().get(ControlNames.GAIN);
    }

    @Test
    void theGapOfEveryCaseIsReadWithoutItsTone() {
        long other = book.addCase("Other", "", "");
        long bare = book.addCase("Bare", "", "");
        book.tones().keepTone(caseId, derived(4, 3), "Derived");
        book.tones().keepTone(other, derived(5, 0), "Derived");
        assertThat(book.tones().gapsJnd()).containsOnlyKeys(caseId, other).doesNotContainKey(bare);
        assertThat(book.tones().gapsJnd().get(caseId))
                .hasValueCloseTo(book.tones().tone(caseId).orElseThrow().gap().scoreJnd(), within(1e-9));
    }

    @Test
    void aToneThatNothingCouldBeMeasuredAgainstHasNoGapNotEvenNone() {
        DerivedTone measured = derived(4, 3);
        GapLedger open = new GapLedger(List.of(), OptionalDouble.empty(), Set.of());
        book.tones().keepTone(caseId, measured, "Derived");
        book.tones().keepTone(caseId, measured.turned(measured.tone(), open), "Set up");
        assertThat(book.tones().gapsJnd().get(caseId)).isEmpty();
        assertThat(book.tones().tone(caseId).orElseThrow().gap().isMeasured()).isFalse();
        book.tones().keepTone(caseId, measured, "Derived again");
        assertThat(book.tones().gapsJnd().get(caseId)).isPresent();
    }

    @Test
    void locksAreKeptWithTheTone() {
        ControlPlace place = new ControlPlace("amp", ControlNames.GAIN);
        book.tones().keepTone(caseId, derived(4, 3).locking(Locks.NONE.with(place, true)), "Locked");
        assertThat(book.tones().tone(caseId).orElseThrow().locked().holds(place)).isTrue();
    }

    @Test
    void aToneKeptJustNowIsOfNoEarlierEdition() {
        book.tones().keepTone(caseId, derived(4, 3), "Derived");
        assertThat(book.tones().outdated(caseId)).isEmpty();
        assertThat(book.tones().outdated(caseId + 99)).isEmpty();
    }

    @Test
    void everyChangeBelongsToItsCase() {
        add(Medium.Role.DI, "take.wav", 200);
        book.addCase("Other", "", "");
        assertThat(book.logbook(caseId)).extracting(LogEntry::text).containsExactly("Added take.wav as di");
        assertThat(book.logbook()).hasSize(3);
    }
}
