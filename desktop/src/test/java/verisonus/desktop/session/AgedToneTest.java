package verisonus.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.desktop.desk.DeskFixture;

class AgedToneTest {
    private static final Tone TONE = new Tone("t",
            List.of(Block.of("chiming edge").with("gain", 4), Block.of("2×12 open"),
                    Block.of("dynamic microphone")));
    @TempDir
    private Path dir;

    /** Makes the kept tone one of an earlier simulation. */
    private static void age(DeskFixture f) throws SQLException {
        try (Connection c = DriverManager.getConnection("jdbc:sqlite:" + f.book().file());
                Statement s = c.createStatement()) {
            s.executeUpdate(
                    "UPDATE tone SET derived = replace(derived, '\"chiming edge\" : 1', '\"chiming edge\" : 0')");
        }
    }

    private static AgedTone opened(DeskFixture f) {
        AgedTone aged = new AgedTone(new CaseSession(f.desk()));
        f.desk().openCase(f.desk().cases().get(0).entry());
        f.settle();
        return aged;
    }

    @Test
    void aToneOfTodayHasNotAged() {
        try (DeskFixture f = new DeskFixture(dir)) {
            f.mark();
            f.keepTone(TONE, new GapLedger(List.of(), 0));
            f.settle();
            assertThat(opened(f).aged().get()).isEmpty();
        }
    }

    @Test
    void aChangedSimulationIsNamedWithTheGapOfThenAndNowAndNothingIsTurned() throws SQLException {
        try (DeskFixture f = new DeskFixture(dir)) {
            f.mark();
            f.keepTone(TONE, new GapLedger(List.of(), 0));
            f.settle();
            age(f);
            AgedTone aged = opened(f);
            assertThat(aged.aged().get()).hasValueSatisfying(a -> {
                assertThat(a.models()).containsExactly("chiming edge");
                assertThat(a.words()).contains("chiming edge").contains("gap was 0.0 JND")
                        .contains("Nothing was turned");
            });
            assertThat(f.book().tones().tone(f.desk().open().get().orElseThrow().entry().id()).orElseThrow().tone())
                    .isEqualTo(TONE);
            var mine = f.desk().cases().get(0).entry();
            f.desk().addCase("Another");
            f.settle();
            assertThat(aged.aged().get()).as("another case").isEmpty();
            f.desk().openCase(mine);
            f.settle();
            assertThat(aged.aged().get()).as("back again").isPresent();
            aged.accept();
            f.settle();
            assertThat(aged.aged().get()).isEmpty();
            assertThat(f.book().tones().outdated(f.desk().open().get().orElseThrow().entry().id())).isEmpty();
        }
    }
}
