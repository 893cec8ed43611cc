package verisonus.casebook.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.signs.Plot;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.Alternative;
import verisonus.core.search.ControlTrade;
import verisonus.core.search.Tolerance;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.take.Pairing;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class CasebookTest {
    @TempDir
    private Path dir;
    private Path file;
    private Casebook book;

    @BeforeEach
    void create() {
        file = dir.resolve("test.casebook");
        book = Casebook.create(file);
    }

    @AfterEach
    void close() {
        book.close();
    }

    private void reopen() {
        book.close();
        book = Casebook.open(file);
    }

    static byte[] wav(int frames) {
        float[] x = new float[frames];
        for (int i = 0; i < frames; i++) x[i] = (float) (0.3 * Math.sin(i * 0.05));
        return SoundWriter.encode(Sound.mono(x, 48000), SoundWriter.Format.WAV_24);
    }

    private long caseWithReference() {
        long id = book.addCase("Glass Harbour", "Oda Marrel", "");
        book.recordings().addMedium(id, Medium.Role.REFERENCE, "take.wav", wav(96000));
        return id;
    }

    static DerivedTone tone(double gain) {
        Tone t = new Tone("t", List.of(Block.of("chiming edge").with("gain", gain), Block.of("2×12 open")));
        return new DerivedTone(t, Optional.of(t), Locks.of(ControlPlace.parse("amp/gain")),
                List.of(new Tolerance("amp", "gain", gain, gain - 1, gain + 1, "dynamics")),
                List.of(new Alternative("4×12 closed", 0.25)),
                new GapLedger(List.of(new GapRow(GapAttribute.BITE, "dB", -3, -5.5, 1, "microphone", "nearer", true)),
                        OptionalDouble.of(1.25), Set.of(GapAttribute.BITE)),
                new DerivedTone.Search(Pairing.SAME_PERFORMANCE, 7.5, 1240, "no move brought more", 0.125),
                new Remarks(Goal.IN_THE_SPIRIT,
                        List.of(new ControlTrade(ControlPlace.parse("amp/gain"), ControlPlace.parse("amp/master"), true,
                                1.2, 0.3)),
                        "chiming crunch", List.of("amp gain 7.0 → 4.0"), "Nothing left to gain."));
    }

    @Nested
    class Remembers {
        @Test
        void casesInOrderAfterReopening() {
            book.addCase("One", "a", "n");
            book.addCase("Two", "b", "");
            reopen();
            assertThat(book.cases()).extracting(CaseEntry::name).containsExactly("One", "Two");
            assertThat(book.cases().get(0).note()).isEqualTo("n");
        }

        @Test
        void soundByItsContentOnce() throws SQLException {
            long id = caseWithReference();
            book.recordings().addMedium(id, Medium.Role.DI, "same-sound.wav", wav(96000));
            reopen();
            List<Medium> media = book.recordings().media(id);
            assertThat(media).extracting(Medium::role).containsExactly(Medium.Role.REFERENCE, Medium.Role.DI);
            assertThat(media.get(0).hash()).isEqualTo(media.get(1).hash());
            assertThat(book.recordings().sound(media.get(0).hash()).frames()).isEqualTo(96000);
            assertThat(media.get(0).durationS()).isEqualTo(2);
            assertThat(count("recording")).isEqualTo(1);
        }

        @Test
        void aDerivedToneWithoutLoss() {
            long id = caseWithReference();
            book.tones().keepTone(id, tone(3.25), "Derived");
            reopen();
            assertThat(book.tones().tone(id)).contains(tone(3.25));
            assertThat(book.tones().gapsJnd()).containsEntry(id, OptionalDouble.of(tone(3.25).gap().scoreJnd()));
        }

        @Test
        void theGapOfAToneThatAnEarlierProgramKept() throws SQLException {
            long id = caseWithReference();
            book.tones().keepTone(id, tone(3.25), "Derived");
            book.close();
            try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file); Statement s = c.createStatement()) {
                s.execute("UPDATE tone SET gap_jnd = NULL");
            }
            book = Casebook.open(file);
            assertThat(book.tones().gapsJnd()).containsEntry(id, OptionalDouble.of(tone(3.25).gap().scoreJnd()));
        }

        @Test
        void whatWasMeasuredWholeSoThatItsSentencesAreMadeAnew() {
            long id = caseWithReference();
            Medium medium = book.recordings().media(id).get(0);
            long region = book.recordings().addRegion(medium.id(), Region.Role.CORE_TONE, 0.25, 1.5);
            Evidence e = Examination.of(book.recordings().sound(medium.hash()), Progress.NONE);
            book.recordings().keepMeasurement(region, Measurement.of(e, "{}"));
            reopen();
            Measurement m = book.recordings().measurement(region).orElseThrow();
            assertThat(m.evidence().orElseThrow().level()).isEqualTo(e.level());
            assertThat(m.findings()).extracting(EvidenceSentences::sentence)
                    .isEqualTo(EvidenceSentences.of(e).stream().map(EvidenceSentences::sentence).toList());
            book.undo();
            assertThat(book.recordings().measurement(region)).isEmpty();
            book.redo();
            assertThat(book.recordings().measurement(region).orElseThrow().evidence()).isPresent();
        }

        @Test
        void findingsWithTheirPlots() {
            long id = caseWithReference();
            long region = book.recordings().addRegion(book.recordings().media(id).get(0).id(), Region.Role.CORE_TONE,
                    0.25, 1.5);
            EvidenceSentences f = new EvidenceSentences("Echo", "One repeat.", "eighth", "it resembles itself",
                    OptionalDouble.of(0.9), Presence.PRESENT,
                    Optional.of(new Plot("curve", "ms", new double[]{1, 2}, new double[]{3, 4}, new double[]{2})));
            EvidenceSentences open = new EvidenceSentences("Pulse", "Cannot tell.", "", "", OptionalDouble.empty(),
                    Presence.UNKNOWN, Optional.empty());
            book.recordings().keepMeasurement(region, Measurement.ofSentences(List.of(f, open), "{}"));
            reopen();
            Measurement m = book.recordings().measurement(region).orElseThrow();
            assertThat(m.findings()).hasSize(2);
            assertThat(m.findings().get(0).sentence()).isEqualTo("One repeat.");
            assertThat(m.findings().get(0).plot().orElseThrow().y()).containsExactly(3, 4);
            assertThat(m.findings().get(1)).isEqualTo(open);
        }

        @Test
        void theGear() {
            Rig rig = new Rig(List.of("a guitar"), Map.of("chiming edge", 2), Map.of("chiming edge", DeviceScale.CLOCK),
                    7);
            book.keepRig(rig);
            reopen();
            assertThat(book.rig()).isEqualTo(rig);
        }
    }

    @Nested
    class Undo {
        @Test
        void takesBackAndMakesAgainAcrossARestart() {
            long id = caseWithReference();
            long medium = book.recordings().media(id).get(0).id();
            book.recordings().addRegion(medium, Region.Role.NOISE, 0, 1);
            reopen();
            assertThat(book.undo().orElseThrow()).contains("noise");
            assertThat(book.recordings().regions(medium)).isEmpty();
            reopen();
            assertThat(book.redo().orElseThrow()).contains("noise");
            assertThat(book.recordings().regions(medium)).singleElement()
                    .satisfies(r -> assertThat(r.toS()).isEqualTo(1));
        }

        @Test
        void ofEverythingLeavesAnEmptyBookAndRedoBringsAllBack() {
            long id = caseWithReference();
            book.recordings().addRegion(book.recordings().media(id).get(0).id(), Region.Role.LEAD, 0.5, 1.75);
            book.tones().keepTone(id, tone(4), "Derived");
            book.tones().keepTone(id, tone(6), "Turned");
            book.renameCase(id, "Renamed");
            while (book.undo().isPresent()) assertThat(book.logbook()).isNotEmpty();
            assertThat(book.cases()).isEmpty();
            while (book.redo().isPresent()) assertThat(book.logbook()).isNotEmpty();
            assertThat(book.cases().get(0).name()).isEqualTo("Renamed");
            assertThat(book.tones().tone(id)).contains(tone(6));
            assertThat(book.tones().gapsJnd()).containsEntry(id, OptionalDouble.of(tone(6).gap().scoreJnd()));
            assertThat(book.recordings().regions(book.recordings().media(id).get(0).id())).hasSize(1);
        }

        @Test
        void whereATakeWasLaidIsKeptAndTakenBack() {
            Medium take = book.recordings().media(caseWithReference()).get(0);
            assertThat(take.laidS()).isEmpty();
            book.recordings().layMedium(take, OptionalDouble.of(-1.25));
            reopen();
            Medium laid = book.recordings().media(take.caseId()).get(0);
            assertThat(laid.laidS()).hasValue(-1.25);
            book.recordings().layMedium(laid, OptionalDouble.empty());
            assertThat(book.recordings().media(take.caseId()).get(0).laidS()).isEmpty();
            book.undo();
            assertThat(book.recordings().media(take.caseId()).get(0).laidS()).hasValue(-1.25);
            book.undo();
            assertThat(book.recordings().media(take.caseId()).get(0)).isEqualTo(take);
        }

        @Test
        void aNewChangeDropsWhatCouldBeMadeAgain() {
            book.addCase("One", "", "");
            book.undo();
            book.addCase("Two", "", "");
            assertThat(book.redo()).isEmpty();
            assertThat(book.logbook()).extracting(LogEntry::text).containsExactly("New case Two");
        }

        @Test
        void movingARegionForgetsItsEvidenceAndUndoBringsItBack() {
            long id = caseWithReference();
            long medium = book.recordings().media(id).get(0).id();
            long region = book.recordings().addRegion(medium, Region.Role.CORE_TONE, 0, 1);
            book.recordings().keepMeasurement(region, Measurement.ofSentences(List.of(), "{}"));
            book.recordings().updateRegion(new Region(region, medium, Region.Role.LEAD, 0, 2));
            assertThat(book.recordings().measurement(region)).isEmpty();
            book.undo();
            assertThat(book.recordings().measurement(region)).isPresent();
            assertThat(book.recordings().regions(medium).get(0).role()).isEqualTo(Region.Role.CORE_TONE);
        }

        @Test
        void removingARegionCanBeTakenBackWithItsEvidence() {
            long id = caseWithReference();
            long medium = book.recordings().media(id).get(0).id();
            long region = book.recordings().addRegion(medium, Region.Role.CORE_TONE, 0, 1);
            book.recordings().keepMeasurement(region, Measurement.ofSentences(List.of(), "{}"));
            book.recordings().removeRegion(book.recordings().regions(medium).get(0));
            assertThat(book.recordings().regions(medium)).isEmpty();
            book.undo();
            assertThat(book.recordings().measurement(region)).isPresent();
        }
    }

    @Nested
    class Logbook {
        @Test
        void hasAnEntryWithEachChangeAndNoneWithAFailedOne() throws SQLException {
            long id = caseWithReference();
            int before = book.logbook().size();
            assertThatThrownBy(() -> book.recordings().addMedium(id, Medium.Role.DI, "letter.txt", "no sound".getBytes(
                    java.nio.charset.StandardCharsets.UTF_8))).isInstanceOf(InputFault.class);
            assertThat(book.logbook()).hasSize(before);
            assertThat(count("medium")).isEqualTo(1);
        }

        @Test
        void aChangeThatBreaksARuleLeavesNothingBehind() throws SQLException {
            caseWithReference();
            int before = book.logbook().size();
            assertThatThrownBy(() -> book.recordings().addRegion(999, Region.Role.NOISE, 0, 1))
                    .isInstanceOf(StoreFault.class);
            assertThat(count("region")).isZero();
            assertThat(book.logbook()).hasSize(before);
        }
    }

    @Nested
    class Refuses {
        @Test
        void whatIsNoCasebook() throws IOException, SQLException {
            Path text = Files.writeString(dir.resolve("a.casebook"), "this is a letter to somebody");
            assertThatThrownBy(() -> Casebook.open(text)).isInstanceOf(InputFault.class)
                    .hasMessageContaining("no casebook");
            assertThatThrownBy(() -> Casebook.open(dir.resolve("none.casebook"))).isInstanceOf(InputFault.class)
                    .hasMessageContaining("no such file");
            assertThatThrownBy(() -> Casebook.open(dir)).isInstanceOf(InputFault.class);
            Path other = dir.resolve("other.db");
            try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + other);
                    Statement s = c.createStatement()) {
                s.execute("CREATE TABLE t (x)");
            }
            assertThatThrownBy(() -> Casebook.open(other)).isInstanceOf(InputFault.class)
                    .hasMessageContaining("no casebook");
        }

        @Test
        void aNewerFilePolitely() throws SQLException {
            book.close();
            try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file); Statement s = c.createStatement()) {
                s.execute("PRAGMA user_version = 99");
            }
            assertThatThrownBy(() -> Casebook.open(file)).isInstanceOf(InputFault.class).hasMessageContaining("newer");
            try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file); Statement s = c.createStatement()) {
                s.execute("PRAGMA user_version = " + Migrations.NEWEST);
            }
            book = Casebook.open(file);
        }

        @Test
        void aVersionThatCannotBe() throws SQLException {
            book.close();
            try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file); Statement s = c.createStatement()) {
                s.execute("PRAGMA user_version = -150994935");
            }
            assertThatThrownBy(() -> Casebook.open(file)).isInstanceOf(InputFault.class)
                    .hasMessageContaining("damaged");
            try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file); Statement s = c.createStatement()) {
                s.execute("PRAGMA user_version = " + Migrations.NEWEST);
            }
            book = Casebook.open(file);
        }

        @Test
        void toReplaceAFile() {
            assertThatThrownBy(() -> Casebook.create(file)).isInstanceOf(InputFault.class)
                    .hasMessageContaining("exists already");
        }
    }

    @Test
    void aClosedBookIsOneFile() {
        caseWithReference();
        book.close();
        assertThat(dir.toFile().list()).containsExactly("test.casebook");
        book = Casebook.open(file);
    }

    private int count(String table) throws SQLException {
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement s = c.createStatement();
                var r = s.executeQuery("SELECT count(*) FROM " + table)) {
            return r.getInt(1);
        }
    }
}
