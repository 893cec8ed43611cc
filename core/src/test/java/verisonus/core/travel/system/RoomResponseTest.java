package verisonus.core.travel.system;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class RoomResponseTest {
    private static final int RATE_HZ = 48_000;

    private static double energy(float[] h, int from, int to) {
        double sum = 0;
        for (int i = from; i < Math.min(to, h.length); i++) sum += (double) h[i] * h[i];
        return sum;
    }

    @ParameterizedTest
    @CsvSource({"1.2, 0.4, 6", "2.5, 0.6, 0", "8, 1.5, -6"})
    void theStraightSoundStandsAsFarOverTheRoomAsAsked(double distance, double decay, double db) {
        float[][] h = RoomResponse.of(new Room(distance, decay, db), RATE_HZ);
        double room = 0;
        for (float[] ear : h) room += energy(ear, 1, ear.length) / 2;
        assertThat(-10 * Math.log10(room)).isCloseTo(db, within(0.7));
        for (float[] ear : h) assertThat(ear[0]).isCloseTo(1, within(0.05f));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.5, 1, 2})
    void itsTailFallsBySixtyDecibelsInItsDecay(double decay) {
        float[] h = RoomResponse.of(new Room(3, decay, 0), RATE_HZ)[0];
        int a = (int) (0.3 * decay * RATE_HZ);
        int b = (int) (0.7 * decay * RATE_HZ);
        int piece = (int) (0.08 * decay * RATE_HZ);
        double fall = 10 * Math.log10(energy(h, a, a + piece) / energy(h, b, b + piece));
        // The highs go a little faster.
        assertThat(fall).isBetween(22.0, 29.0);
    }

    @Test
    void theEarsHearUnlikeTailsAndTheSameRoomAgainIsTheSame() {
        Room room = new Room(2, 0.8, 0);
        float[][] h = RoomResponse.of(room, RATE_HZ);
        double both = 0;
        for (int i = 4000; i < h[0].length; i++) both += (double) h[0][i] * h[1][i];
        assertThat(Math.abs(both) / Math.sqrt(energy(h[0], 4000, h[0].length) * energy(h[1], 4000, h[1].length)))
                .isLessThan(0.2);
        assertThat(RoomResponse.of(room, RATE_HZ)).isDeepEqualTo(h);
    }

    @Test
    void powerByBinHoldsTheEnergyOfBothEars() {
        float[][] h = RoomResponse.of(new Room(2, 0.3, 3), RATE_HZ);
        double[] p = RoomResponse.power(h, RATE_HZ);
        double mean = 0;
        for (int k = 1; k < p.length - 1; k++) mean += p[k] / (p.length - 2);
        double whole = (energy(h[0], 0, h[0].length) + energy(h[1], 0, h[1].length)) / 2;
        assertThat(mean / whole).isCloseTo(1, within(0.05));
    }

    @ParameterizedTest
    @CsvSource({"0, 1, 0", "1, 0, 0", "1, 25, 0", "1, 1, NaN"})
    void whatIsNoRoomIsRefused(double distance, double decay, double db) {
        assertThatThrownBy(() -> new Room(distance, decay, db)).isInstanceOf(IllegalArgumentException.class);
    }
}
