package verisonus.core.perform.foot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import verisonus.core.compare.HeardChange;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class PedalRangeFinderTest {
    private static final Tone TONE = new Tone("t", List.of(Block.of("open clean"),
            Block.of("clean echo").with(ControlNames.MIX, 20).with(ControlNames.TIME, 400),
            Block.of("plain hall").with(ControlNames.MIX, 20).with(ControlNames.DECAY, 3),
            Block.of("volume").named("volume").with(ControlNames.LEVEL, 0)));
    private static final Sound PHRASE = Signal.plucks(0.4, 4).lasting(4);
    private static final PedalRangeFinder FINDER = new PedalRangeFinder(TONE, PHRASE, FootLimits.USUAL);

    private static HeardChange.Moments heard(double mix) {
        return HeardChange.Moments.of(Renderer.render(
                TONE.with(TONE.find("echo").orElseThrow().with(ControlNames.MIX, mix)), FINDER.phrase(), Quality.FINAL,
                Progress.NONE));
    }

    private static HeardChange.Moments space(double mix) {
        return HeardChange.Moments.of(Renderer.render(
                TONE.with(TONE.find("reverb").orElseThrow().with(ControlNames.MIX, mix)), FINDER.phrase(),
                Quality.FINAL, Progress.NONE));
    }

    @Test
    void theHeelStandsWhereTheChangeIsFirstHeardAndTheToeWhereTheDryFalls() {
        PedalRange r = FINDER.of(new ControlPlace("echo", "mix"), Progress.NONE);
        assertThat(HeardChange.between(heard(0), heard(r.low())).withLoudnessJnd()).isCloseTo(1, within(0.3));
        assertThat(r.high()).isBetween(50.0, 56.0);
        assertThat(r.highWhy()).contains("dry");
        assertThat(r.isUseful()).isTrue();
        assertThat(r.start()).isEqualTo(20);
    }

    @Test
    void feedbackEndsBeforeTheRepeatsRunOnAndTheAnchorsCountThem() {
        PedalRange r = FINDER.of(new ControlPlace("echo", "feedback"), Progress.NONE);
        assertThat(r.highWhy()).contains("repeats");
        assertThat(r.high()).isLessThan(90);
        List<PedalRange.Anchor> a = r.anchors();
        assertThat(a).hasSize(5);
        for (int i = 1; i < a.size(); i++) {
            assertThat(a.get(i).value()).isGreaterThan(a.get(i - 1).value());
            assertThat(a.get(i).repeats()).isGreaterThanOrEqualTo(a.get(i - 1).repeats());
        }
        assertThat(a.getLast().repeatsS()).isLessThanOrEqualTo(8);
    }

    @Test
    void equalWaysOfTheFootChangeAboutAsMuch() {
        PedalRange r = FINDER.of(new ControlPlace("reverb", "mix"), Progress.NONE);
        List<PedalRange.Anchor> a = r.anchors();
        assertThat(a.getLast().heardJnd()).isGreaterThan(a.getFirst().heardJnd() + 0.5);
        double[] steps = new double[4];
        for (int i = 0; i < 4; i++)
            steps[i] = HeardChange.between(space(a.get(i).value()), space(a.get(i + 1).value())).withLoudnessJnd();
        double mean = Arrays.stream(steps).average().orElseThrow();
        for (double s : steps) assertThat(s).isBetween(0.4 * mean, 1.8 * mean);
    }

    @Test
    void aLevelStaysWithinItsWindowRoundWhereItStands() {
        PedalRange r = FINDER.of(new ControlPlace("volume", "level"), Progress.NONE);
        assertThat(r.low()).isCloseTo(-3, within(0.4));
        assertThat(r.high()).isCloseTo(3, within(0.4));
        assertThat(r.lowWhy()).contains("softer");
        assertThat(r.highWhy()).contains("louder");
    }

    @Test
    void narrowerLimitsNeverGiveAWiderRange() {
        ControlPlace decay = new ControlPlace("reverb", "mix");
        PedalRange usual = FINDER.of(decay, Progress.NONE);
        PedalRange strict = new PedalRangeFinder(TONE, PHRASE, new FootLimits(0.93, 1, 8, 3)).of(decay, Progress.NONE);
        assertThat(strict.high()).isLessThan(usual.high());
        assertThat(strict.highWhy()).contains("clouded");
    }

    @Test
    void aSwitchIsNotSweptAndAnUnknownControlIsRefused() {
        assertThatThrownBy(() -> FINDER.of(new ControlPlace("echo", "sides"), Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("positions");
        assertThatThrownBy(() -> FINDER.of(new ControlPlace("echo", "warp"), Progress.NONE))
                .isInstanceOf(InputFault.class);
    }

    @Test
    void twoJobsJumpsAndASilencedToneAreSaid() {
        PedalUse mix = new PedalUse("pedal 1", new ControlPlace("echo", "mix"), 5, 40);
        PedalUse volume = new PedalUse("pedal 1", new ControlPlace("volume", "level"), -60, 0);
        Variant lead = new Variant("lead", Map.of(new ControlPlace("echo", "mix"), 35.0), Map.of());
        Variant clean = new Variant("clean", Map.of(), Map.of("echo", false));
        List<String> faults = PedalUse.faults(List.of(mix, volume), TONE, List.of(lead, clean));
        assertThat(faults).anySatisfy(f -> assertThat(f).contains("two jobs"))
                .anySatisfy(f -> assertThat(f).contains("lead sets echo/mix to 35 %: it jumps"))
                .anySatisfy(f -> assertThat(f).contains("does nothing in clean"))
                .anySatisfy(f -> assertThat(f).contains("silences"));
        assertThat(PedalUse.faults(List.of(mix), TONE, List.of())).isEmpty();
        assertThatThrownBy(() -> new PedalUse("p", new ControlPlace("echo", "mix"), 5, 5))
                .hasMessageContaining("does not move");
    }
}
