package verisonus.core.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.perform.device.Translation;
import verisonus.core.perform.device.Translator;
import verisonus.core.plan.RigCheck;
import verisonus.core.rig.Block;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Unit;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/** Gear under the player's own names is the same gear: every answer is the same to the last bit, in the new names. */
class OwnNamesTest {
    private static final Rig RIG = new Rig(List.of(), Map.of("tight saturated", 1, "2×12 open", 1,
            "dynamic microphone", 1, "ribbon microphone", 1, "parametric equalizer", 1, "clean echo", 1,
            "plain hall", 1, "noise gate", 1), Map.of(), 9);
    private static final Rig RENAMED = renamed(RIG);
    private static final Sound TAKE = Signal.plucks(0.43, 21, 1).atDb(-8).lasting(5);
    private static final Sound AGAIN = Signal.plucks(0.43, 21, 5).atDb(-8).lasting(5);
    private static final Tone PLAYED = new Tone("played", List.of(Block.of("tight saturated").with("gain", 4.6),
            Block.of("2×12 open"), Block.of("ribbon microphone"),
            Block.of("clean echo").with("time", 390).with("mix", 20).with("feedback", 30)));
    private static final Sound RECORD = Renderer.render(PLAYED, TAKE, Quality.SEARCH, Progress.NONE);
    private static ExecutorService workers;

    @BeforeAll
    static void begin() {
        workers = Executors.newFixedThreadPool(2);
    }

    @AfterAll
    static void end() {
        workers.shutdown();
    }

    /** The same gear, none of it under a shipped name. */
    private static Rig renamed(Rig rig) {
        Map<String, Integer> counts = new HashMap<>();
        rig.counts().forEach((name, n) -> counts.put("my " + name, n));
        return new Rig(List.of(), counts, Map.of(), rig.mostBlocks(), Set.of(), Map.of(), Map.of(),
                rig.counts().keySet().stream().sorted()
                        .map(n -> Unit.of("my " + n, Gear.model(n), Map.of(), List.of())).toList());
    }

    /** What every control stands at, by block, in shipped names. */
    private static Map<String, Map<String, Double>> values(Tone tone) {
        Map<String, Map<String, Double>> out = new LinkedHashMap<>();
        for (Block b : tone.blocks()) {
            Map<String, Double> of = new LinkedHashMap<>();
            b.model().controls().forEach(c -> of.put(c.name(), b.get(c.name())));
            out.put(b.id() + ": " + b.model().name(), of);
        }
        return out;
    }

    /** The tone in shipped names. */
    private static Tone shipped(Tone tone) {
        Tone out = tone;
        for (Block b : tone.blocks()) {
            assertThat(b.model().name()).startsWith("my ");
            out = out.with(b.exchangedFor(Gear.baseOf(b.model())));
        }
        return out;
    }

    private static Derivation derived(Rig rig, Sound take) {
        return new ToneSearch(RECORD, take, SearchOptions.defaults().withRig(rig).withBudget(80, 1), workers,
                Progress.NONE).run();
    }

    private static void assertSame(Sound take) {
        Derivation own = derived(RENAMED, take);
        Derivation plain = derived(RIG, take);
        assertThat(values(shipped(own.tone()))).isEqualTo(values(plain.tone()));
        assertThat(own.render().mid()).isEqualTo(plain.render().mid());
        assertThat(own.gap()).isEqualTo(plain.gap());
    }

    @Test
    void theVeryPerformanceIsSearchedAlike() {
        assertSame(TAKE);
    }

    @Test
    void aPhrasePlayedAgainIsSearchedAlike() {
        assertSame(AGAIN);
    }

    @Test
    void aToneIsBroughtToIdenticalGearUnchanged() {
        Translation there = new Translator(PLAYED, TAKE.slice(0, 3), RENAMED).translated(Progress.NONE);
        assertThat(there.changes()).isEmpty();
        assertThat(values(shipped(there.tone()))).isEqualTo(values(PLAYED));
        Translation back = new Translator(there.tone(), TAKE.slice(0, 3), RIG).translated(Progress.NONE);
        assertThat(values(back.tone())).isEqualTo(values(PLAYED));
    }

    @Test
    void whatIsLackingIsReplacedByTheSameDevice() {
        Sound phrase = TAKE.slice(0, 3);
        Tone other = PLAYED.with(Block.of("chiming edge").with("gain", 4));
        Translation plain = new Translator(other, phrase, RIG).translated(Progress.NONE);
        Translation own = new Translator(other, phrase, RENAMED).translated(Progress.NONE);
        assertThat(values(shipped(own.tone()))).isEqualTo(values(plain.tone()));
        assertThat(own.changes()).extracting(c -> c.words().replace("→ my ", "→ "))
                .isEqualTo(plain.changes().stream().map(Translation.Change::words).toList());
    }

    @Test
    void aToneInShippedNamesIsKnownToBeOwned() {
        assertThat(RigCheck.of(PLAYED, RENAMED).faults()).isEqualTo(RigCheck.of(PLAYED, RIG).faults()).isEmpty();
    }
}
