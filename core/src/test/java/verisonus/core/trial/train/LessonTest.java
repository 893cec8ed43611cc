package verisonus.core.trial.train;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class LessonTest {
    private static final Tone TONE = new Tone("rhythm", List.of(Block.of("mid-forward crunch").with("gain", 4),
            Block.of("2×12 open"), Block.of("dynamic microphone"), Block.of("clean echo").with(ControlNames.MIX, 15)));
    private static final Sound TAKE = Signal.plucks(0.3, 4).lasting(1.5);

    private static Lesson lesson(Skill... skills) {
        return new Lesson(TONE, List.of(skills), List.of(), 7);
    }

    @Test
    void questionsTurnOneThingAndOfferIt() {
        Lesson l = lesson(Skill.CONTROL, Skill.AMOUNT);
        for (int i = 0; i < 20; i++) {
            Exercise e = l.exercise();
            long changed = TONE.blocks().stream().filter(b -> !b.equals(e.changed().find(b.id()).orElseThrow()))
                    .count();
            assertThat(changed).isEqualTo(1);
            assertThat(e.choices()).doesNotHaveDuplicates().hasSizeBetween(2, 4);
            assertThat(e.right()).isBetween(0, e.choices().size() - 1);
            if (e.skill() == Skill.CONTROL) assertThat(e.choices().get(e.right())).isEqualTo(e.attribute());
            l.answer(e.right());
        }
    }

    @Test
    void aBandIsLiftedByAsMuchAsItSays() {
        Exercise e = lesson(Skill.BAND).exercise();
        double hz = Math.sqrt(e.lifted().orElseThrow().fromHz() * e.lifted().orElseThrow().toHz());
        float[] before = Renderer.render(TONE, TAKE, Quality.FINAL, Progress.NONE).mid();
        float[] after = e.after(TAKE).mid();
        double lift = Signal.levelDbAt(after, hz, 48000) - Signal.levelDbAt(before, hz, 48000);
        assertThat(lift).isBetween(e.size() - 1.5, e.size() + 1.5);
    }

    @Test
    void difficultyFollowsTheAnswers() {
        Lesson good = lesson(Skill.BAND);
        double first = good.size(Skill.BAND);
        for (int i = 0; i < 12; i++) good.answer(good.exercise().right());
        assertThat(good.size(Skill.BAND)).isLessThan(first / 2);
        Lesson bad = lesson(Skill.BAND);
        for (int i = 0; i < 6; i++) bad.answer((bad.exercise().right() + 1) % 4);
        assertThat(bad.size(Skill.BAND)).isGreaterThan(first);
    }

    @Test
    void whatWasMissedComesBackAsItWas() {
        Lesson l = lesson(Skill.BAND);
        Exercise missed = l.exercise();
        l.answer((missed.right() + 1) % 4);
        List<Exercise> next = new ArrayList<>();
        for (int i = 0; i <= Lesson.COMES_BACK_AFTER; i++) {
            next.add(l.exercise());
            l.answer(l.exercise().right());
        }
        assertThat(next.getLast()).isEqualTo(missed);
        assertThat(next.subList(0, Lesson.COMES_BACK_AFTER)).doesNotContain(missed);
    }

    @Test
    void aLessonGoesOnWhereTheLastOneEnded() {
        List<Score> before = new ArrayList<>();
        for (int i = 0; i < 8; i++) before.add(new Score(Instant.EPOCH, Skill.BAND, "mids", 5, true));
        assertThat(new Lesson(TONE, List.of(Skill.BAND), before, 1).size(Skill.BAND))
                .isLessThan(lesson(Skill.BAND).size(Skill.BAND));
    }

    @Test
    void standingsCountTheLastAnswersByWhatWasAsked() {
        List<Score> all = new ArrayList<>();
        for (int i = 0; i < 10; i++)
            all.add(new Score(Instant.EPOCH, Skill.BAND, i % 2 == 0 ? "mids" : "lows", 6 - 0.5 * i,
                    i % 2 == 0));
        List<Score.Standing> of = Score.standings(all).getOrDefault(Skill.BAND, List.of());
        assertThat(of).extracting(Score.Standing::what).containsExactly("all", "mids", "lows");
        assertThat(of.get(0).right()).isEqualTo(5);
        assertThat(of.get(1).words(true)).isEqualTo("mids: 5 of the last 5, down to 2.0 dB");
        assertThat(of.get(2).words(true)).isEqualTo("lows: 0 of the last 5");
    }

    @Test
    void aToneWithNothingToAskAboutIsRefused() {
        Tone bare = new Tone("bare", List.of(Block.of("2×12 open")));
        assertThatThrownBy(() -> new Lesson(bare, List.of(Skill.CONTROL), List.of(), 1)).isInstanceOf(InputFault.class);
        assertThatThrownBy(() -> lesson()).isInstanceOf(IllegalArgumentException.class);
    }
}
