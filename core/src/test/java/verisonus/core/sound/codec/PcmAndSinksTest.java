package verisonus.core.sound.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Bytes into samples, and what gathers them. */
class PcmAndSinksTest {
    @ParameterizedTest
    @CsvSource({"16, true", "16, false", "24, true", "24, false", "32, true", "32, false"})
    void wholeNumbersOfAnyWidthAndOrderComeBack(int bits, boolean big) {
        long full = 1L << (bits - 1);
        long[] values = {0, 1, -1, full / 2, -full / 2, full - 1, -full};
        byte[] bytes = new byte[values.length * bits / 8];
        for (int i = 0; i < values.length; i++) {
            for (int b = 0; b < bits / 8; b++) {
                int place = big ? bits / 8 - 1 - b : b;
                bytes[i * bits / 8 + place] = (byte) (values[i] >> 8 * b);
            }
        }
        float[] x = new PcmFormat(PcmFormat.Encoding.SIGNED, bits, big).decode(bytes, 0, bytes.length, 1)[0];
        for (int i = 0; i < values.length; i++)
            assertThat(x[i]).isCloseTo((float) ((double) values[i] / full), within(1e-7f));
    }

    @Test
    void anUnsignedByteRestsInTheMiddle() {
        float[] x = new PcmFormat(PcmFormat.Encoding.UNSIGNED, 8, false).decode(new byte[]{(byte) 128, 0, (byte) 255},
                0,
                3, 1)[0];
        assertThat(x).containsExactly(0, -1, 127 / 128f);
    }

    @ParameterizedTest
    @ValueSource(ints = {32, 64})
    void fractionsKeepTheirValue(int bits) {
        ByteBuffer b = ByteBuffer.allocate(3 * bits / 8).order(ByteOrder.LITTLE_ENDIAN);
        double[] values = {0.25, -0.7, 1.5};
        for (double v : values) {
            if (bits == 32) b.putFloat((float) v);
            else b.putDouble(v);
        }
        float[] x = new PcmFormat(PcmFormat.Encoding.FLOAT, bits, false).decode(b.array(), 0, b.capacity(), 1)[0];
        for (int i = 0; i < 3; i++) assertThat(x[i]).isEqualTo((float) values[i]);
    }

    @Test
    void channelsAreTakenApartAndALastFrameThatIsNotWholeIsLeftOut() {
        byte[] bytes = {0, 64, 0, 32, 0, -64, 0, -32, 0, 16};
        float[][] x = new PcmFormat(PcmFormat.Encoding.SIGNED, 16, false).decode(bytes, 0, bytes.length, 2);
        assertThat(x[0]).containsExactly(0.5f, -0.5f);
        assertThat(x[1]).containsExactly(0.25f, -0.25f);
    }

    @ParameterizedTest
    @CsvSource({"SIGNED, 12, false", "SIGNED, 64, false", "FLOAT, 16, false", "FLOAT, 32, true", "SIGNED, 24, true"})
    void whatCannotBeReadSaysSo(PcmFormat.Encoding kind, int bits, boolean supported) {
        assertThat(new PcmFormat(kind, bits, false).supported()).isEqualTo(supported);
    }

    @Test
    void aSinkGrowsAndKeepsWhatItHas() {
        SampleSink sink = new SampleSink(2);
        float[] block = new float[5000];
        for (int i = 0; i < block.length; i++) block[i] = i;
        for (int n = 0; n < 40; n++) {
            sink.add(0, block, 0, block.length);
            sink.add(1, block, 1, block.length - 1);
            sink.advance(block.length - 1);
        }
        assertThat(sink.frames()).isEqualTo(40 * 4999);
        float[][] x = sink.channels();
        assertThat(x[0]).hasSize(40 * 4999);
        assertThat(x[0][39 * 4999 + 7]).isEqualTo(7);
        assertThat(x[1][39 * 4999 + 7]).isEqualTo(8);
    }

    @Test
    void interleavedShortsAndSilenceAdvanceByThemselves() {
        SampleSink sink = new SampleSink(2);
        sink.addInterleaved(new short[]{16384, -16384, 8192, -8192}, 4);
        sink.silence(3);
        assertThat(sink.frames()).isEqualTo(5);
        assertThat(sink.channels()[0]).containsExactly(0.5f, 0.25f, 0, 0, 0);
        assertThat(sink.channels()[1]).containsExactly(-0.5f, -0.25f, 0, 0, 0);
    }

    @Test
    void aStreamThatHasEndedDoesNotAnswerForEver() throws IOException {
        try (InputStream s = DecodingBudget.stream(new byte[]{1, 2})) {
            assertThat(s.read()).isEqualTo(1);
            assertThat(s.read()).isEqualTo(2);
            assertThat(s.read()).isEqualTo(-1);
            assertThatThrownBy(() -> {
                for (int i = 0; i < 10_000; i++) s.read();
            }).isInstanceOf(DecodingBudget.EndOfFile.class);
        }
    }
}
