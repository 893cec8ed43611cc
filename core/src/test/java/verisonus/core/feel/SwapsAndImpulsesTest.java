package verisonus.core.feel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.advise.ImpulseRanking;
import verisonus.core.compare.Driven;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Impulse;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.LevelWalk;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.loudspeaker.ImpulseCharacter;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class SwapsAndImpulsesTest {
    private static final Sound DI = Signal.plucks(0.35, 4).atDb(-10).lasting(4);
    private static final Tone TONE = new Tone("t", List.of(Block.of("mid-hump overdrive").with("drive", 5),
            Block.of("chiming edge").with("gain", 5), Block.of("2×12 open"), Block.of("dynamic microphone")));

    private static Sound play(Tone t) {
        return Renderer.render(t, DI, Optional.of(DI), Quality.DRAFT, Progress.NONE);
    }

    @Test
    void morePlayingIsHeldBackTheHarderAToneIsDriven() {
        double last = -1;
        for (double gain : new double[]{0, 3, 6, 10}) {
            double now = Driven.of(DI, play(TONE.with(TONE.blocks().get(1).with("gain", gain))));
            assertThat(now).isGreaterThan(last);
            last = now;
        }
        assertThat(Driven.of(DI, DI.gained(-20))).isCloseTo(0, within(0.01));
    }

    @ParameterizedTest
    @ValueSource(strings = {"transparent overdrive", "hard-clip distortion"})
    void anExchangedDriveIsAsLoudAndHoldsBackAsMuch(String other) {
        Tone raw = TONE.with(TONE.blocks().get(0).exchangedFor(Gear.model(other)));
        Tone fair = new FairSwap(DI).balanced(TONE, raw, "drive");
        assertThat(LoudnessMeter.integratedLufs(play(fair)).orElseThrow())
                .isCloseTo(LoudnessMeter.integratedLufs(play(TONE)).orElseThrow(), within(0.3));
        assertThat(Driven.of(DI, play(fair))).isCloseTo(Driven.of(DI, play(TONE)), within(0.05));
        assertThat(fair.blocks().get(0).model().name()).isEqualTo(other);
    }

    @Test
    void gainCanBeMovedAtConstantLoudness() {
        Tone more = new FairSwap(DI).turned(TONE, TONE.blocks().get(1), "gain", 9, HeldConstant.LOUDNESS, Locks.NONE);
        assertThat(more.find("amp").orElseThrow().get("gain")).isEqualTo(9);
        assertThat(LoudnessMeter.integratedLufs(play(more)).orElseThrow())
                .isCloseTo(LoudnessMeter.integratedLufs(play(TONE)).orElseThrow(), within(0.1));
    }

    @Test
    void aControlCanBeMovedAtConstantSaturation() {
        Tone brighter = new FairSwap(DI).turned(TONE, TONE.blocks().get(1), "highs before clipping", 10,
                HeldConstant.DIRT, Locks.NONE);
        assertThat(Driven.of(DI, play(brighter))).isCloseTo(Driven.of(DI, play(TONE)), within(0.05));
    }

    @Test
    void gainCanBeMovedAtConstantSaturationForADriveOrThePowerStageGivesWay() {
        Tone more = new FairSwap(DI).turned(TONE, TONE.blocks().get(1), "gain", 8, HeldConstant.DIRT, Locks.NONE);
        assertThat(more.find("amp").orElseThrow().get("gain")).isEqualTo(8);
        assertThat(more.find("drive").orElseThrow().get("drive"))
                .isLessThan(TONE.find("drive").orElseThrow().get("drive"));
        assertThat(Driven.of(DI, play(more))).isCloseTo(Driven.of(DI, play(TONE)), within(0.06));
        assertThat(LoudnessMeter.integratedLufs(play(more)).orElseThrow())
                .isCloseTo(LoudnessMeter.integratedLufs(play(TONE)).orElseThrow(), within(0.3));
        Tone alone = TONE.without("drive");
        Tone less = new FairSwap(DI).turned(alone, alone.find("amp").orElseThrow(), "gain", 2, HeldConstant.DIRT,
                Locks.NONE);
        assertThat(less.find("amp").orElseThrow().get("master"))
                .isGreaterThan(alone.find("amp").orElseThrow().get("master"));
    }

    @Test
    void aLockedGainDoesNotGiveWayAndWhatStandsBehindTheClippersMovesNone() {
        Tone more = new FairSwap(DI).turned(TONE, TONE.blocks().get(1), "gain", 8, HeldConstant.DIRT,
                Locks.of(ControlPlace.parse("drive/drive")));
        assertThat(more.find("drive").orElseThrow()).isEqualTo(TONE.find("drive").orElseThrow());
        Tone echoed = TONE.inserted(Block.of("clean echo"), TONE.blocks().size());
        Tone wetter = new FairSwap(DI).turned(echoed, echoed.find("echo").orElseThrow(), "mix", 40, HeldConstant.DIRT,
                Locks.NONE);
        for (String id : List.of("drive", "amp"))
            assertThat(wetter.find(id)).isEqualTo(echoed.find(id));
    }

    @Test
    void turningThatKeepsNothingIsOnlyTurning() {
        Block amp = TONE.blocks().get(1);
        assertThat(new FairSwap(DI).turned(TONE, amp, "gain", 8, HeldConstant.NOTHING, Locks.NONE))
                .isEqualTo(TONE.with(amp.with("gain", 8)));
    }

    private static Impulse box(double lowHz, double highHz, int rateHz) {
        float[] x = new float[4096];
        x[300] = 1;
        new Biquad.Section(Biquad.highPass(lowHz, 0.8, rateHz)).process(x, 0, x.length);
        new Biquad.Section(Biquad.lowPass(highHz, 0.8, rateHz)).process(x, 0, x.length);
        new Biquad.Section(Biquad.lowPass(highHz, 0.8, rateHz)).process(x, 0, x.length);
        return new Impulse("box", Sound.mono(x, rateHz));
    }

    private static Block measured(Impulse i) {
        return new Block("cabinet", Gear.model("impulse response"), true, java.util.Map.of()).with(i);
    }

    @Test
    void anImpulseResponseActsAsItsFilterAtAnyRate() {
        for (int rate : new int[]{44100, 48000, 96000}) {
            Sound in = Signal.sine(1000).atDb(-20).lasting(0.6);
            Sound high = Signal.sine(6000).atDb(-20).lasting(0.6);
            Tone t = new Tone("t", List.of(measured(box(80, 3000, rate))));
            double middle = Signal.rmsDb(Renderer.render(t, in, Quality.DRAFT, Progress.NONE).mid(), 9600, 20000);
            double top = Signal.rmsDb(Renderer.render(t, high, Quality.DRAFT, Progress.NONE).mid(), 9600, 20000);
            double want = 2 * (Biquad.lowPass(3000, 0.8, 96000).gainDbAt(6000, 96000)
                    - Biquad.lowPass(3000, 0.8, 96000).gainDbAt(1000, 96000));
            assertThat(top - middle).as("%d Hz", rate).isCloseTo(want, within(2.5));
            assertThat(middle).isCloseTo(-23, within(1.0));
        }
    }

    @Test
    void itsLeadInIsCutSoThatNothingComesLate() {
        Sound click = Signal.impulse().lasting(0.2);
        float[] out = Renderer.render(new Tone("t", List.of(measured(box(80, 3000, 48000)))), click, Quality.DRAFT,
                Progress.NONE).mid();
        int peak = 0;
        for (int i = 0; i < out.length; i++) if (Math.abs(out[i]) > Math.abs(out[peak])) peak = i;
        assertThat(peak).isLessThan(20);
    }

    @Test
    void itIsDescribedByWhatItDoes() {
        ImpulseCharacter dark = ImpulseCharacter.of(box(60, 1500, 48000));
        ImpulseCharacter thin = ImpulseCharacter.of(box(300, 9000, 44100));
        assertThat(dark.words()).contains("dark");
        assertThat(thin.brightDb()).isGreaterThan(dark.brightDb() + 10);
        assertThat(thin.words()).contains("lean below");
    }

    @Test
    void theResponseThatMadeTheReferenceComesFirst() {
        List<Impulse> boxes = new ArrayList<>();
        for (int i = 0; i < 12; i++) boxes.add(box(50 + 25 * i, 1800 + 450 * i, 48000));
        Tone with = new Tone("t", List.of(TONE.blocks().get(0), TONE.blocks().get(1), measured(boxes.get(7))));
        Sound reference = Renderer.render(with, DI, Quality.FINAL, Progress.NONE);
        var ranked = new ImpulseRanking(reference, DI, TONE)
                .of(boxes.stream().map(ImpulseCharacter::of).toList());
        assertThat(ranked.get(0).index()).isEqualTo(7);
        assertThat(ranked.get(0).leftDb()).isLessThan(0.5);
        assertThat(ranked.get(11).leftDb()).isGreaterThan(ranked.get(0).leftDb());
    }

    @Test
    void theWalkNamesWhereAnInputClipsIsLoadedOrHitTooHard() {
        Tone bad = new Tone("t", List.of(Block.of("instrument input").with("impedance", 20).with("level", 20),
                Block.of("chiming edge").with("master", 9), Block.of("mid-hump overdrive"),
                Block.of("volume").named("volume").with("level", 15), Block.of("clean echo").with("mix", 30)));
        List<LevelWalk.Point> points = LevelWalk.of(bad, DI, Optional.of(25.0));
        assertThat(points.get(0).fault()).contains("line level");
        assertThat(points.get(1).fault()).contains("loads a passive pickup");
        assertThat(points).filteredOn(p -> p.block().equals("drive")).singleElement()
                .satisfies(p -> assertThat(p.fault()).contains("line level"));
        assertThat(points).filteredOn(p -> p.block().equals("echo")).singleElement()
                .satisfies(p -> assertThat(p.fault()).contains("clips"));
        assertThat(LevelWalk.of(TONE, DI, Optional.empty())).allSatisfy(p -> assertThat(p.volts()).isEmpty())
                .allSatisfy(p -> assertThat(p.fault()).isEmpty());
    }
}
