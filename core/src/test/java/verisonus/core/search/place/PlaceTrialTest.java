package verisonus.core.search.place;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.ToDoubleFunction;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Placement;
import verisonus.core.rig.Tone;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;

class PlaceTrialTest {
    private static final ExecutorService WORKERS = Executors.newFixedThreadPool(2);

    @AfterAll
    static void stop() {
        WORKERS.shutdown();
    }

    private static Tone with(String effect) {
        return new Tone("t", List.of(Block.of("tight saturated").with(ControlNames.GAIN, 7),
                Block.of("2×12 open"), Block.of("dynamic microphone"), Block.of(effect)));
    }

    private static Tone hall() {
        return with("plain hall").with(Block.of("plain hall").with(ControlNames.DECAY, 2).with(ControlNames.MIX, 40));
    }

    private static ToDoubleFunction<Tone> near(Placement wanted, String effect, double by) {
        return t -> Placement.of(t, effect) == wanted ? 10 * (1 - by) : 10;
    }

    @Test
    void anEffectMovesToAPlaceThatIsClearlyNearer() {
        PlaceTrial found = PlaceTrial.of(hall(), "reverb", near(Placement.BEFORE_AMP, "reverb", 0.1), WORKERS);
        assertThat(found.place()).isEqualTo(Placement.BEFORE_AMP);
        assertThat(Placement.of(found.tone(), "reverb")).isEqualTo(Placement.BEFORE_AMP);
    }

    @Test
    void aHairNearerMovesNothing() {
        Tone tone = hall();
        PlaceTrial found = PlaceTrial.of(tone, "reverb", near(Placement.BEFORE_AMP, "reverb", 0.03), WORKERS);
        assertThat(found.tone()).isEqualTo(tone);
        assertThat(found.place()).isEqualTo(Placement.AFTER_MICROPHONE);
    }

    @Test
    void theOtherPlacesAreNamedWithTheirPriceTheNearestFirst() {
        PlaceTrial found = PlaceTrial.of(hall(), "reverb", t -> switch (Placement.of(t, "reverb")) {
            case AFTER_MICROPHONE, BESIDE -> 10;
            case IN_LOOP -> 20;
            case BEFORE_AMP -> 9.8;
        }, WORKERS);
        assertThat(found.others()).extracting(PlaceTrial.Tried::place).containsExactly(Placement.BEFORE_AMP,
                Placement.IN_LOOP);
        assertThat(found.others().get(0).furtherDb()).isNegative();
        assertThat(found.others().get(1).furtherDb()).isCloseTo(6.02, within(0.01));
    }

    @Test
    void beforeAClipperASpaceIsTriedSofterToo() {
        var mixes = new ConcurrentLinkedQueue<Double>();
        PlaceTrial.of(hall(), "reverb", t -> {
            if (Placement.of(t, "reverb") == Placement.BEFORE_AMP)
                mixes.add(MixLaw.of(t.find("reverb").orElseThrow())
                        .wetDb(t.find("reverb").orElseThrow().get(ControlNames.MIX)));
            return 1;
        }, WORKERS);
        double usual = MixLaw.of(hall().find("reverb").orElseThrow()).wetDb(40);
        assertThat(mixes).hasSize(4);
        assertThat(mixes.stream().mapToDouble(m -> m).max().orElseThrow()).isCloseTo(usual, within(0.1));
        assertThat(mixes.stream().mapToDouble(m -> m).min().orElseThrow()).isCloseTo(usual - 15, within(0.2));
    }

    @Test
    void whereNoClipperWorksThePlaceOfAMovementCannotBeTold() {
        Tone tone = with("vibrato").with(Block.of("tight saturated").with(ControlNames.GAIN, 0));
        Sound take = take().gained(-30);
        Features wanted = heard(tone, take);
        String id = Block.of("vibrato").id();
        PlaceTrial found = PlaceTrial.of(tone, id, t -> 10 + distance(wanted, heard(t, take)), WORKERS);
        assertThat(found.place()).isEqualTo(Placement.AFTER_MICROPHONE);
    }

    @Test
    void aLoudSpaceBeforeADrivenAmpIsHeardThere() {
        Tone truth = Placement.BEFORE_AMP.in(hall(), "reverb");
        Sound take = take();
        Features wanted = heard(truth, take);
        PlaceTrial found = PlaceTrial.of(hall(), "reverb", t -> 0.1 + distance(wanted, heard(t, take)), WORKERS);
        assertThat(found.place()).isEqualTo(Placement.BEFORE_AMP);
    }

    /** Plucks half a second apart that stop before the next. */
    private static Sound take() {
        float[] x = new float[5 * Sound.WORKING_RATE_HZ];
        for (int i = 0; i < x.length; i++) {
            double s = (double) i / Sound.WORKING_RATE_HZ;
            double t = s % 0.5;
            double hz = s % 1 < 0.5 ? 147 : 220;
            double fade = Math.exp(-5 * t) * (t < 0.3 ? 1 : Math.exp(-80 * (t - 0.3)));
            x[i] = (float) (0.3 * fade * (Math.sin(2 * Math.PI * hz * s) + 0.5 * Math.sin(4 * Math.PI * hz * s)));
        }
        return Sound.mono(x, Sound.WORKING_RATE_HZ);
    }

    private static Features heard(Tone t, Sound take) {
        return Features.of(Renderer.renderMono(t, take.mid(), Quality.DRAFT), 0, Sound.WORKING_RATE_HZ);
    }

    private static double distance(Features a, Features b) {
        double sum = 0;
        float[][] x = a.envelopeDb();
        float[][] y = b.envelopeDb();
        int n = 0;
        for (int t = 0; t < Math.min(x.length, y.length); t++)
            for (int k = 0; k < x[t].length; k++, n++) sum += Math.pow(x[t][k] - y[t][k], 2);
        return Math.sqrt(sum / Math.max(1, n));
    }
}
