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
import verisonus.core.rig.Unit;
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

    @Test
    void aDeviceIsCalledByItsOwnNameAndCountedByIt() {
        var crunch = Gear.model("mid-forward crunch");
        int owned = model.rig().counts().getOrDefault(crunch.name(), 0);
        assertThat(model.own(crunch, "red head")).isTrue();
        assertThat(model.rig().find("red head")).isPresent();
        assertThat(model.rig().counts().getOrDefault(crunch.name(), 0)).isEqualTo(Math.max(0, owned - 1));
        assertThat(model.own(crunch, "red head")).isFalse();
        assertThat(model.own(crunch, "open clean")).isFalse();
    }

    @Test
    void whatADeviceLacksIsNotTurnedAndComesBackWhole() {
        var crunch = Gear.model("mid-forward crunch");
        model.own(crunch, "red head");
        Unit red = model.rig().unit("red head").orElseThrow();
        model.has(red, crunch.control("mid"), false);
        Unit without = model.rig().unit("red head").orElseThrow();
        assertThat(without.model().turnable()).extracting(c -> c.name()).doesNotContain("mid").contains("gain");
        model.has(without, without.model().control("mid"), true);
        assertThat(model.rig().unit("red head").orElseThrow().model()).isEqualTo(red.model());
        fixture.desk().undo();
        fixture.settle();
        assertThat(model.rig().unit("red head").orElseThrow().model()).isEqualTo(without.model());
    }

    @Test
    void aScaleIsLearntFromThreePlacesAndWhatContradictsThemIsSaid() {
        var echo = Gear.model("clean echo");
        model.own(echo, "grey repeats");
        Unit grey = model.rig().unit("grey repeats").orElseThrow();
        model.has(grey, echo.control("drive"), false);
        grey = model.rig().unit("grey repeats").orElseThrow();
        assertThat(model.dial(grey, echo.control("time"), "0..10/0.5; 2 = 150; 5 = 330; 9 = 700")).isEmpty();
        Unit learnt = model.rig().unit("grey repeats").orElseThrow();
        assertThat(model.rig().display(learnt.model(), learnt.model().control("time"), 330)).isEqualTo("5.0");
        assertThat(learnt.model().control("drive").isFixed()).isTrue();
        assertThat(learnt.model().control("time").maximum()).isLessThan(900);
        assertThat(model.dial(learnt, echo.control("time"), "0..10; 2 = 150; 5 = 100; 9 = 700")).contains("contradict");
        assertThat(model.dial(learnt, echo.control("time"), "loud")).contains("no scale");
        assertThat(model.rig().unit("grey repeats")).contains(learnt);
        assertThat(model.dial(learnt, echo.control("time"), "")).isEmpty();
        assertThat(model.rig().unit("grey repeats").orElseThrow().model().control("time"))
                .isEqualTo(echo.control("time"));
    }

    @Test
    void wordsOnADeviceAreKeptAndForgottenWithIt() {
        var crunch = Gear.model("mid-forward crunch");
        model.own(crunch, "red head");
        model.label(model.rig().unit("red head").orElseThrow(), crunch.control("gain"), " volume one ");
        Unit red = model.rig().unit("red head").orElseThrow();
        assertThat(red.labels()).containsEntry("gain", "volume one");
        model.label(red, crunch.control("gain"), " ");
        assertThat(model.rig().unit("red head").orElseThrow().labels()).isEmpty();
        model.forget(model.rig().unit("red head").orElseThrow());
        assertThat(model.rig().find("red head")).isEmpty();
    }
}
