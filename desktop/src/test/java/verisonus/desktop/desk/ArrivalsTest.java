package verisonus.desktop.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.arrival.ArrivedFile;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.casebook.store.Medium;
import verisonus.core.rig.Rig;
import verisonus.core.sound.codec.SoundWriter;

/** Files that come in from outside. */
class ArrivalsTest {
    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private Arrivals arrivals;
    private final List<ArrivedFile> passedOn = new ArrayList<>();

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        fixture.desk().addCase("Another");
        fixture.settle();
        arrivals = new Arrivals(fixture.desk(), passedOn::add);
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    private Path wav(String name) throws IOException {
        return Files.write(dir.resolve(name),
                SoundWriter.encode(DeskFixture.notes(4, 0.3), SoundWriter.Format.WAV_16));
    }

    private void add(Path... files) {
        arrivals.add(List.of(files));
        fixture.settle();
    }

    private List<Medium.Role> roles() {
        return fixture.open().media().stream().map(Medium::role).toList();
    }

    @Test
    void becomeReferenceThenTakeThenBackingWhereNothingElseTells() throws IOException {
        add(wav("one.wav"), wav("two.wav"), wav("three.wav"));
        assertThat(roles()).containsExactly(Medium.Role.REFERENCE, Medium.Role.DI, Medium.Role.BACKING);
        assertThat(fixture.desk().sounds().get().reference()).isPresent();
        assertThat(fixture.desk().player().hasBacking().get()).isTrue();
    }

    @Test
    void aNameThatSaysWhatItIsCountsMoreThanTheOrder() throws IOException {
        add(wav("my dry take.wav"), wav("song.wav"));
        assertThat(fixture.open().media()).extracting(m -> m.title() + " " + m.role())
                .containsExactlyInAnyOrder("my dry take DI", "song REFERENCE");
        assertThat(arrivals.said().get()).contains("song.wav").contains("by its name").contains("Ctrl+R");
    }

    @Test
    void oneKeyChangesWhatTheLastOneIsAndCanBeTakenBack() throws IOException {
        add(wav("one.wav"));
        arrivals.changeLast();
        fixture.settle();
        assertThat(roles()).containsExactly(Medium.Role.DI);
        assertThat(arrivals.said().get()).contains("dry take");
        arrivals.changeLast();
        arrivals.changeLast();
        fixture.settle();
        assertThat(roles()).containsExactly(Medium.Role.REFERENCE);
        fixture.desk().undo();
        fixture.settle();
        assertThat(roles()).containsExactly(Medium.Role.BACKING);
    }

    @Test
    void withoutAnArrivalNothingIsChanged() {
        arrivals.changeLast();
        assertThat(arrivals.said().get()).contains("No recording");
    }

    @Test
    void theFirstRecordingOfAnEmptyCasebookMakesACase() throws IOException {
        while (fixture.desk().open().get().isPresent()) {
            assertThat(fixture.desk().undo()).isPresent();
            fixture.settle();
        }
        add(wav("one.wav"), wav("two.wav"));
        assertThat(roles()).containsExactly(Medium.Role.REFERENCE, Medium.Role.DI);
    }

    @Test
    void gearIsPassedOnAndNoCaseIsTouched() throws IOException {
        int before = fixture.book().logbook().size();
        add(Files.writeString(dir.resolve("rig.json"), Json.text(ToneJson.write(Rig.everything()))));
        assertThat(passedOn).extracting(ArrivedFile::kind).containsExactly(ArrivedFile.Kind.RIG);
        assertThat(arrivals.said().get()).contains("your gear");
        assertThat(fixture.book().logbook()).hasSize(before);
    }

    @Test
    void whatIsNothingUsableIsNamedAndNothingIsLost() throws IOException {
        int before = fixture.book().logbook().size();
        add(Files.writeString(dir.resolve("letter.txt"), "dear sir"));
        assertThat(fixture.desk().work().fault().get()).contains("letter.txt");
        assertThat(fixture.book().logbook()).hasSize(before);
    }
}
