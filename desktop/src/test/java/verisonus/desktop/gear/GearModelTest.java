package verisonus.desktop.gear;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.session.CaseSession;

class GearModelTest {
    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private GearModel model;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        model = new GearModel(fixture.desk());
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    @Test
    void aChangeIsKeptReachesTheSearchAndCanBeTakenBack() {
        CaseSession derive = new CaseSession(fixture.desk());
        Rig before = model.rig();
        model.count(Gear.model("spring"), 3);
        fixture.settle();
        assertThat(fixture.book().rig().counts().get("spring")).isEqualTo(3);
        assertThat(derive.rig().counts().get("spring")).isEqualTo(3);
        fixture.desk().undo();
        fixture.settle();
        assertThat(model.rig()).isEqualTo(before);
    }

    @Test
    void limitsGuitarsAndNumbersAreKept() {
        model.once(GearKind.ECHO, true);
        model.guitars("one, two pickups\n\n  another  \n");
        assertThat(model.mostBlocks(6)).isTrue();
        assertThat(model.mostBlocks(0)).isFalse();
        model.scale(Gear.model("chiming edge"), DeviceScale.SIGNED);
        model.practical(Gear.model("chiming edge"), new Rig.Practical(1, 2, 3));
        Rig rig = fixture.book().rig();
        assertThat(rig.once()).containsExactly(GearKind.ECHO);
        assertThat(rig.guitars()).containsExactly("one, two pickups", "another");
        assertThat(rig.mostBlocks()).isEqualTo(6);
        assertThat(rig.practical(Gear.model("chiming edge")).weightKg()).isEqualTo(2);
        assertThat(model.check()).isEmpty();
    }
}
