package verisonus.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.advise.ClaimedGear;
import verisonus.core.compare.GapAttribute;
import verisonus.core.evidence.Correction;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.evidence.words.Claim;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Impulse;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** What a player asks for besides being near. */
class WishesTest {
    private static final Sound DI = Signal.plucks(0.27, 21).atDb(-8).lasting(4);
    private static final Rig SMALL = new Rig(List.of(),
            Map.of("chiming edge", 1, "tight saturated", 1, "2×12 open", 1, "4×12 closed", 1, "dynamic microphone", 1,
                    "parametric equalizer", 1),
            Map.of(), 9);
    private static final Tone TRUTH = new Tone("truth", List.of(Block.of("tight saturated").with("gain", 4.5),
            Block.of("4×12 closed"), Block.of("dynamic microphone").with("position", 30)));
    private static ExecutorService workers;
    private static Sound reference;

    @BeforeAll
    static void play() {
        workers = Executors.newFixedThreadPool(2);
        reference = Renderer.render(TRUTH, DI, Quality.FINAL, Progress.NONE);
    }

    @AfterAll
    static void stop() {
        workers.shutdownNow();
    }

    private static Derivation search(Sound di, Wishes wishes) {
        return new ToneSearch(reference, di, SearchOptions.defaults().withRig(SMALL).withBudget(40, 1).wishing(wishes),
                workers, Progress.NONE).run();
    }

    @Test
    void anHonouredClaimIsKeptAndAnIgnoredOneIsNot() {
        Wishes honoured = Wishes.NONE
                .claiming(List.of(new Wishes.ModelClaim(Gear.model("chiming edge"), Wishes.Use.HONOURED)));
        assertThat(search(DI, honoured).tone().first(GearKind.AMP).orElseThrow().model().name())
                .isEqualTo("chiming edge");
        Wishes ignored = Wishes.NONE
                .claiming(List.of(new Wishes.ModelClaim(Gear.model("chiming edge"), Wishes.Use.IGNORED)));
        assertThat(search(DI, ignored).tone().first(GearKind.AMP).orElseThrow().model().name())
                .isEqualTo("tight saturated");
        Wishes weighed = Wishes.NONE
                .claiming(List.of(new Wishes.ModelClaim(Gear.model("chiming edge"), Wishes.Use.WEIGHED)));
        assertThat(weighed.handicap(Gear.model("tight saturated"))).isGreaterThan(1);
        assertThat(weighed.handicap(Gear.model("chiming edge"))).isEqualTo(1);
        assertThat(weighed.handicap(Gear.model("4×12 closed"))).isEqualTo(1);
    }

    @Test
    void aTrackThatHasBeenThroughAnAmpGetsOnlyCabinetAndEqualizer() {
        Sound raw = Renderer.render(new Tone("raw", List.of(TRUTH.find("amp").orElseThrow())), DI, Quality.FINAL,
                Progress.NONE);
        Derivation d = search(raw, Wishes.NONE.through(SearchOptions.Track.THROUGH_AMP));
        assertThat(d.tone().blocks()).extracting(b -> b.model().kind()).doesNotContain(GearKind.AMP, GearKind.DRIVE)
                .contains(GearKind.CABINET);
        assertThat(d.tone().first(GearKind.CABINET).orElseThrow().model().name()).isEqualTo("4×12 closed");
        assertThat(d.gap().spectrumRmsDb().orElseThrow()).isLessThan(1);
        Derivation only = search(reference, Wishes.NONE.through(SearchOptions.Track.THROUGH_AMP_AND_CABINET));
        assertThat(only.tone().blocks()).extracting(b -> b.model().kind()).containsOnly(GearKind.EQUALIZER);
    }

    @Test
    void aMeasuredResponseIsTakenWhereItIsNearer() {
        float[] h = new float[2048];
        h[0] = 1;
        Sound box = Renderer
                .render(new Tone("box", List.of(Block.of("4×12 closed"), Block.of("dynamic microphone").with(
                        "position", 30))), Sound.mono(h, 48000), Quality.FINAL, Progress.NONE);
        Rig without = SMALL.counting(Gear.model("4×12 closed"), 0);
        Derivation d = new ToneSearch(reference, DI, SearchOptions.defaults().withRig(without).withBudget(40, 1)
                .wishing(Wishes.NONE.offering(List.of(new Impulse("measured box", box)))), workers, Progress.NONE)
                .run();
        Block cabinet = d.tone().first(GearKind.CABINET).orElseThrow();
        assertThat(cabinet.impulse().map(Impulse::name)).contains("measured box");
        assertThat(d.tone().first(GearKind.MICROPHONE)).isEmpty();
    }

