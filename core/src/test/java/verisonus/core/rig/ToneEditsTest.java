package verisonus.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class ToneEditsTest {
    private static final Tone CHAIN = new Tone("t", List.of(Block.of("chiming edge"), Block.of("2×12 open"),
            Block.of("dynamic microphone"), Block.of("clean echo").with("mix", 30)));

    private static List<String> ids(Tone t) {
        return t.blocks().stream().map(Block::id).toList();
    }

    @Test
    void aBlockPutInTwiceGetsANameOfItsOwn() {
        Tone t = CHAIN.inserted(Block.of("tape-like echo"), 4);
        assertThat(ids(t)).endsWith("echo", "echo 2");
    }

    @Test
    void movingABlockKeepsAllOthersInOrder() {
        assertThat(ids(CHAIN.moved("echo", 0))).containsExactly("echo", "amp", "cabinet", "microphone");
        assertThat(CHAIN.moved("echo", 0).moved("echo", 3)).isEqualTo(CHAIN);
    }

    @ParameterizedTest
    @EnumSource(Placement.class)
    void anEchoSitsWhereItIsPutAndCanBeBroughtBack(Placement place) {
        Tone there = place.in(CHAIN, "echo");
        assertThat(Placement.of(there, "echo")).isEqualTo(place);
        assertThat(there.find("echo").orElseThrow().get("mix")).isEqualTo(30);
        assertThat(Placement.AFTER_MICROPHONE.in(there, "echo").routing()).isEqualTo(Routing.SERIES);
    }

    @Test
    void besideTheDrySoundOnlyTheRepeatsComeOut() {
        Tone beside = Placement.BESIDE.in(CHAIN, "echo");
        assertThat(beside.find("echo").orElseThrow().get("dry")).isEqualTo(1);
        assertThat(beside.routing().branches()).singleElement()
                .satisfies(b -> assertThat(b.after()).isEqualTo("microphone"));
        assertThat(Placement.IN_LOOP.in(beside, "echo").find("echo").orElseThrow().get("dry")).isZero();
    }

    @Test
    void takingOutWhatABranchHangsOnHangsItOnTheNeighbour() {
        Tone beside = Placement.BESIDE.in(CHAIN, "echo");
        Tone without = beside.without("microphone");
        assertThat(without.routing().branches().get(0).after()).isEqualTo("cabinet");
        assertThat(without.without("cabinet").without("amp").routing().branches().get(0).after())
                .isEqualTo(Branch.INPUT);
    }

    @Test
    void takingTheAmpOutPutsItsLoopInLine() {
        Tone loop = Placement.IN_LOOP.in(CHAIN, "echo");
        assertThat(loop.without("amp").routing()).isEqualTo(Routing.SERIES);
        assertThatThrownBy(() -> Placement.IN_LOOP.in(CHAIN.without("amp"), "echo"))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("no amp");
    }

    @Test
    void anExchangedModelKeepsSettingsOfTheSameNameAndUnit() {
        Block other = Block.of("mid-hump overdrive").with("drive", 7).exchangedFor(Gear.model("hard-clip distortion"));
        assertThat(other.model().name()).isEqualTo("hard-clip distortion");
        assertThat(other.get("drive")).isEqualTo(7);
        Block space = Block.of("clean echo").with("mix", 40).exchangedFor(Gear.model("room"));
        assertThat(space.get("mix")).isEqualTo(40);
    }

    @Test
    void everyControlSaysWhatItDoesAndWhatItMoves() {
        for (Model m : Gear.MODELS) {
            assertThat(m.about()).as(m.name()).isNotBlank();
            for (Control c : m.controls()) {
                assertThat(c.about()).as("%s %s", m.name(), c.name()).hasSizeGreaterThan(10);
                assertThat(c.valueAt(c.position(c.defaultValue()))).as("%s %s", m.name(), c.name())
                        .isCloseTo(c.defaultValue(),
                                org.assertj.core.api.Assertions.within(1e-6 * (c.maximum() - c.minimum())));
            }
        }
        assertThat(Gear.model("chiming edge").control("treble cut").taper()).isEqualTo(Control.Taper.REVERSED);
    }
}
