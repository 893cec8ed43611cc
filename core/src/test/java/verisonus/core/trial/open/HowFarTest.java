package verisonus.core.trial.open;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.work.Progress;

class HowFarTest {
    private static final Sound PHRASE = Signal.plucks(0.3, 4).lasting(2.5);

    private static Sound through(double treble) {
        return Renderer
                .render(new Tone("t", List.of(Block.of("open clean").with("treble", treble), Block.of("2×12 open"),
                        Block.of("dynamic microphone"))), PHRASE, Quality.SEARCH, Progress.NONE);
    }

    @Test
    void whatIsTheSameLiesAtNoughtAndWhatIsTurnedFurtherLiesFurther() {
        MatchedSounds m = MatchedSounds.of(List.of(new Candidate("record", through(5)), new Candidate("softer copy",
                through(5).gained(-9)), new Candidate("a little", through(7)), new Candidate("a lot", through(10))));
        HowFar far = HowFar.of(m, Pairing.SAME_PERFORMANCE, Progress.NONE);
        assertThat(far.jnd().get(1)).hasValueCloseTo(0.0, within(0.05));
        assertThat(far.jnd().get(2).orElseThrow()).isGreaterThan(0.3);
        assertThat(far.jnd().get(3).orElseThrow()).isGreaterThan(far.jnd().get(2).orElseThrow());
    }

    @Test
    void wordsFollowTheSteps() {
        assertThat(List.of(0.2, 1.0, 2.0, 4.0, 9.0)).extracting(HowFar::words).containsExactly("alike", "just heard",
                "clearly heard", "another colour", "far");
    }

    @Test
    void aCourseTellsThePartThatWasTurnedAndNothingOfTwins() {
        DifferenceCourse none = DifferenceCourse.of(through(5), through(5));
        assertThat(none.largest()).isEmpty();
        DifferenceCourse course = DifferenceCourse.of(through(1), through(10));
        DifferenceCourse.Moment most = course.largest().orElseThrow();
        assertThat(most.part()).isIn(DifferenceCourse.Part.BITE, DifferenceCourse.Part.MIDDLE);
        double body = course.of(DifferenceCourse.Part.BODY).stream().mapToDouble(DifferenceCourse.Moment::jnd).max()
                .orElse(0);
        assertThat(most.jnd()).isGreaterThan(body);
        assertThat(course.of(DifferenceCourse.Part.BITE)).extracting(DifferenceCourse.Moment::atS).isSorted()
                .doesNotHaveDuplicates();
    }
}
