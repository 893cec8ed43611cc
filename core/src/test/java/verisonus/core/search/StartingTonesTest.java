package verisonus.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.CaptureSignal;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;

class StartingTonesTest {
    private static StartingTone named(String words) {
        return StartingTones.ALL.stream().filter(t -> t.words().equals(words)).findFirst().orElseThrow();
    }

    @Test
    void thereAreFortyOrMoreAndNoTwoAreCalledAlike() {
        assertThat(StartingTones.ALL).hasSizeGreaterThanOrEqualTo(40);
        assertThat(StartingTones.ALL.stream().map(StartingTone::words).collect(Collectors.toSet()))
                .hasSameSizeAs(StartingTones.ALL);
        assertThat(StartingTones.ALL).allSatisfy(t -> {
            assertThat(t.tone().first(GearKind.AMP)).isPresent();
            assertThat(t.tone().first(GearKind.CABINET)).isPresent();
            assertThat(t.tone().first(GearKind.MICROPHONE)).isPresent();
        });
    }

    @Test
    void aSaturatedToneHoldsPlayingBackMoreThanACleanOne() {
        Fingerprint clean = Fingerprint.of(named("glassy clean for arpeggios").tone());
        Fingerprint wall = Fingerprint.of(named("saturated lead").tone());
        assertThat(wall.heldBack()).isGreaterThan(clean.heldBack() + 0.3);
        assertThat(clean.distance(wall)).isGreaterThan(1);
        assertThat(clean.distance(clean)).isZero();
    }

    /** Where this fails the gear has changed: FingerprintFile in bench writes the file anew. */
    @Test
    void theShippedFingerprintsAreWhatTheTonesMeasure() {
        assertThat(StartingTones.ALL).allSatisfy(t -> {
            Fingerprint shipped = Fingerprint.of(t);
            Fingerprint measured = Fingerprint.of(t.tone());
            assertThat(shipped.distance(measured)).as(t.words()).isLessThan(0.02);
        });
    }

    @Test
    void aRecordingOfAToneIsNearestToThatTone() {
        int hits = 0;
        List<StartingTone> some = StartingTones.ALL.stream().filter(t -> StartingTones.ALL.indexOf(t) % 5 == 0)
                .toList();
        for (StartingTone t : some) {
            float[] played = Renderer.renderMono(t.tone(), Fingerprint.signal(), Quality.SEARCH);
            Fingerprint heard = Fingerprint.between(Fingerprint.signal(), played);
            if (heard.nearest(StartingTones.ALL, 3).contains(t)) hits++;
        }
        assertThat(hits).isEqualTo(some.size());
    }

    @Test
    void ofOtherPlayingOnlyTheColourIsCompared() {
        StartingTone dark = named("dark chime for slides");
        float[] played = Renderer.renderMono(dark.tone(), CaptureSignal.make().slice(6, 9).mid(), Quality.SEARCH);
        Fingerprint heard = Fingerprint.ofColour(played);
        assertThat(heard.heldBack()).isNaN();
        assertThat(heard.distance(Fingerprint.of(dark.tone()))).isFinite();
        assertThat(heard.nearest(StartingTones.ALL, 10)).hasSize(10);
    }

    @Test
    void onlyTonesOfTheRigAreOffered() {
        Rig small = new Rig(List.of(), Map.of("open clean", 1, "2×12 open", 1, "condenser microphone", 1), Map.of(), 9);
        Fingerprint wanted = Fingerprint.of(named("chiming crunch").tone());
        assertThat(CoarseSearch.nearest(wanted, small, List.of())).isNotEmpty()
                .allSatisfy(t -> assertThat(t.playableOn(small)).isTrue());
    }

    @Test
    void whatWasChangedFromTheStartIsListedInTheDevicesOwnScale() {
        StartingTone start = named("chiming crunch");
        Tone derived = start.tone().with(start.tone().find("amp").orElseThrow().with("gain", 4))
                .with(Block.of("4×12 closed")).inserted(Block.of("clean echo"), 9);
        Rig hundred = Rig.everything().scaling(start.tone().find("amp").orElseThrow().model(), DeviceScale.HUNDREDS);
        assertThat(start.changesIn(derived, hundred)).containsExactly("amp gain 70 → 40",
                "4×12 closed for 2×12 open", "clean echo added");
        assertThat(start.changesIn(start.tone(), hundred)).isEmpty();
    }

    @Test
    void enoughIsSaidWhereGainsHaveDriedUp() {
        StoppingPoint done = StoppingPoint.of(1.4, List.of(1.2, 0.9, 0.88, 0.88, 0.88));
        assertThat(done.isReached()).isTrue();
        assertThat(done.firstChoice()).isCloseTo(0.52, within(0.01));
        assertThat(done.words()).contains("No single move").contains("first sensible choice");
        StoppingPoint open = StoppingPoint.of(6, List.of(5.0, 4.0, 3.0, 2.0));
        assertThat(open.isReached()).isFalse();
        assertThat(open.couldGain()).isPositive().isLessThanOrEqualTo(2);
    }
}
