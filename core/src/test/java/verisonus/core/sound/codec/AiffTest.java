package verisonus.core.sound.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

class AiffTest {
    private static final long RATE_48000 = 0xBB80000000000000L;

    /** An AIFF-C file of one channel at 48 kHz. */
    private static byte[] file(String compression, int bits, byte[] samples) {
        ByteBuffer f = ByteBuffer.allocate(120 + samples.length);
        f.put("FORM".getBytes(StandardCharsets.US_ASCII)).putInt(0).put("AIFC".getBytes(StandardCharsets.US_ASCII));
        f.put("FVER".getBytes(StandardCharsets.US_ASCII)).putInt(4).putInt(0xA2805140);
        f.put("COMM".getBytes(StandardCharsets.US_ASCII)).putInt(24);
        f.putShort((short) 1).putInt(samples.length * 8 / bits).putShort((short) bits);
        f.putShort((short) 0x400E).putLong(RATE_48000).put(compression.getBytes(StandardCharsets.US_ASCII))
                .putShort((short) 0);
        f.put("SSND".getBytes(StandardCharsets.US_ASCII)).putInt(samples.length + 8).putInt(0).putInt(0).put(samples);
        f.putInt(4, f.position() - 8);
        return Arrays.copyOf(f.array(), f.position());
    }

    private static float[] read(byte[] bytes) {
        Sound s = SoundReader.decode("a.aiff", bytes).sound();
        assertThat(s.rateHz()).isEqualTo(48000);
        return s.channel(0);
    }

    @Test
    void plainSamplesAreBigEndian() {
        assertThat(read(file("NONE", 16, new byte[]{64, 0, -64, 0}))).containsExactly(0.5f, -0.5f);
        assertThat(read(file("NONE", 24, new byte[]{64, 0, 0, -64, 0, 0}))).containsExactly(0.5f, -0.5f);
        assertThat(read(file("NONE", 8, new byte[]{64, -64}))).containsExactly(0.5f, -0.5f);
    }

    @Test
    void swappedSamplesAreLittleEndian() {
        assertThat(read(file("sowt", 16, new byte[]{0, 64, 0, -64}))).containsExactly(0.5f, -0.5f);
    }

    @Test
    void floatsAreReadAsTheyAre() {
        byte[] single = ByteBuffer.allocate(8).order(ByteOrder.BIG_ENDIAN).putFloat(0.25f).putFloat(-0.75f).array();
        assertThat(read(file("fl32", 32, single))).containsExactly(0.25f, -0.75f);
        byte[] twice = ByteBuffer.allocate(8).order(ByteOrder.BIG_ENDIAN).putDouble(-0.125).array();
        assertThat(read(file("fl64", 64, twice))).containsExactly(-0.125f);
    }

    @ParameterizedTest
    @ValueSource(strings = {"ulaw", "ima4", "????"})
    void compressedSamplesAreRefused(String compression) {
        assertThatThrownBy(() -> read(file(compression, 16, new byte[8]))).isInstanceOf(InputFault.class)
                .hasMessageContaining("compressed");
    }

    @Test
    void aCutFileIsReadAsFarAsItGoesWithAWarning() {
        byte[] whole = file("NONE", 16, new byte[400]);
        whole[whole.length - 380] = 64;
        DecodedSound d = SoundReader.decode("a.aiff", Arrays.copyOf(whole, whole.length - 100));
        assertThat(d.sound().frames()).isEqualTo(150);
        assertThat(d.warnings()).hasSize(1);
    }

    @Test
    void withoutItsPartsItIsNamed() {
        byte[] whole = file("NONE", 16, new byte[8]);
        assertThatThrownBy(() -> read(Arrays.copyOf(whole, 30))).isInstanceOf(InputFault.class);
        assertThatThrownBy(() -> read(Arrays.copyOf(whole, 56))).isInstanceOf(InputFault.class)
                .hasMessageContaining("sound part");
    }
}
