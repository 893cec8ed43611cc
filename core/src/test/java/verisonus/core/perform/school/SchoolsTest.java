package verisonus.core.perform.school;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Impulse;
import verisonus.core.rig.Placement;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class SchoolsTest {
    private static final Sound TAKE = Signal.plucks(0.4, 9).lasting(4);
    private static final Tone TONE = new Tone("t", List.of(Block.of("mid-forward crunch").with("gain", 6),
            Block.of("2×12 closed"), Block.of("dynamic microphone"),
            Block.of("clean echo").with("time", 380).with("mix", 25)));
    private static ExecutorService workers;
    private static List<School> asked;

    @BeforeAll
    static void ask() {
        workers = Executors.newFixedThreadPool(2);
        float[] click = new float[2400];
        click[0] = 1;
        click[30] = -0.4f;
        asked = new Schools(TONE, Rig.everything(), TAKE, Optional.empty(), workers).of(OptionalDouble.of(120),
                Optional.of(new Impulse("my box", Sound.mono(click, 48000))), Progress.NONE);
    }

    @AfterAll
    static void stop() {
        workers.shutdownNow();
    }

    private static School school(String question) {
        return asked.stream().filter(s -> s.question().equals(question)).findFirst().orElseThrow();
    }

    @Test
    void everyQuestionBeginsWithTheToneAsItIs() {
        assertThat(asked).hasSize(5).allSatisfy(s -> {
            assertThat(s.sides().getFirst().tone()).isEqualTo(TONE);
            assertThat(s.sides().getFirst().price()).isEmpty();
            assertThat(s.sides()).hasSizeGreaterThan(1);
        });
    }

    @Test
    void everyOtherWayIsPricedAndAsLoud() {
        double was = lufs(TONE);
        for (School s : asked) {
            for (Side side : s.sides().subList(1, s.sides().size())) {
                assertThat(side.price()).as(side.words()).isPresent();
                assertThat(side.tone()).isNotEqualTo(TONE);
                assertThat(lufs(side.tone())).as(side.words()).isCloseTo(was, within(1.0));
            }
        }
    }

    private static double lufs(Tone t) {
        return LoudnessMeter.integratedLufs(Renderer.render(t, TAKE, Quality.SEARCH, Progress.NONE)).orElseThrow();
    }

    @Test
    void dirtFromAPedalCleansTheAmpAndAddsAPart() {
        Side pedal = school("dirt from the amp or from a pedal").sides().get(1);
        assertThat(pedal.tone().first(GearKind.DRIVE).filter(Block::on)).isPresent();
        assertThat(pedal.tone().find("amp").orElseThrow().get("gain")).isEqualTo(3);
        assertThat(pedal.price().orElseThrow().parts()).isEqualTo(1);
    }

    @Test
    void anEchoIsTriedInEveryPlace() {
        assertThat(school("where the echo sits").sides()).extracting(Side::words).containsExactlyInAnyOrder(
                Placement.AFTER_MICROPHONE.words(), Placement.BEFORE_AMP.words(), Placement.IN_LOOP.words(),
                Placement.BESIDE.words());
    }

    @Test
    void aTimeNearANoteIsBoundToIt() {
        Side bound = school("the echo's time").sides().get(1);
        assertThat(bound.words()).contains("eighth");
        assertThat(bound.tone().find("echo").orElseThrow().get("time")).isCloseTo(375, within(0.01));
    }

    @Test
    void aMeasuredLoudspeakerTakesTheMicrophoneWithIt() {
        Side measured = school("a modelled loudspeaker or a measured one").sides().get(1);
        assertThat(measured.tone().find("microphone").orElseThrow().on()).isFalse();
        assertThat(measured.tone().find("cabinet").orElseThrow().impulse()).isPresent();
        assertThat(measured.price().orElseThrow().parts()).isEqualTo(-1);
    }

    @Test
    void whatTheRigCannotDoIsNotAsked() {
        Rig bare = new Rig(List.of(), Map.of("mid-forward crunch", 1), Map.of(), 9);
        List<School> few = new Schools(TONE, bare, TAKE, Optional.empty(), workers).of(OptionalDouble.empty(),
                Optional.empty(), Progress.NONE);
        assertThat(few).extracting(School::question).containsExactly("where the echo sits", "middle up or down");
    }

    @Test
    void aPriceSaysWhatCountsAndNothingElse() {
        assertThat(new Side.Price(Optional.of(-0.42), 0.3, 3.2, 0.4, 1).words())
                .isEqualTo("0.4 JND nearer to the record, not heard as a change, 3 dB more noise, one part more");
        assertThat(new Side.Price(Optional.empty(), 2.04, -0.2, -2.6, -2).words())
                .isEqualTo("2.0 JND of change, peaks 3 dB lower, 2 parts less");
    }
}
