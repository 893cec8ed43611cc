package verisonus.desktop.perform;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;

/** Variants while they are worked out: another case is opened, the tone is changed, the work is cancelled. */
class OvertakenVariantsTest {
    private static final Tone TONE = new Tone("rhythm", List.of(Block.of("chiming edge"), Block.of("2×12 open"),
            Block.of("dynamic microphone").with(ControlNames.LEVEL, -12)));

    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private VariantsModel variants;
    private VariantMaker maker;
    private long mine;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        fixture.keepTone(TONE, new GapLedger(List.of(), 0));
        variants = new VariantsModel(fixture.desk());
        maker = new VariantMaker(fixture.desk(), variants);
        mine = fixture.open().entry().id();
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    @Test
    void aVariantIsKeptWithTheCaseItWasSolvedFor() {
        maker.say("lead: 3 LU louder");
        long other = fixture.desk().addCase("Another");
        fixture.settle();
        assertThat(fixture.book().performances().variants(mine)).singleElement()
                .satisfies(v -> assertThat(v.name()).isEqualTo("lead"));
        assertThat(fixture.book().performances().variants(other)).isEmpty();
        assertThat(maker.said().get()).isEmpty();
    }

    @Test
    void aVariantOfAToneThatHasChangedMeanwhileIsNotKeptAndThatIsSaid() {
        maker.say("lead: 3 LU louder");
        fixture.book().tones().keepTone(mine, fixture.open().tone().orElseThrow().turned(
                TONE.with(TONE.find("amp").orElseThrow().with("gain", 9)), new GapLedger(List.of(), 0)), "turned");
        fixture.desk().refresh();
        fixture.settle();
        assertThat(fixture.book().performances().variants(mine)).isEmpty();
        assertThat(maker.said().get()).contains("changed meanwhile");
    }

    @Test
    void aSoundThatIsReadyWhenThePlayerWentToAnotherBenchIsKeptAndNotHeardAsMine() {
        fixture.desk().bench().set(Bench.PERFORM);
        fixture.settle();
        maker.say("lead: 3 LU louder");
        fixture.desk().bench().set(Bench.TRIAL);
        fixture.settle();
        assertThat(fixture.book().performances().variants(mine)).hasSize(1);
        assertThat(variants.chosen().get()).isEmpty();
        variants.hear("lead");
        fixture.settle();
        assertThat(variants.chosen().get()).isEmpty();
    }

    @Test
    void whatAListenerNoticesIsWorkedOutAgainAfterACancel() {
        fixture.desk().bench().set(Bench.PERFORM);
        fixture.settleCancelling();
        assertThat(variants.matrix().get()).isEmpty();
        fixture.desk().bench().set(Bench.SHEET);
        fixture.desk().bench().set(Bench.PERFORM);
        fixture.settle();
        assertThat(variants.matrix().get()).isPresent();
    }
}
