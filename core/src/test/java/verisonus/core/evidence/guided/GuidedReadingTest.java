package verisonus.core.evidence.guided;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import verisonus.core.sound.Sound;

class GuidedReadingTest {
    private static final double[] TRUTH = GuidedParts.thirdsDb(GuidedBand.GUITAR);
    private static final Sound MIX = GuidedBand.aside(Math.PI / 4);
    private static final GuidedParts PARTS = GuidedParts.of(MIX, GuidedBand.TAKE);

    /** Over the bands in which there is a guitar. */
    private static double rms(double[] read) {
        double top = Arrays.stream(TRUTH).max().orElseThrow();
        double sum = 0;
        int n = 0;
        for (int b = 0; b < TRUTH.length; b++) {
            if (TRUTH[b] < top - 25) continue;
            sum += Math.pow(read[b] - TRUTH[b], 2);
            n++;
        }
        return Math.sqrt(sum / n);
    }

    @Test
    void theGuitarIsReadNearerThanTheRecordingIs() {
        assertThat(rms(GuidedReading.of(PARTS).levelDb())).isLessThan(0.6 * rms(PARTS.recordingDb()));
    }

    @Test
    void whatIsCalledReadableOfAGuitarAloneIsAsItIs() {
        GuidedReading reading = GuidedReading.of(GuidedBand.GUITAR, GuidedBand.TAKE);
        int readable = 0;
        for (int b = 0; b < TRUTH.length; b++) {
            if (!reading.isReadable(b)) continue;
            assertThat(reading.levelDb()[b]).as("band " + b).isCloseTo(TRUTH[b],
                    org.assertj.core.data.Offset.offset(2.0));
            readable++;
        }
        assertThat(readable).isGreaterThan(8);
    }

    @Test
    void howLoudTheRecordingIsDoesNotMatter() {
        double[] softer = GuidedReading.of(MIX.gained(-20), GuidedBand.TAKE).levelDb();
        double[] as = GuidedReading.of(PARTS).levelDb();
        for (int b = 3; b < 20; b++) assertThat(softer[b]).isCloseTo(as[b], org.assertj.core.data.Offset.offset(0.3));
    }

    @Test
    void bandsThatOthersFillAreLessSure() {
        double[][] parts = new double[GuidedParts.COUNT][ThirdBands.COUNT];
        double[] loud = new double[ThirdBands.COUNT];
        Arrays.fill(loud, 20);
        double[] sure = GuidedReading.of(new GuidedParts(parts, new double[ThirdBands.COUNT], false)).offDb();
        double[] unsure = GuidedReading.of(new GuidedParts(parts, loud, false)).offDb();
        for (int b = 8; b < 18; b++) assertThat(unsure[b]).as("band " + b).isGreaterThan(sure[b]);
    }

    @Test
    void underTheLowestStringNothingIsReadable() {
        assertThat(GuidedReading.of(PARTS).isReadable(0)).isFalse();
    }

    @Test
    void theGuitarSoundsInTheColourThatWasRead() {
        GuidedGuitar g = GuidedGuitar.of(MIX, GuidedBand.TAKE);
        double[] heard = GuidedParts.thirdsDb(g.sound());
        for (int b = 5; b < 20; b++) {
            if (g.reading().isReadable(b) && g.reading().levelDb()[b] > -25)
                assertThat(heard[b]).as("band " + b).isCloseTo(g.reading().levelDb()[b],
                        org.assertj.core.data.Offset.offset(2.0));
        }
    }

    @Test
    void whatCanBeReadIsSaidAsAStretch() {
        double[] off = new double[ThirdBands.COUNT];
        Arrays.fill(off, 9);
        for (int b = 6; b < 18; b++) off[b] = 0.5;
        GuidedReading reading = new GuidedReading(new double[ThirdBands.COUNT], off);
        assertThat(reading.read()).contains("180 Hz to 2.8 kHz to about 2 dB");
        assertThat(reading.unread()).contains("under 180 Hz and over 2.8 kHz");
    }

    @Test
    void whereNothingCanBeReadThatIsSaid() {
        double[] off = new double[ThirdBands.COUNT];
        Arrays.fill(off, 9);
        GuidedReading reading = new GuidedReading(new double[ThirdBands.COUNT], off);
        assertThat(reading.read()).isEmpty();
        assertThat(reading.unread()).contains("anywhere");
    }

    @Test
    void whereAllCanBeReadNothingIsLeft() {
        assertThat(new GuidedReading(new double[ThirdBands.COUNT], new double[ThirdBands.COUNT]).unread()).isEmpty();
    }

    @Test
    void ofASongOnlyWhatTheTakePlaysIsAsked() {
        float[] song = new float[3 * MIX.frames()];
        float[] take = new float[song.length];
        System.arraycopy(MIX.mid(), 0, song, MIX.frames(), MIX.frames());
        System.arraycopy(GuidedBand.TAKE.mid(), 0, take, MIX.frames(), MIX.frames());
        Sound guitar = GuidedGuitar.of(Sound.mono(song, GuidedBand.RATE_HZ), Sound.mono(take, GuidedBand.RATE_HZ))
                .sound();
        assertThat(guitar.frames()).isEqualTo(song.length);
        assertThat(guitar.slice(0, 3).peak()).isZero();
        assertThat(guitar.slice(7, 11).rms()).isGreaterThan(0.001);
    }
}
