package verisonus.desktop.derive;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.rig.Block;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.ToneSearch;
import verisonus.core.sound.Sound;
import verisonus.desktop.desk.DeskFixture;

class InterimModelTest {
    private static final Sound DI = DeskFixture.notes(2, 0.4);
    private static final Tone FIRST = new Tone("so far", List.of(Block.of("chiming edge").with("gain", 3),
            Block.of("2×12 open"), Block.of("ribbon microphone")));

    @TempDir
    private Path dir;

    @Test
    void theBestSoFarIsShownWhileTheSearchRunsAndGoneWhenItIsOver() {
        try (DeskFixture f = new DeskFixture(dir)) {
            InterimModel model = new InterimModel(f.desk());
            AtomicReference<String> seen = new AtomicReference<>("");
            model.best().subscribe(b -> b.ifPresent(s -> {
                seen.set(SoFarWords.of(s.tone(), Rig.everything()) + " at " + s.startS());
                model.hear();
            }));
            String end = model.during(f.open().entry().id(), 1.5, DI, listener -> {
                listener.soFar(FIRST, 0.25);
                return "found";
            });
            f.settle();
            assertThat(end).isEqualTo("found");
            assertThat(seen.get()).isEqualTo(
                    "chiming edge (gain 3.0, bass 5.0, mid 5.0, treble 5.0), 2×12 open, ribbon microphone at 1.75");
            assertThat(model.best().get()).isEmpty();
        }
    }

    @Test
    void aSearchThatFailsLeavesNothingBehind() {
        try (DeskFixture f = new DeskFixture(dir)) {
            InterimModel model = new InterimModel(f.desk());
            try {
                model.<String>during(f.open().entry().id(), 0, DI, (ToneSearch.Interim listener) -> {
                    listener.soFar(FIRST, 0);
                    throw new IllegalStateException("no more");
                });
            } catch (IllegalStateException e) {
                assertThat(e).hasMessage("no more");
            }
            f.settle();
            assertThat(model.best().get()).isEmpty();
        }
    }

    @Test
    void anotherCaseIsNotShownWhatIsNotItsOwn() {
        try (DeskFixture f = new DeskFixture(dir)) {
            InterimModel model = new InterimModel(f.desk());
            AtomicReference<String> seen = new AtomicReference<>("");
            model.best().subscribe(b -> b.ifPresent(s -> seen.set(s.tone().name())));
            model.<String>during(f.open().entry().id() + 1, 0, DI, (ToneSearch.Interim listener) -> {
                listener.soFar(FIRST, 0);
                return "found";
            });
            f.settle();
            assertThat(seen.get()).isEmpty();
        }
    }
}
