package verisonus.desktop.travel;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.sheet.write.MarkdownPage;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.trim.Trim;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.record.Inputs;
import verisonus.desktop.sheet.SheetModel;

/** What the travel and sheet benches show of a tone. */
class TravelModelTest {
    private static final Inputs INPUTS = new Inputs(_ -> DeskFixture.notes(1, 0.2), true, true);

    @TempDir
    private Path dir;

    private static Tone tone() {
        return new Tone("t", List.of(Block.of("chiming edge").with("sag", 6), Block.of("2×12 open"),
                Block.of("dynamic microphone")));
    }

    @Test
    void withoutAToneNothingTravels() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = new TravelModel(f.desk(), INPUTS);
            f.settle();
            assertThat(travel.travelled().get()).isEmpty();
        }
    }

    @Test
    void aToneTravelsToEverySystemAndAgainAtAnotherLevel() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = new TravelModel(f.desk(), INPUTS);
            f.keepTone(tone(), new GapLedger(List.of(), 0));
            f.settle();
            List<Travelled> loud = travel.travelled().get();
            assertThat(loud).hasSameSizeAs(PlaybackSystem.ALL);
            travel.levelDbSpl().set(50);
            f.settle();
            assertThat(travel.travelled().get()).hasSameSizeAs(loud).isNotEqualTo(loud);
        }
    }

    @Test
    void theSheetFollowsTheTone() {
        try (DeskFixture f = new DeskFixture(dir)) {
            SheetModel sheet = new SheetModel(f.desk());
            f.desk().bench().set(Bench.SHEET);
            f.keepTone(tone(), new GapLedger(List.of(), 0));
            f.settle();
            String text = MarkdownPage.of(sheet.page().get().orElseThrow());
            assertThat(text).contains("chiming edge").contains("sag");
        }
    }

    private TravelModel withTone(DeskFixture f) {
        TravelModel travel = new TravelModel(f.desk(), INPUTS);
        f.keepTone(tone(), new GapLedger(List.of(), 0));
        f.settle();
        return travel;
    }

    private static PlaybackSystem system(String id) {
        return PlaybackSystem.find(id).orElseThrow();
    }

    @Test
    void aTrimIsFoundKeptHeardAndDroppedAgain() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = withTone(f);
            travel.findTrim(system("car"));
            f.settle();
            Trim trim = travel.trim(system("car")).orElseThrow();
            assertThat(travel.isCurrent(trim)).isTrue();
            assertThat(travel.said().get()).contains("car");
            travel.hear(Optional.of(system("car")), true);
            f.settle();
            assertThat(f.desk().heardOn().get().orElseThrow().trim()).contains(trim);
            travel.dropTrim(system("car"));
            f.settle();
            assertThat(travel.trim(system("car"))).isEmpty();
            assertThat(f.desk().heardOn().get().orElseThrow().trim()).isEmpty();
        }
    }

    @Test
    void versionsOfTheToneStandSideBySideUntilItChanges() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = withTone(f);
            Tone darker = tone().with(tone().blocks().get(0).with("treble", 1));
            f.book().performances().keep(f.desk().open().get().orElseThrow().entry().id(),
                    Variant.between("darker", tone(), darker));
            travel.versions().compare();
            f.settle();
            assertThat(travel.versions().all().get()).extracting(VersionsModel.OnSystems::name)
                    .containsSubsequence("mine", "darker");
            assertThat(travel.versions().all().get())
                    .allSatisfy(v -> assertThat(v.on()).hasSameSizeAs(PlaybackSystem.ALL));
            travel.levelDbSpl().set(60);
            f.settle();
            assertThat(travel.versions().all().get()).isEmpty();
        }
    }

    @Test
    void aTrimOfAnEarlierToneIsKnownAsOne() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = withTone(f);
            travel.findTrim(system("car"));
            f.settle();
            Tone other = tone().with(tone().blocks().get(0).with("treble", 9));
            f.keepTone(other, new GapLedger(List.of(), 0));
            assertThat(travel.isCurrent(travel.trim(system("car")).orElseThrow())).isFalse();
        }
    }

    @Test
    void oneSettingForAllSaysHowManyItServes() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = withTone(f);
            travel.findOneForAll();
            f.settle();
            assertThat(travel.forAll().get()).isPresent();
            assertThat(travel.said().get()).contains("of 5");
        }
    }

    @Test
    void aResponseIsAddedFromAFileExportedAndRemoved() throws IOException {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = withTone(f);
            Path csv = Files.writeString(dir.resolve("Our Hall.csv"),
                    "frequency_hz,level_db\n50,4\n500,0\n9000,-8\n");
            travel.importSystem(csv);
            f.settle();
            assertThat(travel.travelled().get()).hasSize(PlaybackSystem.ALL.size() + 1);
            PlaybackSystem hall = travel.shown().orElseThrow().system();
            assertThat(hall.name()).isEqualTo("Our Hall");
            travel.export(hall, dir.resolve("again.csv"));
            f.settle();
            assertThat(Files.readString(dir.resolve("again.csv"))).contains("500.00,0.00");
            travel.remove(hall);
            f.settle();
            assertThat(travel.travelled().get()).hasSameSizeAs(PlaybackSystem.ALL);
        }
    }

    @Test
    void whatIsNoResponseLeavesNothingBehind() throws IOException {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = withTone(f);
            travel.importSystem(Files.writeString(dir.resolve("bad.csv"), "frequency_hz,level_db\n50,4\n"));
            f.settle();
            assertThat(f.desk().work().fault().get()).contains("bad.csv").contains("one point");
            assertThat(f.desk().book().travels().own()).isEmpty();
        }
    }

    @Test
    void aLoudspeakerBeforeTheMicrophoneIsMeasuredAndKept() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = withTone(f);
            travel.measure("by the oven");
            f.settle();
            PlaybackSystem kept = f.desk().book().travels().own().get(0);
            assertThat(kept.name()).isEqualTo("by the oven");
            assertThat(kept.notes()).contains("3 sweeps").contains("simulated");
            double at100 = kept.levelDbAt(200) - kept.levelDbAt(1000);
            assertThat(at100).isBetween(-4.0, 6.0);
        }
    }

    @Test
    void whatWasHeardIsKeptAndDoubtedWhereTheFiguresSayOtherwise() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = withTone(f);
            travel.note(system("phone"), "boomy");
            assertThat(travel.notes().get()).containsEntry("phone", "boomy");
            assertThat(travel.said().get()).contains("“boomy”");
        }
    }

    @Test
    void everythingIsHeardOnASystemAndAsItIsAgain() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = withTone(f);
            travel.listenedOn().set(Optional.of(system("headphones")));
            int before = f.desk().player().loads().get();
            travel.hear(Optional.of(system("phone")), false);
            f.settle();
            assertThat(f.desk().player().loads().get()).isGreaterThan(before);
            assertThat(f.desk().heardOn().get().orElseThrow().listenedOn()).contains(system("headphones"));
            travel.hear(Optional.empty(), false);
            f.settle();
            assertThat(f.desk().heardOn().get()).isEmpty();
        }
    }

    @Test
    void waitsForAToneThenFollowsTheLevel() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel m = new TravelModel(f.desk(), INPUTS);
            assertThat(m.travelled().get()).isEmpty();
            f.mark();
            f.keepTone();
            assertThat(m.travelled().get()).hasSize(6);
            double before = m.travelled().get().get(0).bands().get(0).changeDb();
            m.levelDbSpl().set(50);
            f.settle();
            assertThat(m.travelled().get().get(0).bands().get(0).changeDb()).isLessThan(before);
        }
    }

    @Test
    void aTrimIsKeptWithTheCaseItWasSolvedFor() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = new TravelModel(f.desk(), INPUTS);
            f.keepTone(tone(), new GapLedger(List.of(), 0));
            long mine = f.open().entry().id();
            travel.findTrim(PlaybackSystem.ALL.getFirst());
            long other = f.desk().addCase("Another");
            f.settle();
            assertThat(f.book().travels().trims(mine)).containsKey(PlaybackSystem.ALL.getFirst().id());
            assertThat(f.book().travels().trims(other)).isEmpty();
            assertThat(travel.travelled().get()).isEmpty();
        }
    }

    @Test
    void versionsOfAnEarlierToneAreNotShownBesideTheNewOne() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = new TravelModel(f.desk(), INPUTS);
            f.keepTone(tone(), new GapLedger(List.of(), 0));
            travel.versions().compare();
            f.keepTone(tone().with(tone().find("amp").orElseThrow().with("gain", 9)), new GapLedger(List.of(), 0));
            assertThat(travel.versions().all().get()).isEmpty();
        }
    }
}
