package verisonus.casebook.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.ResponseCurve;
import verisonus.core.work.InputFault;

class ResponseCsvTest {
    @TempDir
    private Path dir;

    private Path file(String name, String text) throws IOException {
        return Files.writeString(dir.resolve(name), text);
    }

    @Test
    void aResponseIsReadWithItsCommentsItsPhaseAndAByteOrderMark() throws IOException {
        ResponseCurve c = ResponseCsv.read(file("a.csv",
                "\uFEFF# hall\nfrequency_hz,level_db,phase_deg\n100,-3.5,10\n\n1000,0,5\r\n10000,2,-90\n"));
        assertThat(c.hz()).containsExactly(100, 1000, 10000);
        assertThat(c.levelDb()).containsExactly(-3.5, 0, 2);
    }

    @ParameterizedTest
    @ValueSource(strings = {"20\t-1.5\n1000\t0\n20000\t3", "20  -1.5\n1000   0\n20000  3", "20;-1.5\n1000;0\n20000;3",
            "Freq(Hz) dB\n20 -1.5\n1000 0\n20000 3"})
    void aMicrophonesCalibrationIsReadAsItComes(String text) throws IOException {
        assertThat(ResponseCsv.read(file("mic.txt", text)).levelDb()).containsExactly(-1.5, 0, 3);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"100,1|one point only", "|no point", "100,1\\n90,2|comes after",
            "100,1\\n100,2|twice", "100,x\\n200,1|\"x\" is no number", "100,NaN\\n200,1|no number",
            "100,900\\n200,1|900.0 dB cannot be", "-5,1\\n200,1|no frequency", "100\\n200|one column",
            "100,1e999\\n200,1|no number"})
    void whatIsNoResponseIsRefusedWithItsLine(String body, String fault) throws IOException {
        String text = "frequency_hz,level_db\n" + (body == null ? "" : body.replace("\\n", "\n"));
        Path bad = file("bad.csv", text);
        assertThatThrownBy(() -> ResponseCsv.read(bad)).isInstanceOf(InputFault.class).hasMessageContaining("bad.csv")
                .hasMessageContaining(fault);
    }

    @Test
    void whatIsNoTextIsRefused() throws IOException {
        Path bad = Files.write(dir.resolve("b.csv"), new byte[]{(byte) 0xff, (byte) 0xfe, 0, 1});
        assertThatThrownBy(() -> ResponseCsv.read(bad)).isInstanceOf(InputFault.class);
        assertThatThrownBy(() -> ResponseCsv.read(dir.resolve("none.csv"))).isInstanceOf(InputFault.class)
                .hasMessageContaining("none.csv");
    }

    @Test
    void whatIsWrittenIsReadBack() throws IOException {
        PlaybackSystem car = PlaybackSystem.find("car").orElseThrow();
        PlaybackSystem back = ResponseCsv.system(file("My Car (left).csv", ResponseCsv.write(car)));
        assertThat(back.curve()).isEqualTo(car.curve());
        assertThat(back.id()).isEqualTo("my-car-left");
        assertThat(back.name()).isEqualTo("My Car (left)");
    }

    @Test
    void aSystemKeepsEverythingInItsDocument() {
        for (PlaybackSystem s : PlaybackSystem.ALL)
            assertThat(PlaybackSystemJson.read("x", PlaybackSystemJson.write(s))).isEqualTo(s);
    }

    @Test
    void anImpulseResponseBecomesASystemAndASilentOneIsRefused() throws IOException {
        float[] click = new float[4800];
        click[10] = 0.5f;
        Path wav = Files.write(dir.resolve("flat.wav"), SoundWriter.encode(Sound.mono(click, 48000),
                SoundWriter.Format.WAV_24));
        PlaybackSystem flat = ResponseWav.system(wav);
        for (double hz : new double[]{50, 1000, 12000}) assertThat(flat.levelDbAt(hz)).isCloseTo(0, within(0.1));
        Path silent = Files.write(dir.resolve("silent.wav"), SoundWriter.encode(Sound.mono(new float[4800], 48000),
                SoundWriter.Format.WAV_24));
        assertThatThrownBy(() -> ResponseWav.system(silent)).isInstanceOf(InputFault.class)
                .hasMessageContaining("silent");
        assertThat(Optional.of(flat.id())).contains("flat");
    }

    @ParameterizedTest
    @ValueSource(strings = {"20;-1,5\n1000;0\n20000;3", "frequency_hz;level_db\n20,0;-1,50\n1.000,0;0\n20.000,0;3,0",
            "20\t-1,5\n1000\t0\n20000\t3", "20,−1.5\n1000,0\n20000,3", "\"20,0\",\"-1,5\"\n\"1000,0\",0\n20000,3"})
    void aSpreadsheetOfAnyLocaleIsRead(String text) throws IOException {
        ResponseCurve c = ResponseCsv.read(file("locale.csv", text));
        assertThat(c.hz()).containsExactly(20, 1000, 20000);
        assertThat(c.levelDb()).containsExactly(-1.5, 0, 3);
    }

    @Test
    void whatIsAssumedOutsideItsPointsIsSaid() throws IOException {
        Path narrow = file("narrow.csv", "100,0\n1000,0\n8000,-3\n");
        assertThat(ResponseCsv.system(narrow).notes()).contains("under 100 Hz and over 8000 Hz")
                .contains("18 dB an octave");
        assertThat(ResponseCsv.system(narrow, ResponseCurve.Outside.HOLDS).notes())
                .contains("stay as at its last point");
        assertThat(ResponseCsv.system(file("wide.csv", "20,0\n20000,0\n")).notes()).isEmpty();
    }
}
