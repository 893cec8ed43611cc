package verisonus.desktop.record;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import verisonus.core.advise.TakeChoice;
import verisonus.core.evidence.study.InputCheck;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;
import verisonus.demo.Guitarist;

class RecorderTest {
    private static final int RATE_HZ = 48000;
    private static final int LATENCY = 700;
    private static final Sound PASSAGE = Guitarist.play("Glass Harbour", 9).slice(0, 6);

    private static VirtualCard card(float gain) {
        return new VirtualCard(RATE_HZ, LATENCY,
                take -> Guitarist.play("Glass Harbour", take).slice(0, 6).gained(gain), true);
    }

    private static Recorder recorder(VirtualCard card) {
        return new Recorder(card.output(), card.input(), RATE_HZ);
    }

    @Test
    void aCableFromOutputToInputTellsTheLatencyToTheSample() {
        VirtualCard card = card(0);
        card.plugCable(true);
        assertThat(recorder(card).latency(Progress.NONE)).hasValue(LATENCY);
    }

    @Test
    void withoutACableNoLatencyIsInvented() {
        assertThat(recorder(new VirtualCard(RATE_HZ, LATENCY, _ -> Sound.mono(new float[10], RATE_HZ), true))
                .latency(Progress.NONE)).isEmpty();
    }

    @Test
    void takesAreAsLongAsThePassageAndInTimeWithIt() {
        List<Sound> takes = recorder(card(0)).takes(new Recorder.Plan(PASSAGE, 96, 2, LATENCY, Optional.empty()),
                Progress.NONE);
        assertThat(takes).hasSize(2).allSatisfy(t -> assertThat(t.frames()).isEqualTo(PASSAGE.frames()));
        float[] played = Guitarist.play("Glass Harbour", 0).slice(0, 6).mid();
        for (int i = 0; i < played.length; i += 501) {
            assertThat(takes.get(0).mid()[i]).isCloseTo(played[i], within(5e-4f));
        }
        assertThat(takes.get(0).mid()).isNotEqualTo(takes.get(1).mid());
    }

    @Test
    void theTakeThatPlaysThePhraseAndIsCleanComesFirst() {
        Sound clipped = Guitarist.play("Glass Harbour", 1).slice(0, 6).gained(40);
        float[] flat = clipped.mid().clone();
        for (int i = 0; i < flat.length; i++) flat[i] = Math.clamp(flat[i], -1, 1);
        Sound other = Guitarist.play("no such case", 3).slice(0, 6);
        Sound good = Guitarist.play("Glass Harbour", 2).slice(0, 6);
        List<TakeChoice.Judged> judged = TakeChoice.of(PASSAGE, List.of(other, Sound.mono(flat, RATE_HZ), good));
        assertThat(judged.get(0).index()).isEqualTo(2);
        assertThat(judged.get(0).samePhrase()).isTrue();
        assertThat(judged).filteredOn(j -> j.index() == 1).singleElement()
                .satisfies(j -> assertThat(j.check().verdict()).isEqualTo(InputCheck.Fitness.CLIPPED));
        assertThat(judged).filteredOn(j -> j.index() == 0).singleElement()
                .satisfies(j -> assertThat(j.samePhrase()).isFalse());
    }

    @Test
    void theInputIsCalledSilentLowGoodOrClipped() {
        Sound playing = Guitarist.play("Glass Harbour", 0).slice(0, 4);
        double peak = 20 * Math.log10(playing.peak());
        assertThat(InputCheck.of(playing.gained(-peak - 12)).verdict()).isEqualTo(InputCheck.Fitness.GOOD);
        assertThat(InputCheck.of(playing.gained(-peak - 40)).verdict()).isEqualTo(InputCheck.Fitness.LOW);
        assertThat(InputCheck.of(playing.gained(-peak - 100)).verdict()).isEqualTo(InputCheck.Fitness.SILENT);
        assertThat(InputCheck.of(playing.gained(-peak - 12)).words()).contains("good").contains("dBFS");
    }

    @Test
    void aCancelKeepsTheTakesSoFar() {
        int[] blocks = {0};
        Progress stopping = new Progress() {
            @Override
            public void at(double share, String what) {
                blocks[0]++;
            }

            @Override
            public boolean cancelled() {
                return blocks[0] > 900;
            }
        };
        List<Sound> takes = recorder(card(0)).takes(new Recorder.Plan(PASSAGE, 120, 5, LATENCY, Optional.empty()),
                stopping);
        assertThat(takes).hasSizeBetween(1, 2);
    }

    @Test
    void aDoubleIsPlayedToTheFirstTakeOnTheOtherSide() {
        float[] left = new float[1];
        float[] right = new float[1];
        VirtualCard card = card(0);
        var spy = new verisonus.desktop.player.SoundOutput() {
            @Override
            public String name() {
                return "spy";
            }

            @Override
            public void write(float[] interleaved, int frames) {
                for (int i = 0; i < frames; i++) {
                    left[0] = Math.max(left[0], Math.abs(interleaved[2 * i]));
                    right[0] = Math.max(right[0], Math.abs(interleaved[2 * i + 1]));
                }
            }

            @Override
            public void close() {
                left[0] = 0;
            }
        };
        Sound silence = Sound.mono(new float[RATE_HZ], RATE_HZ);
        Sound first = Sound.mono(PASSAGE.slice(0, 1).mid(), RATE_HZ).gained(20);
        new Recorder(spy, card.input(), RATE_HZ).takes(new Recorder.Plan(silence, 200, 1, 0, Optional.of(first)),
                Progress.NONE);
        assertThat(left[0]).isGreaterThan(right[0]);
        assertThatThrownBy(() -> new Recorder.Plan(silence, 20, 1, 0, Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
