package verisonus.casebook.arrival;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.casebook.store.Casebook;
import verisonus.core.rig.Block;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.work.InputFault;

class ArrivedFileTest {
    private static final ArrivedFile.Present NOTHING = new ArrivedFile.Present(false, false);

    @TempDir
    private Path dir;

    private Path sound(String name, double seconds, double fallPerS) throws IOException {
        float[] x = new float[(int) (seconds * 48000)];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.5 * Math.exp(-fallPerS * i / 48000.0) * Math.sin(2 * Math.PI * 440 * (i + 20) / 48000.0));
        }
        return Files.write(dir.resolve(name), SoundWriter.encode(Sound.mono(x, 48000), SoundWriter.Format.WAV_24));
    }

    private Path text(String name, String text) throws IOException {
        return Files.writeString(dir.resolve(name), text);
    }

    @ParameterizedTest
    @CsvSource({"my DI.wav,TAKE", "riff_take2.wav,TAKE", "the band only.wav,BACKING", "original.wav,REFERENCE",
            "directory.wav,REFERENCE", "7.wav,REFERENCE"})
    void aRecordingIsToldByTheWordsOfItsNameElseIsTheOneToStudy(String name, ArrivedFile.Kind kind) throws IOException {
        assertThat(ArrivedFile.of(sound(name, 4, 0), NOTHING).kind()).isEqualTo(kind);
    }

    @Test
    void whatTheCaseHasDecidesWhereNoNameDoes() throws IOException {
        Path file = sound("x.wav", 4, 0);
        assertThat(ArrivedFile.of(file, new ArrivedFile.Present(true, false)).kind()).isEqualTo(ArrivedFile.Kind.TAKE);
        ArrivedFile third = ArrivedFile.of(file, new ArrivedFile.Present(true, true));
        assertThat(third.kind()).isEqualTo(ArrivedFile.Kind.BACKING);
        assertThat(third.why()).contains("a recording and a take");
    }

    @Test
    void aWordThatAllNamesShareTellsNoneFromAnother() throws IOException {
        Path record = sound("walk-dry.wav", 4, 0);
        Path take = sound("walk-dry-di.wav", 4, 0);
        Set<String> shared = ArrivedFile.sharedWords(List.of(record, take));
        assertThat(shared).containsExactlyInAnyOrder("walk", "dry");
        ArrivedFile.Present nothing = new ArrivedFile.Present(false, false, shared);
        assertThat(ArrivedFile.of(record, nothing).kind()).isEqualTo(ArrivedFile.Kind.REFERENCE);
        assertThat(ArrivedFile.of(take, nothing).kind()).isEqualTo(ArrivedFile.Kind.TAKE);
        assertThat(ArrivedFile.sharedWords(List.of(take))).isEmpty();
    }

    @Test
    void oneBurstThatDiesAwayIsAnImpulseResponseAndAShortNoteIsNot() throws IOException {
        assertThat(ArrivedFile.of(sound("box.wav", 0.5, 60), NOTHING).kind()).isEqualTo(ArrivedFile.Kind.IMPULSE);
        assertThat(ArrivedFile.of(sound("note.wav", 2, 2), NOTHING).kind()).isEqualTo(ArrivedFile.Kind.REFERENCE);
    }

    @Test
    void documentsSayWhatTheyAre() throws IOException {
        Tone tone = new Tone("t", List.of(Block.of("chiming edge")));
        assertThat(ArrivedFile.of(text("t.json", Json.text(ToneJson.write(tone))), NOTHING).kind())
                .isEqualTo(ArrivedFile.Kind.TONE);
        assertThat(ArrivedFile.of(text("r.json", Json.text(ToneJson.write(Rig.everything()))), NOTHING).kind())
                .isEqualTo(ArrivedFile.Kind.RIG);
        assertThat(ArrivedFile.of(text("room.csv", "hz,db\n100,-3\n1000,0\n9000,-6\n"), NOTHING).kind())
                .isEqualTo(ArrivedFile.Kind.RESPONSE);
        Path book = dir.resolve("b.casebook");
        Casebook.create(book).close();
        assertThat(ArrivedFile.of(book, NOTHING).kind()).isEqualTo(ArrivedFile.Kind.CASEBOOK);
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"a.json;{\"schema\":\"other/1\"};cannot be taken in", "b.json;{};says nothing",
            "c.csv;no figures;c.csv", "d.wav;no sound;d.wav"})
    void whatCannotBeUsedIsRefusedByName(String name, String text, String said) throws IOException {
        Path file = text(name, text);
        assertThatThrownBy(() -> ArrivedFile.of(file, NOTHING)).isInstanceOf(InputFault.class)
                .hasMessageContaining(said).hasMessageContaining(name);
    }
}
