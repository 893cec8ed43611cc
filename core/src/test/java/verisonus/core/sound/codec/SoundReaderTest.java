package verisonus.core.sound.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

class SoundReaderTest {
    private static final Sound TONE = Signal.sine(440).atDb(-6).lasting(0.1);

    private static Sound read(byte[] file) {
        return SoundReader.decode("test", file).sound();
    }

    private static byte[] fixture(String name) throws IOException {
        try (InputStream in = SoundReaderTest.class.getResourceAsStream(name)) {
            return in.readAllBytes();
        }
    }

    /** A RIFF file of chunks, each given as name and content. */
    private static byte[] riff(Object... namesAndContents) {
        ByteBuffer out = ByteBuffer.allocate(1 << 20).order(ByteOrder.LITTLE_ENDIAN);
        out.put("RIFF....WAVE".getBytes(StandardCharsets.US_ASCII));
        for (int i = 0; i < namesAndContents.length; i += 2) {
            byte[] content = (byte[]) namesAndContents[i + 1];
            out.put(((String) namesAndContents[i]).getBytes(StandardCharsets.US_ASCII)).putInt(content.length);
            out.put(content);
            if (content.length % 2 == 1) out.put((byte) 0);
        }
        out.putInt(4, out.position() - 8);
        return Arrays.copyOf(out.array(), out.position());
    }

    private static byte[] format(int tag, int channels, int rateHz, int bits) {
        ByteBuffer f = ByteBuffer.allocate(16).order(ByteOrder.LITTLE_ENDIAN);
        f.putShort((short) tag).putShort((short) channels).putInt(rateHz);
        f.putInt(rateHz * channels * bits / 8).putShort((short) (channels * bits / 8)).putShort((short) bits);
        return f.array();
    }

    private static byte[] shorts(int... samples) {
        ByteBuffer b = ByteBuffer.allocate(2 * samples.length).order(ByteOrder.LITTLE_ENDIAN);
        for (int s : samples) b.putShort((short) s);
        return b.array();
    }

    @Nested
    class Wav {
        @ParameterizedTest
        @EnumSource(value = SoundWriter.Format.class)
        void whatIsWrittenIsReadWithinItsStep(SoundWriter.Format format) {
            float step = format == SoundWriter.Format.WAV_FLOAT
                    ? 0
                    : format.name().endsWith("16") ? 2.1f / 32768 : 1.1f / (1 << 23);
            Sound back = read(SoundWriter.encode(TONE, format));
            assertThat(back.rateHz()).isEqualTo(48000);
            assertThat(back.frames()).isEqualTo(TONE.frames());
            for (int i = 0; i < TONE.frames(); i++) {
                assertThat(back.channel(0)[i]).isCloseTo(TONE.channel(0)[i], within(step));
            }
        }

        @Test
        void everyWidthReadsHalfScaleAsHalf() {
            byte[] eight = riff("fmt ", format(1, 1, 48000, 8), "data", new byte[]{(byte) 192});
            byte[] twentyFour = riff("fmt ", format(1, 1, 48000, 24), "data", new byte[]{0, 0, 64});
            byte[] thirtyTwo = riff("fmt ", format(1, 1, 48000, 32), "data", new byte[]{0, 0, 0, 64});
            byte[] single = riff("fmt ", format(3, 1, 48000, 32), "data",
                    ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN).putFloat(0.5f).array());
            byte[] twice = riff("fmt ", format(3, 1, 48000, 64), "data",
                    ByteBuffer.allocate(8).order(ByteOrder.LITTLE_ENDIAN).putDouble(0.5).array());
            for (byte[] file : new byte[][]{eight, twentyFour, thirtyTwo, single, twice}) {
                assertThat(read(file).channel(0)).containsExactly(0.5f);
            }
        }

        @Test
        void chunksMayComeInAnyOrderAndOddLength() {
            byte[] file = riff("LIST", new byte[7], "data", shorts(16384, -16384), "junk", new byte[3], "fmt ",
                    format(1, 1, 44100, 16));
            assertThat(read(file).channel(0)).containsExactly(0.5f, -0.5f);
        }