    @Test
    void aDifferenceThatIsWantedIsNotChasedAndDoesNotCount() {
        Evidence e = Examination.of(reference, Progress.NONE);
        SearchOptions wanting = SearchOptions.defaults()
                .wishing(Wishes.NONE.wantingSo(Set.of(GapAttribute.BOTTOM)));
        Target plain = Target.of(reference.mid(), e.spectrum(), SearchOptions.defaults());
        Target other = Target.of(reference.mid(), e.spectrum(), wanting);
        int low = Features.LEVEL_BANDS.nearest(110);
        int high = Features.LEVEL_BANDS.nearest(1000);
        assertThat(other.weight()[low]).isLessThan(0.2 * plain.weight()[low]);
        assertThat(other.weight()[high]).isEqualTo(plain.weight()[high]);
    }

    @Test
    void severalRecordingsAreMetInWhatTheyHaveInCommon() {
        Evidence e = Examination.of(reference, Progress.NONE);
        Sound brighter = Renderer.render(new Tone("b", List.of(Block.of("parametric equalizer").with("high shelf", 8)
                .with("high corner", 3000))), reference, Quality.FINAL, Progress.NONE);
        Target one = Target.of(reference.mid(), e.spectrum(), SearchOptions.defaults());
        Target both = Target.of(reference.mid(), e.spectrum(), SearchOptions.defaults()
                .wishing(Wishes.NONE.alsoNear(List.of(brighter))));
        int top = Features.LEVEL_BANDS.nearest(5000);
        int middle = Features.LEVEL_BANDS.nearest(500);
        double lift = both.levelDb()[top] - both.levelDb()[middle] - one.levelDb()[top] + one.levelDb()[middle];
        assertThat(lift).isBetween(2.0, 6.0);
        assertThat(both.weight()[top]).isLessThan(one.weight()[top]);
    }

    @Test
    void aClaimAboutGearThatIsNotOwnedRulesNothingOut() {
        Wishes wishes = Wishes.NONE
                .claiming(List.of(new Wishes.ModelClaim(Gear.model("open clean"), Wishes.Use.HONOURED)));
        assertThat(wishes.allows(Gear.model("tight saturated"), SMALL)).isTrue();
        assertThat(search(DI, wishes).tone().first(GearKind.AMP)).isPresent();
    }

    @Test
    void whatEveryChainNeedsIsAskedForByName() {
        Rig none = SMALL.counting(Gear.model("dynamic microphone"), 0);
        assertThatThrownBy(() -> new ToneSearch(reference, DI, SearchOptions.defaults().withRig(none), workers,
                Progress.NONE).run()).isInstanceOf(InputFault.class).hasMessageContaining("microphone");
        assertThat(SearchOptions.defaults().withRig(none)
                .wishing(Wishes.NONE.through(SearchOptions.Track.THROUGH_AMP_AND_CABINET)).missing()).isEmpty();
    }

    @Test
    void aLockedBlockStaysThoughNothingOfItsKindWasFound() {
        Tone earlier = TRUTH.inserted(Block.of("clean echo").with("time", 333).with("mix", 20), 3)
                .inserted(Block.of("plain hall").with("mix", 15), 4);
        Derivation d = new ToneSearch(reference, DI, SearchOptions.defaults().withRig(SMALL).withBudget(40, 1)
                .keeping(earlier, Locks.of(ControlPlace.parse("echo/time"), ControlPlace.parse("reverb/mix"))), workers,
                Progress.NONE).run();
        assertThat(d.tone().first(GearKind.ECHO).orElseThrow().get("time")).isEqualTo(333);
        assertThat(d.tone().first(GearKind.REVERB).orElseThrow().get("mix")).isEqualTo(15);
    }

