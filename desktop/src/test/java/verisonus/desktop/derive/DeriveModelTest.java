package verisonus.desktop.derive;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.sheet.ToneSheet;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Goal;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.search.Derivation;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.take.Pairing;
import verisonus.desktop.derive.choices.SearchChoices;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.session.CaseSession;

/** The search of the open case, and the goal that it is held against. */
class DeriveModelTest {
    private static final GapRow LOWS = new GapRow(GapAttribute.BOTTOM, "dB", -20, -17, 1, "cabinet", "bass down",
            true);
    private static final GapRow MIDDLE = new GapRow(GapAttribute.MIDDLE, "dB", 3, 2, 1, "amp", "mid up", true);

    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private DeriveModel model;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        fixture.book().recordings().addRegion(fixture.open().media().get(0).id(), Region.Role.CORE_TONE, 0.2, 3.4);
        Tone t = new Tone("t", List.of(Block.of("chiming edge").with("gain", 8).with("treble", 9).with("bass", 2),
                Block.of("2×12 open"), Block.of("dynamic microphone")));
        fixture.keepTone(t, new GapLedger(List.of(LOWS, MIDDLE), 1));
        model = new DeriveModel(new CaseSession(fixture.desk()));
        fixture.settle();
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    @Test
    void aLooserGoalCallsLessOff() {
        assertThat(fixture.open().tone().orElseThrow().off()).isEqualTo(2);
        model.choices().goal().set(Goal.IN_THE_SPIRIT);
        assertThat(fixture.open().tone().orElseThrow().off()).isEqualTo(1);
        model.choices().goal().set(Goal.STARTING_POINT);
        assertThat(fixture.open().tone().orElseThrow().off()).isZero();
    }

    @Test
    void withoutATakeAStandInPlaysForARoughSketchThatIsNeverCalledNear() {
        long id = fixture.desk().addCase("Record only");
        fixture.settle();
        fixture.book().recordings().addMedium(id, Medium.Role.REFERENCE, "record.wav",
                SoundWriter.encode(DeskFixture.notes(4, 0.4), SoundWriter.Format.WAV_16));
        fixture.desk().refresh();
        fixture.settle();
        fixture.mark();
        assertThat(model.canSketch()).isTrue();
        model.choices().effort().set(SearchChoices.Effort.QUICK);
        // The first that was found will do here.
        fixture.desk().work().done().subscribe(d -> {
            boolean chosen = fixture.desk().work().doing().get().startsWith("Deriving") && d.doubleValue() > 0.6;
            if (chosen) fixture.desk().work().cancel();
        });
        model.sketch();
        fixture.settle();
        DerivedTone made = fixture.open().tone().orElseThrow();
        assertThat(made.remarks().sketch().is()).isTrue();
        assertThat(made.remarks().sketch().helps().get(0)).contains("your own guitar");
        assertThat(made.remarks().unjudged()).contains(Derivation.OWN_GUITAR);
        assertThat(made.search().pairing()).isEqualTo(Pairing.OTHER_PLAYING);
        assertThat(ToneSheet.nearness(made)).startsWith("A sketch");
        assertThat(model.session().hasStandIn()).isTrue();
        fixture.book().recordings().addMedium(id, Medium.Role.DI, "mine.wav",
                SoundWriter.encode(DeskFixture.notes(4, 0.4), SoundWriter.Format.WAV_16));
        fixture.desk().refresh();
        fixture.settle();
        assertThat(model.session().hasStandIn()).as("once the player has played").isFalse();
    }
}
