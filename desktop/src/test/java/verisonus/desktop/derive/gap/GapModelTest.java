package verisonus.desktop.derive.gap;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.Region;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.session.CaseSession;

/** What still differs, wanted so or not, as heard elsewhere. */
class GapModelTest {
    private static final GapRow LOWS = new GapRow(GapAttribute.BOTTOM, "dB", -20, -17, 1, "cabinet", "bass down",
            true);
    private static final GapRow MIDDLE = new GapRow(GapAttribute.MIDDLE, "dB", 3, 2, 1, "amp", "mid up", true);

    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private GapModel model;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        fixture.book().recordings().addRegion(fixture.open().media().get(0).id(), Region.Role.CORE_TONE, 0.2, 3.4);
        Tone t = new Tone("t", List.of(Block.of("chiming edge").with("gain", 8).with("treble", 9).with("bass", 2),
                Block.of("2×12 open"), Block.of("dynamic microphone")));
        fixture.keepTone(t, new GapLedger(List.of(LOWS, MIDDLE), 1));
        model = new GapModel(new CaseSession(fixture.desk()));
        fixture.settle();
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    @Test
    void aWantedDifferenceLeavesTheScoreAndComesBack() {
        assertThat(fixture.open().tone().orElseThrow().gap().scoreJnd()).isEqualTo(3);
        model.toggleWantedSo(LOWS);
        assertThat(fixture.open().tone().orElseThrow().gap().scoreJnd()).isEqualTo(1);
        assertThat(model.isWantedSo(LOWS)).isTrue();
        assertThat(fixture.book().logbook().get(0).text()).contains("left so, as wanted");
        model.toggleWantedSo(LOWS);
        assertThat(fixture.open().tone().orElseThrow().gap().scoreJnd()).isEqualTo(3);
    }

    @Test
    void lowsCountLessOnASystemThatDoesNotGiveThemBack() {
        model.heardOn().set(PlaybackSystem.ALL.stream().filter(s -> s.levelDbAt(110) < s.levelDbAt(1000) - 15)
                .findFirst());
        GapLedger heard = model.ledger().orElseThrow();
        assertThat(heard.find(LOWS.attribute()).orElseThrow().audibility()).isLessThan(1);
        assertThat(heard.find(MIDDLE.attribute()).orElseThrow().audibility()).isEqualTo(1);
    }

    @Test
    void theLedgerPutsWhoHasMoreToTheRight() {
        GapScale more = GapScale.of(new GapRow(GapAttribute.CREST, "dB", 0, 2, 1, "", "", true));
        assertThat(more.mineShare()).isGreaterThan(more.referenceShare());
        GapScale less = GapScale.of(new GapRow(GapAttribute.CREST, "dB", 0, -2, 1, "", "", true));
        assertThat(less.mineShare()).isLessThan(less.referenceShare());
        GapScale none = GapScale.of(new GapRow(GapAttribute.CREST, "dB", 1, 1, 1, "", "", true));
        assertThat(none.mineShare()).isEqualTo(none.referenceShare());
        GapScale huge = GapScale.of(new GapRow(GapAttribute.CREST, "dB", 0, 500, 1, "", "", true));
        assertThat(huge.mineShare()).isLessThanOrEqualTo(1);
    }
}
