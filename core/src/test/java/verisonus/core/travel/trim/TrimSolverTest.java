package verisonus.core.travel.trim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.travel.Journey;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.ResponseCurve;
import verisonus.core.travel.system.Room;
import verisonus.core.work.Progress;

class TrimSolverTest {
    private static final Tone TONE = new Tone("t", List.of(Block.of("chiming edge"), Block.of("2×12 open"),
            Block.of("dynamic microphone")));
    private static final Sound DI = Signal.plucks(0.25, 8).lasting(4);
    private static final TrimSolver SOLVER = new TrimSolver(TONE, DI, 75, true, Progress.NONE);

    private static PlaybackSystem system(String id) {
        return PlaybackSystem.find(id).orElseThrow();
    }

    /** A system that is flat but for one peak. */
    private static PlaybackSystem peaked(double hz, double db) {
        Biquad peak = Biquad.peak(hz, db, 1, 48000);
        double[] f = Journey.thirdsHz();
        double[] l = new double[f.length];
        for (int b = 0; b < l.length; b++) l[b] = peak.gainDbAt(f[b], 48000);
        return PlaybackSystem.measured("p", "peaked", new ResponseCurve(f, l));
    }

    @Test
    void aFlatSystemNeedsNothing() {
        Trim t = SOLVER.on(PlaybackSystem.measured("flat", "flat", ResponseCurve.of(10, 0, 24000, 0)));
        assertThat(t.isEmpty()).isTrue();
        assertThat(t.beforeDb()).isCloseTo(0, within(0.01));
        assertThat(t.tone()).isEqualTo(TONE);
    }

    @Test
    void onePeakIsTakenOutByFewControlsAndTheResultIsWhatWasRendered() {
        Trim t = SOLVER.on(peaked(650, 7));
        assertThat(t.beforeDb()).isGreaterThan(2);
        assertThat(t.afterDb()).isLessThan(0.45 * t.beforeDb());
        assertThat(t.steps().stream().filter(s -> !s.place().control().endsWith("frequency"))).hasSizeBetween(1, 3);
        double again = new TrimSolver(TONE, DI, 75, true, Progress.NONE).on(peaked(650, 7)).afterDb();
        assertThat(again).isEqualTo(t.afterDb());
    }

    @Test
    void noTrimIsWorseThanNone() {
        for (PlaybackSystem s : PlaybackSystem.ALL) {
            Trim t = SOLVER.on(s);
            assertThat(t.afterDb()).as(s.name()).isLessThanOrEqualTo(t.beforeDb());
        }
    }

    @Test
    void whatAPhoneCannotPlayIsSaidToStayOff() {
        Trim t = SOLVER.on(system("phone"));
        assertThat(t.left()).contains(NamedBand.LOWS);
        assertThat(TrimWords.of(t)).contains("lows");
    }

    @Test
    void aSimulatedCabinetBeforeARealOneIsSwitchedOff() {
        assertThat(CabinetCheck.of(TONE, system("guitar-cabinet"))).isEqualTo(CabinetCheck.TWICE);
        assertThat(CabinetCheck.of(TONE, system("car"))).isEqualTo(CabinetCheck.ONE);
        Trim t = SOLVER.on(system("guitar-cabinet"));
        assertThat(t.off()).contains("cabinet");
        assertThat(t.tone().find("cabinet").orElseThrow().on()).isFalse();
        assertThat(CabinetCheck.of(t.tone(), system("guitar-cabinet"))).isEqualTo(CabinetCheck.ONE);
        assertThat(CabinetCheck.of(t.tone(), system("stage"))).isEqualTo(CabinetCheck.NONE);
    }

    @Test
    void withoutAnEqualizerOnlyTheTonesOwnControlsAreTurned() {
        Trim t = new TrimSolver(TONE, DI, 75, false, Progress.NONE).on(system("car"));
        assertThat(t.steps()).isNotEmpty().allSatisfy(s -> assertThat(s.place().block()).isIn("amp", "microphone"));
        assertThat(t.tone().first(GearKind.EQUALIZER)).isEmpty();
    }

    @Test
    void oneSettingForSeveralSystemsIsNoBetterThanEachItsOwn() {
        List<PlaybackSystem> two = List.of(system("car"), peaked(100, 6));
        Trim both = SOLVER.on(two);
        assertThat(both.systems()).containsExactly("car", "p");
        assertThat(both.within2Db()).isBetween(0, 2);
        assertThat(both.afterDb()).isLessThan(both.beforeDb());
        double own = Math.sqrt((Math.pow(SOLVER.on(two.get(0)).afterDb(), 2)
                + Math.pow(SOLVER.on(two.get(1)).afterDb(), 2)) / 2);
        assertThat(both.afterDb()).isGreaterThan(own - 0.3);
    }

    @Test
    void turnsReadAsAPlayerSetsThem() {
        Trim t = SOLVER.on(system("car"));
        assertThat(TrimWords.turns(t, Rig.everything())).isNotEmpty()
                .allSatisfy(s -> assertThat(s).doesNotContain("peak ").doesNotContain("Q"));
    }

    private static final Sound SPACED = Signal.plucks(0.5, 8).lasting(6);

    /** Flat, with a room that rings for this long. */
    private static PlaybackSystem ringing(double decayS) {
        return new PlaybackSystem("r", "ringing", ResponseCurve.of(10, 0, 24000, 0), Optional.empty(),
                Optional.of(new Room(3, decayS, 0)), 2, false, 75, "");
    }

    private static List<TrimStep> mixes(Trim t) {
        return t.steps().stream().filter(s -> s.place().control().equals("mix")).toList();
    }

    @Test
    void whereThePlaceRingsATonesOwnHallIsTurnedDown() {
        Tone wet = TONE.inserted(Block.of("plain hall").with("mix", 40), 3);
        Trim t = new TrimSolver(wet, SPACED, 75, true, Progress.NONE).on(ringing(0.9));
        assertThat(mixes(t)).singleElement().satisfies(s -> {
            assertThat(s.from()).isEqualTo(40);
            assertThat(s.to()).isLessThan(35);
        });
        assertThat(t.tone().find("reverb").orElseThrow().get("mix")).isEqualTo(mixes(t).getFirst().to());
        assertThat(t.isFor(wet)).isTrue();
        assertThat(TrimWords.of(t)).contains("reverb mix from 40");
    }

    @Test
    void aPlaceThatHardlyRingsLeavesTheHallAlone() {
        Tone wet = TONE.inserted(Block.of("plain hall").with("mix", 40), 3);
        TrimSolver solver = new TrimSolver(wet, DI, 75, true, Progress.NONE);
        assertThat(mixes(solver.on(PlaybackSystem.measured("flat", "flat", ResponseCurve.of(10, 0, 24000, 0)))))
                .isEmpty();
        assertThat(mixes(solver.on(system("car")))).isEmpty();
    }

    @Test
    void aDryToneHasNothingToTurnDown() {
        assertThat(mixes(SOLVER.on(ringing(2.5)))).isEmpty();
    }
}
