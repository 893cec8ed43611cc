package verisonus.casebook.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.DerivedToneJson;
import verisonus.casebook.store.Goal;
import verisonus.casebook.store.Remarks;
import verisonus.core.advise.Sketch;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.Block;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.core.search.Derivation;
import verisonus.core.take.Pairing;

/** A player who hears the missing hall will trust nothing else: so it is said. */
class NearnessTest {
    private static DerivedTone tone(double jnd, List<String> missing, List<String> unjudged, Block... more) {
        Tone t = new Tone("t", List.of(Block.of("chiming edge")));
        for (Block b : more) t = t.inserted(b, t.blocks().size());
        return new DerivedTone(t, Optional.empty(), Locks.NONE, List.of(), List.of(),
                new GapLedger(List.of(new GapRow(GapAttribute.BITE, "dB", 0, jnd, 1, "microphone", "", true)), 0.4),
                new DerivedTone.Search(Pairing.PLAYED_AGAIN, 8, 100, "", 0),
                new Remarks(Goal.EXACT, List.of(), "", List.of(), "", missing, unjudged, Sketch.NONE));
    }

    @Test
    void aSketchIsCalledOneHoweverNearItIs() {
        DerivedTone t = tone(0.3, List.of(), List.of()).sketched(new Sketch(true, List.of("play the phrase")));
        assertThat(Nearness.of(t)).startsWith("A sketch.").doesNotContain("As near as can be heard. ");
    }

    @Test
    void aColourLeftOpenIsSaidAndNoWholeNearness() {
        DerivedTone t = tone(0.3, List.of(), List.of());
        DerivedTone open = t.turned(t.tone(),
                t.gap().and(List.of(new GapRow(GapAttribute.COLOUR_LEFT_OPEN, "dB", 0, 2.3, 1, "rest", "", true))));
        assertThat(Nearness.of(open)).startsWith("What could be measured").contains("open by up to 2 dB");
    }

    @Test
    void nearIsSaidOnlyOfWhatWasJudged() {
        assertThat(Nearness.of(tone(0.3, List.of(), List.of()))).isEqualTo("As near as can be heard.");
        assertThat(Nearness.of(tone(0.3, List.of(), List.of("space")))).doesNotStartWith("As near")
                .contains("could not be judged").contains("tails");
    }

    @Test
    void whatIsMissingIsNamedUntilItStandsInTheTone() {
        assertThat(Nearness.of(tone(0.3, List.of("echo"), List.of()))).contains("not in the tone: echo");
        assertThat(Nearness.of(tone(0.3, List.of("echo"), List.of(), Block.of("clean echo")))).doesNotContain("echo");
    }

    @Test
    void aMissingEffectIsNeverClose() {
        assertThat(Nearness.of(tone(1.8, List.of("phaser"), List.of()))).doesNotStartWith("Close");
        assertThat(Nearness.of(tone(1.8, List.of(), List.of()))).startsWith("Close:");
    }

    @Test
    void closeIsSaidOnlyOfWhatCouldBeMeasured() {
        assertThat(Nearness.of(tone(1.8, List.of(), List.of("space")))).startsWith("Close in what could be measured:");
    }

    @Test
    void whereNothingIsKnownOfTheGuitarNoNearnessIsStated() {
        GapLedger open = new GapLedger(List.of(), OptionalDouble.empty(), Set.of());
        DerivedTone covered = tone(0.3, List.of(), List.of(Derivation.COLOUR, "dirt", "echo"));
        assertThat(Nearness.of(covered.turned(covered.tone(), open))).contains("usual tone").contains("not be measured")
                .doesNotContain("listen to").doesNotContain("near as can be");
        DerivedTone noisy = tone(0.3, List.of(), List.of());
        assertThat(Nearness.of(noisy.turned(noisy.tone(), open))).isEqualTo("How near it is could not be measured.");
    }

    @Test
    void aWiderRecordIsSaidSo() {
        DerivedTone t = tone(0.3, List.of(), List.of());
        DerivedTone narrow = t.turned(t.tone(),
                t.gap().and(List.of(new GapRow(GapAttribute.REST_SIDES, "dB", -2, -32, 2, "rest", "", false))));
        assertThat(Nearness.of(narrow)).contains("But for the width").contains("wider than this tone");
    }

    @Test
    void whatWasMissingAndUnjudgedIsKept() {
        DerivedTone t = tone(1.2, List.of("echo"), List.of("space", "movement"));
        assertThat(DerivedToneJson.read("book", DerivedToneJson.write(t))).isEqualTo(t);
    }
}