    @Test
    void rumoursAreNotWeighed() {
        List<Claim> said = List.of(new Claim(Claim.Says.CLEAN, "a forum", Claim.Certainty.RUMOUR),
                new Claim(Claim.Says.SATURATED, "the engineer", Claim.Certainty.CERTAIN));
        assertThat(ClaimedGear.of(said, Wishes.Use.WEIGHED)).extracting(c -> c.model().name())
                .contains("tight saturated").doesNotContain("open clean");
        assertThat(ClaimedGear.of(said, Wishes.Use.HONOURED)).extracting(c -> c.model().name())
                .contains("open clean");
    }

    @Test
    void aRigThatHoldsThreeBlocksGetsThree() {
        Derivation d = new ToneSearch(reference, DI, SearchOptions.defaults().withRig(SMALL.limited(3, Set.of()))
                .withBudget(40, 1), workers, Progress.NONE).run();
        assertThat(d.tone().blocks()).hasSize(3);
        assertThat(d.render().rms()).isPositive();
    }

    @Test
    void roomForBassTakesTheLowsOut() {
        SearchOptions.School room = new SearchOptions.School(SearchOptions.Start.NEUTRAL, SearchOptions.Order.TOGETHER,
                SearchOptions.Equalizing.EITHER, SearchOptions.Values.MODERATE, SearchOptions.Lows.ROOM_FOR_BASS);
        Derivation d = new ToneSearch(reference, DI, SearchOptions.defaults().withRig(SMALL).withBudget(40, 1)
                .withSchool(room), workers, Progress.NONE).run();
        assertThat(d.tone().first(GearKind.EQUALIZER).orElseThrow().get("low cut")).isEqualTo(100);
    }

    @Test
    void whatAnHonouredClaimSaysIsNotThereIsSetAside() {
        List<Claim> said = List.of(new Claim(Claim.Says.NO_ECHO, "a sleeve", Claim.Certainty.LIKELY),
                new Claim(Claim.Says.STILL, "a sleeve", Claim.Certainty.LIKELY),
                new Claim(Claim.Says.DIRECT, "an engineer", Claim.Certainty.CERTAIN));
        assertThat(ClaimedGear.absent(said, Wishes.Use.HONOURED)).extracting(Correction::topic)
                .containsExactly(Correction.Topic.ECHO, Correction.Topic.MOVEMENT);
        assertThat(ClaimedGear.absent(said, Wishes.Use.HONOURED)).allSatisfy(c -> assertThat(c.figure()).isEmpty());
        assertThat(ClaimedGear.absent(said, Wishes.Use.WEIGHED)).isEmpty();
        assertThat(ClaimedGear.direct(said, Wishes.Use.HONOURED)).isTrue();
        assertThat(ClaimedGear.direct(said, Wishes.Use.IGNORED)).isFalse();
    }

    @Test
    void aSpaceOrMovementThatIsWantedOtherwiseIsNotSet() {
        Evidence found = Examination.of(reference, Examination.Depth.TONE, Progress.NONE)
                .spacious(Finding.present(new ReverbReading(1.2, OptionalDouble.of(10), OptionalDouble.of(-12)), 0.95,
                        "read"))
                .moving(Finding.present(new ModulationReading(ModulationKind.TREMOLO, OptionalDouble.of(5),
                        OptionalDouble.of(60)), 0.95, "read"));
        assertThat(measured(found, Set.of()).space(DI)).isPresent();
        assertThat(measured(found, Set.of()).movement()).isPresent();
        for (GapAttribute row : List.of(GapAttribute.SPACE_LEVEL, GapAttribute.SPACE_DECAY))
            assertThat(measured(found, Set.of(row)).space(DI)).as(row.words()).isEmpty();
        for (GapAttribute row : List.of(GapAttribute.MOVEMENT, GapAttribute.MOVEMENT_RATE, GapAttribute.MOVEMENT_DEPTH))
            assertThat(measured(found, Set.of(row)).movement()).as(row.words()).isEmpty();
    }

    private static MeasuredBlocks measured(Evidence found, Set<GapAttribute> wantedSo) {
        return new MeasuredBlocks(found, SearchOptions.defaults().wishing(Wishes.NONE.wantingSo(wantedSo)));
    }
}
