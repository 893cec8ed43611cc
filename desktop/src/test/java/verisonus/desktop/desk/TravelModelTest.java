package verisonus.desktop.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.sheet.write.MarkdownPage;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.desktop.sheet.SheetModel;
import verisonus.desktop.travel.TravelModel;

/** What the travel and sheet benches show of a tone. */
class TravelModelTest {
    @TempDir
    private Path dir;

    private static Tone tone() {
        return new Tone("t", List.of(Block.of("chiming edge").with("sag", 6), Block.of("2×12 open"),
                Block.of("dynamic microphone")));
    }

    @Test
    void withoutAToneNothingTravels() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = new TravelModel(f.desk());
            f.settle();
            assertThat(travel.travelled().get()).isEmpty();
        }
    }

    @Test
    void aToneTravelsToEverySystemAndAgainAtAnotherLevel() {
        try (DeskFixture f = new DeskFixture(dir)) {
            TravelModel travel = new TravelModel(f.desk());
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
            assertThat(text).contains("chiming edge").contains("supply droop");
        }
    }
}
