package verisonus.core.evidence.guided;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.evidence.signs.HarmonicPart;
import verisonus.core.sound.Sound;

class GuitarPlaceTest {
    private static final HarmonicPart PART = LaidSpectra.frames();

    private static GuitarPlace found(Sound recording) {
        return GuitarPlace.find(PART.powers(recording.channel(0)), PART.powers(recording.channel(1)),
                PART.powers(GuidedBand.TAKE.mid()));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.2, 0.4, 1.2, 1.4})
    void aGuitarAsideIsFoundWhereItStands(double angle) {
        GuitarPlace place = found(GuidedBand.aside(angle));
        assertThat(place.isAside()).isTrue();
        assertThat(place.angle()).isCloseTo(angle, within(0.08));
    }

    @Test
    void aGuitarInTheMiddleIsNotPutAside() {
        assertThat(found(GuidedBand.aside(Math.PI / 4)).isAside()).isFalse();
    }

    @Test
    void whatStandsElsewhereCountsLess() {
        float[][] left = {{1, 0, 0.5f}};
        float[][] right = {{0, 1, 0.5f}};
        float[][] near = new GuitarPlace(0).nearness(left, right);
        assertThat(near[0][0]).isEqualTo(1);
        assertThat(near[0][2]).isLessThan(0.01f);
        assertThat(near[0][1]).isLessThan(near[0][2]);
    }

    @Test
    void fromTheMiddleEverythingIsNear() {
        float[][] near = new GuitarPlace(Math.PI / 4).nearness(new float[][]{{1, 0}}, new float[][]{{0, 1}});
        assertThat(near[0]).containsExactly(1, 1);
    }
}
