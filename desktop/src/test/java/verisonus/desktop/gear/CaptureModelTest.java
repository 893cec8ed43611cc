package verisonus.desktop.gear;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.desktop.desk.DeskFixture;

class CaptureModelTest {
    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private CaptureModel model;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        model = new CaptureModel(fixture.desk());
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    @Test
    void theSignalIsWrittenWithTheCautionThatBelongsThere() {
        Path file = dir.resolve("signal.wav");
        model.saveSignal(file);
        fixture.settle();
        assertThat(SoundReader.read(file).sound().durationS()).isGreaterThan(10);
        assertThat(model.said().get()).contains("rated load").contains("soft");
    }

    @Test
    void recordingsAreAddedWithTheirPositionsAndTakenAway() throws IOException {
        Path file = dir.resolve("amp.wav");
        Files.write(file, SoundWriter.encode(DeskFixture.notes(2, 0.4), SoundWriter.Format.WAV_24));
        model.add(file, "gain=3, treble = 5.5");
        fixture.settle();
        assertThat(model.taken().get()).singleElement()
                .satisfies(t -> assertThat(t.positions()).isEqualTo(Map.of("gain", 3.0, "treble", 5.5)));
        model.remove(model.taken().get().get(0));
        assertThat(model.taken().get()).isEmpty();
        model.find();
        assertThat(model.said().get()).contains("recording");
    }

    @Test
    void positionsThatCannotBeAreRefused() {
        model.add(dir.resolve("amp.wav"), "gain=11");
        assertThat(model.said().get()).contains("gain=3");
        assertThat(model.taken().get()).isEmpty();
    }

    @Test
    void ownPlayingIsToldWhatItDoesNotCover() throws IOException {
        Path file = dir.resolve("mine.wav");
        Files.write(file, SoundWriter.encode(DeskFixture.notes(3, 0.4), SoundWriter.Format.WAV_24));
        model.play(file);
        fixture.settle();
        assertThat(model.said().get()).contains("not covered yet");
    }
}
