package verisonus.desktop.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.Region;
import verisonus.desktop.player.Source;

class DeskTest {
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

    private Desk desk() {
        return fixture.desk();
    }

    @Test
    void opensTheFirstCaseWithItsSound() {
        assertThat(fixture.open().entry().name()).isEqualTo("Test Case");
        assertThat(desk().sounds().get().reference().orElseThrow().durationS()).isCloseTo(4, within(0.01));
        assertThat(desk().player().has(Source.REFERENCE)).isTrue();
        assertThat(desk().player().has(Source.DI)).isTrue();
        assertThat(desk().player().has(Source.MINE)).isFalse();
        assertThat(desk().player().lengthS().get()).isCloseTo(4, within(0.01));
    }

    @Test
    void aNewCaseIsOpenedAndEmpty() {
        desk().addCase("Another");
        fixture.settle();
        assertThat(fixture.open().entry().name()).isEqualTo("Another");
        assertThat(fixture.open().media()).isEmpty();
        assertThat(desk().cases()).hasSize(2);
        assertThat(desk().player().has(Source.REFERENCE)).isFalse();
    }

    @Nested
    class Undoing {
        @Test
        void bringsBackWhatIsShown() {
            long medium = fixture.open().media().get(0).id();
            fixture.book().recordings().addRegion(medium, Region.Role.NOISE, 0, 1);
            desk().refresh();
            assertThat(fixture.open().regions()).hasSize(1);
            assertThat(desk().undo().orElseThrow()).contains("noise");
            fixture.settle();
            assertThat(fixture.open().regions()).isEmpty();
            assertThat(desk().redo()).isPresent();
            fixture.settle();
            assertThat(fixture.open().regions()).hasSize(1);
        }

        @Test
        void whileSoundIsOnItsWayLosesNone() {
            fixture.book().renameCase(fixture.open().entry().id(), "Renamed");
            fixture.desk().addCase("Another");
            fixture.desk().openCase(desk().cases().get(0).entry());
            desk().undo();
            desk().undo();
            fixture.settle();
            assertThat(fixture.open().entry().name()).isEqualTo("Test Case");
            assertThat(desk().sounds().get().reference()).isPresent();
            assertThat(desk().player().has(Source.DI)).isTrue();
        }

        @Test
        void ofTheOpenCaseLeavesADeskWithoutOne() {
            while (desk().undo().isPresent()) fixture.settle();
            assertThat(desk().cases()).isEmpty();
            assertThat(desk().open().get()).isEmpty();
            assertThat(desk().player().has(Source.REFERENCE)).isFalse();
        }
    }

    @Test
    void theRegionUnderStudyIsWhatLoops() {
        long medium = fixture.open().media().get(0).id();
        fixture.book().recordings().addRegion(medium, Region.Role.CORE_TONE, 0.5, 2);
        fixture.book().recordings().addRegion(medium, Region.Role.LEAD, 2, 3.5);
        desk().refresh();
        assertThat(desk().player().region().get().fromS()).isEqualTo(0.5);
        desk().chooseRegion(fixture.open().regions().get(1));
        assertThat(desk().player().region().get().toS()).isEqualTo(3.5);
        assertThat(fixture.open().region().orElseThrow().role()).isEqualTo(Region.Role.LEAD);
    }

    @Test
    void benchesSayHowFarTheyHaveCome() {
        assertThat(fixture.open().standing(Bench.LISTEN)).isEqualTo(Standing.BEGUN);
        assertThat(fixture.open().standing(Bench.MEASURE)).isEqualTo(Standing.UNTOUCHED);
        assertThat(fixture.open().standing(Bench.DERIVE)).isEqualTo(Standing.UNTOUCHED);
        fixture.book().recordings().addRegion(fixture.open().media().get(0).id(), Region.Role.CORE_TONE, 0, 2);
        desk().refresh();
        assertThat(fixture.open().standing(Bench.LISTEN)).isEqualTo(Standing.DONE);
    }
}