        @Test
        void extensibleHeaderNamesItsKindInside() {
            ByteBuffer f = ByteBuffer.allocate(40).order(ByteOrder.LITTLE_ENDIAN);
            f.put(format(0xFFFE, 2, 48000, 16)).putShort((short) 22).putShort((short) 16).putInt(3).putShort((short) 1);
            f.put(new byte[]{0, 0, 0, 0, 0x10, 0, (byte) 0x80, 0, 0, (byte) 0xAA, 0, 0x38, (byte) 0x9B, 0x71});
            Sound s = read(riff("fmt ", f.array(), "data", shorts(16384, -16384)));
            assertThat(s.channel(0)).containsExactly(0.5f);
            assertThat(s.channel(1)).containsExactly(-0.5f);
        }

        @Test
        void aHeaderThatPromisesTooMuchIsReadAsFarAsItGoes() {
            byte[] file = riff("fmt ", format(1, 1, 48000, 16), "data", shorts(1000, 2000, 3000));
            ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN).putInt(file.length - 10, 2_000_000_000);
            DecodedSound d = SoundReader.decode("test", file);
            assertThat(d.sound().frames()).isEqualTo(3);
            assertThat(d.warnings()).isNotEmpty();
        }

        @Test
        void rejectsWhatCannotBeUsed() {
            assertThatThrownBy(() -> read(riff("fmt ", format(1, 6, 48000, 16), "data", shorts(new int[60]))))
                    .isInstanceOf(InputFault.class).hasMessageContaining("6 channels");
            assertThatThrownBy(() -> read(riff("fmt ", format(1, 1, 4000, 16), "data", shorts(1, 2))))
                    .isInstanceOf(InputFault.class).hasMessageContaining("4000 Hz");
            assertThatThrownBy(() -> read(riff("fmt ", format(1, 1, 48000, 12), "data", shorts(1, 2))))
                    .isInstanceOf(InputFault.class);
            assertThatThrownBy(() -> read(riff("fmt ", format(1, 1, 48000, 16))))
                    .isInstanceOf(InputFault.class);
            assertThatThrownBy(() -> read(riff("data", shorts(1, 2)))).isInstanceOf(InputFault.class);
            byte[] notANumber = ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN).putFloat(Float.NaN).array();
            assertThatThrownBy(() -> read(riff("fmt ", format(3, 1, 48000, 32), "data", notANumber)))
                    .isInstanceOf(InputFault.class).hasMessageContaining("not numbers");
        }

        @ParameterizedTest
        @CsvSource({"8000", "11025", "37800", "192000"})
        void oddRatesAreRead(int rate) {
            assertThat(read(riff("fmt ", format(1, 1, rate, 16), "data", shorts(1, 2, 3))).rateHz()).isEqualTo(rate);
        }
    }

    @Nested
    class OtherKinds {
        private void holdsTheTwoTones(Sound s, double allowedDb) {
            assertThat(s.isStereo()).isTrue();
            assertThat(s.durationS()).isCloseTo(0.5, within(0.003));
            float[] left = Arrays.copyOfRange(s.channel(0), 4000, 18000);
            float[] right = Arrays.copyOfRange(s.channel(1), 4000, 18000);
            assertThat(Signal.levelDbAt(left, 440, s.rateHz())).isCloseTo(Decibels.fromAmplitude(12000 / 32768.0),
                    within(allowedDb));
            assertThat(Signal.levelDbAt(right, 660, s.rateHz())).isCloseTo(Decibels.fromAmplitude(6000 / 32768.0),
                    within(allowedDb));
        }

        @Test
        void flacIsReadExactly() throws IOException {
            Sound s = read(fixture("half-second-stereo.flac"));
            assertThat(s.frames()).isEqualTo(22050);
            holdsTheTwoTones(s, 0.01);
        }

        @Test
        void oggVorbisIsCutAtItsTrueLength() throws IOException {
            Sound s = read(fixture("half-second-stereo.ogg"));
            assertThat(s.frames()).isEqualTo(22050);
            holdsTheTwoTones(s, 0.3);
        }

        @Test
        void mp3LosesTheEncodersDelayAndPadding() throws IOException {
            Sound s = read(fixture("half-second-stereo.mp3"));
            assertThat(s.frames()).isEqualTo(22050);
            // The encoder lowers its input by 0.4 dB to leave room.
            holdsTheTwoTones(s, 0.6);
        }

        @Test
        void aacLosesWhatTheEncoderPutInFront() throws IOException {
            Sound s = read(fixture("half-second-stereo.m4a"));
            assertThat(s.rateHz()).isEqualTo(44100);
            assertThat(s.frames()).isEqualTo(22050);
            holdsTheTwoTones(s, 0.3);
        }

        @Test
        void aacOfOneChannelStaysOne() throws IOException {
            Sound s = read(fixture("half-second-mono.m4a"));
            assertThat(s.isStereo()).isFalse();
            assertThat(s.frames()).isEqualTo(22050);
        }

        @Test
        void aFilmInFragmentsGivesItsSound() throws IOException {
            Sound s = read(fixture("half-second-fragments.mp4"));
            assertThat(s.durationS()).isBetween(0.5, 0.56);
            assertThat(Signal.levelDbAt(Arrays.copyOfRange(s.channel(0), 4000, 18000), 440, 44100))
                    .isCloseTo(Decibels.fromAmplitude(12000 / 32768.0), within(0.3));
        }

        @Test
        void aStreamOfAacFramesIsReadWithoutAContainer() throws IOException {
            Sound s = read(fixture("half-second-stereo.aac"));
            assertThat(s.durationS()).isBetween(0.5, 0.56);
            assertThat(Signal.levelDbAt(Arrays.copyOfRange(s.channel(1), 4000, 18000), 660, 44100))
                    .isCloseTo(Decibels.fromAmplitude(6000 / 32768.0), within(0.3));
        }

        @ParameterizedTest
        @ValueSource(strings = {"half-second-stereo.opus", "half-second-stereo.webm"})
        void opusIsCutAtItsTrueLength(String name) throws IOException {
            Sound s = read(fixture(name));
            assertThat(s.rateHz()).isEqualTo(48000);
            assertThat(s.frames()).isEqualTo(24000);
            holdsTheTwoTones(s, 0.3);
        }

        @Test
        void aBoxLongerThanTheFileEndsWithIt() throws IOException {
            byte[] file = fixture("half-second-stereo.m4a");
            for (int at = 0; at < file.length - 4; at += 97) {
                byte[] bytes = file.clone();
                Arrays.fill(bytes, at, at + 4, (byte) 0x7F);
                try {
                    assertThat(read(bytes).durationS()).isLessThan(1);
                } catch (InputFault named) {
                    assertThat(named.remedy()).isNotBlank();
                }
            }
        }

        @Test
        void aiffIsReadBigEndian() {
            ByteBuffer f = ByteBuffer.allocate(62);
            f.put("FORM".getBytes(StandardCharsets.US_ASCII)).putInt(54);
            f.put("AIFFCOMM".getBytes(StandardCharsets.US_ASCII)).putInt(18);
            f.putShort((short) 1).putInt(2).putShort((short) 16);
            // 44100 as an 80-bit extended float.
            f.putShort((short) 0x400E).putLong(0xAC44000000000000L);
            f.put("SSND".getBytes(StandardCharsets.US_ASCII)).putInt(12).putInt(0).putInt(0);
            f.putShort((short) 16384).putShort((short) -16384);
            Sound s = read(Arrays.copyOf(f.array(), f.position()));
            assertThat(s.rateHz()).isEqualTo(44100);
            assertThat(s.channel(0)).containsExactly(0.5f, -0.5f);
        }

        @ParameterizedTest
        @ValueSource(strings = {"half-second-stereo.flac", "half-second-stereo.ogg", "half-second-stereo.mp3",
                "half-second-stereo.m4a", "half-second-fragments.mp4", "half-second-stereo.aac",
                "half-second-stereo.opus", "half-second-stereo.webm"})
        void aCutFileIsReadShorterOrRefusedButNeverWhole(String name) throws IOException {
            byte[] whole = fixture(name);
            try {
                assertThat(read(Arrays.copyOf(whole, whole.length / 2)).frames()).isBetween(1, 24700);
            } catch (InputFault refused) {
                assertThat(refused.remedy()).isNotBlank();
            }
        }

        @ParameterizedTest
        @ValueSource(strings = {"half-second-stereo.flac", "half-second-stereo.ogg", "half-second-stereo.mp3",
                "half-second-stereo.m4a", "half-second-fragments.mp4", "half-second-stereo.aac",
                "half-second-stereo.opus", "half-second-stereo.webm"})
        void damageIsSurvivedOrNamed(String name) throws IOException {
            for (int seed = 0; seed < 12; seed++) {
                byte[] bytes = fixture(name);
                SplittableRandom random = new SplittableRandom(seed);
                for (int i = 0; i < 40; i++) bytes[random.nextInt(bytes.length)] = (byte) random.nextInt();
                try {
                    read(bytes);
                } catch (InputFault named) {
                    assertThat(named.getMessage()).startsWith("test: ");
                }
            }
        }
    }

    @Nested
    class WhatIsNotSound {
        @Test
        void isRefusedByName() {
            for (byte[] file : new byte[][]{new byte[0], new byte[20], "RIFF".getBytes(StandardCharsets.US_ASCII),
                    "hello, this is a letter".getBytes(StandardCharsets.US_ASCII), new byte[100_000]}) {
                assertThatThrownBy(() -> read(file)).isInstanceOf(InputFault.class).hasMessageStartingWith("test: ");
            }
        }

        @Test
        void randomBytesAreRefused() {
            byte[] random = new byte[50_000];
            new SplittableRandom(3).nextBytes(random);
            assertThatThrownBy(() -> read(random)).isInstanceOf(InputFault.class);
        }

        @Test
        void aMissingFileAndAFolderAreNamed(@org.junit.jupiter.api.io.TempDir Path dir) {
            assertThatThrownBy(() -> SoundReader.read(dir.resolve("none.wav"))).isInstanceOf(InputFault.class)
                    .hasMessageContaining("no such file");
            assertThatThrownBy(() -> SoundReader.read(dir)).isInstanceOf(InputFault.class)
                    .hasMessageContaining("folder");
        }
    }

    @Test
    void sixteenBitIsDitheredTheSameEachTime() {
        assertThat(SoundWriter.encode(TONE, SoundWriter.Format.WAV_16))
                .isEqualTo(SoundWriter.encode(TONE, SoundWriter.Format.WAV_16));
    }

    @Test
    void whatIsAboveFullScaleClipsInsteadOfWrapping() {
        Sound loud = Signal.sine(100).atDb(6).lasting(0.1);
        Sound back = read(SoundWriter.encode(loud, SoundWriter.Format.WAV_24));
        for (int i = 0; i < loud.frames(); i++) {
            float want = Math.clamp(loud.channel(0)[i], -1, 1);
            assertThat(back.channel(0)[i]).isCloseTo(want, within(1e-6f));
        }
    }

    @Nested
    class Parts {
        @TempDir
        private Path folder;

        private Path written(SoundWriter.Format format, String name) throws IOException {
            Sound s = Sound.stereo(Signal.plucks(0.2, 1).lasting(3).channel(0),
                    Signal.plucks(0.2, 2).lasting(3).channel(0), 48000);
            return Files.write(folder.resolve(name), SoundWriter.encode(s, format));
        }

        @Test
        void aPartOfAFileIsThatPartOfTheWhole() throws IOException {
            for (Path file : List.of(written(SoundWriter.Format.WAV_24, "a.wav"),
                    written(SoundWriter.Format.WAV_FLOAT, "f.wav"), written(SoundWriter.Format.FLAC_16, "a.flac"))) {
                Sound whole = SoundReader.read(file).sound();
                SoundReader.Part part = SoundReader.read(file, 0.5, 1.25);
                assertThat(part.wholeS()).isEqualTo(3);
                assertThat(part.decoded().sound().channel(1)).isEqualTo(whole.slice(0.5, 1.25).channel(1));
                assertThat(SoundReader.read(file, 2, 99).decoded().sound().durationS()).isEqualTo(1);
            }
        }

        @Test
        void aPartThatIsNotInItIsSaidWithItsLength() throws IOException {
            Path file = written(SoundWriter.Format.WAV_16, "a.wav");
            assertThatThrownBy(() -> SoundReader.read(file, 5, 6)).isInstanceOf(InputFault.class)
                    .hasMessageContaining("it lasts 3.000 s");
            assertThatThrownBy(() -> SoundReader.read(folder.resolve("none.wav"), 0, 1)).isInstanceOf(InputFault.class)
                    .hasMessageContaining("no such file");
        }
    }

    @Test
    void flacFramesThatAreDamagedLeaveSilenceInTheirPlace() {
        Sound s = Signal.plucks(0.1, 5).lasting(2);
        byte[] good = SoundWriter.encode(s, SoundWriter.Format.FLAC_16);
        byte[] bad = good.clone();
        for (int i = good.length / 2; i < good.length / 2 + 40; i++) bad[i] ^= 0x55;
        DecodedSound read = SoundReader.decode("bad.flac", bad);
        assertThat(read.warnings()).anySatisfy(w -> assertThat(w).contains("damaged"));
        assertThat(read.sound().frames()).isEqualTo(s.frames());
        float[] whole = SoundReader.decode("good.flac", good).sound().channel(0);
        int last = s.frames() - 1000;
        assertThat(read.sound().channel(0)[last]).isEqualTo(whole[last]);
    }
}
