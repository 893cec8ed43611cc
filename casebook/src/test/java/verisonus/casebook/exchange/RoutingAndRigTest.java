package verisonus.casebook.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import verisonus.core.rig.Block;
import verisonus.core.rig.Branch;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Impulse;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Routing;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.loudspeaker.ImpulseCharacter;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class RoutingAndRigTest {
    @TempDir
    private Path dir;

    private static Sound click() {
        float[] x = new float[480];
        x[3] = 0.5f;
        x[40] = -0.25f;
        return Sound.mono(x, 44100);
    }

    @Test
    void loopBranchesAndMeasuredResponseComeBackAsTheyWere() {
        Block box = new Block("cabinet", Gear.model("impulse response"), true, Map.of())
                .with(new Impulse("box", click()));
        Tone t = new Tone("t", List.of(Block.of("chiming edge"), box, Block.of("clean echo"), Block.of("room")),
                new Routing(List.of("echo"), List.of(
                        new Branch("space", "cabinet", Branch.OUTPUT, List.of("reverb"), -6.5, 20, true))));
        Tone back = ToneJson.read("t", ToneJson.write(t));
        assertThat(back.routing()).isEqualTo(t.routing());
        Impulse impulse = back.find("cabinet").orElseThrow().impulse().orElseThrow();
        assertThat(impulse.sound().rateHz()).isEqualTo(44100);
        assertThat(impulse.sound().mid()).isEqualTo(click().mid());
    }

    @Test
    void aToneMayNameAWavFileBesideIt() throws IOException {
        Files.write(dir.resolve("box.wav"), SoundWriter.encode(click(), SoundWriter.Format.WAV_FLOAT));
        Path file = dir.resolve("tone.json");
        Files.writeString(file, "{\"schema\":\"verisonus.tone/1\",\"name\":\"t\",\"blocks\":[{\"id\":\"cabinet\","
                + "\"model\":\"impulse response\",\"impulse_file\":\"box.wav\"}]}");
        Tone t = ToneJson.read(file.toString(), Json.read(file));
        assertThat(t.blocks().get(0).impulse().orElseThrow().sound().mid()[3]).isCloseTo(0.5f, within(1e-6f));
    }

    @ParameterizedTest
    @ValueSource(strings = {"[{\"loop\":[\"nothing\"]}]", "[{\"branch\":\"b\",\"after\":\"nobody\"}]", "[5]", "7",
            "[{\"branch\":\"b\",\"level_db\":99}]"})
    void aRoutingThatCannotBeIsNamedAsAFault(String routing) throws IOException {
        Path file = dir.resolve("tone.json");
        Files.writeString(file, "{\"schema\":\"verisonus.tone/1\",\"name\":\"t\",\"blocks\":[{\"id\":\"amp\","
                + "\"model\":\"chiming edge\"}],\"routing\":" + routing + "}");
        assertThatThrownBy(() -> ToneJson.read(file.toString(), Json.read(file))).isInstanceOf(InputFault.class)
                .hasMessageContaining("tone.json");
    }

    @Test
    void whatTheGearCostsWeighsAndTakesComesBackWithItsLimits() {
        Rig rig = new Rig(List.of("one"), Map.of("chiming edge", 2, "room", 1),
                Map.of("chiming edge", DeviceScale.SIGNED), 7)
                .limited(7, Set.of(GearKind.ECHO, GearKind.REVERB))
                .knowing(Gear.model("chiming edge"), new Rig.Practical(450, 17.5, 4))
                .mixing(Gear.model("room"), MixLaw.EQUAL_POWER);
        Rig back = ToneJson.readRig("r", ToneJson.write(rig));
        assertThat(back.once()).isEqualTo(rig.once());
        assertThat(back.practical(Gear.model("chiming edge"))).isEqualTo(new Rig.Practical(450, 17.5, 4));
        assertThat(back.scales().get("chiming edge")).isEqualTo(DeviceScale.SIGNED);
        assertThat(back.mixLaw(Gear.model("room"))).isEqualTo(MixLaw.EQUAL_POWER);
        assertThat(back.mixLaw(Gear.model("plate"))).isEqualTo(MixLaw.HELD);
    }

    @Test
    void aMixLawThatIsNotKnownIsNamedAsAFault() {
        var rig = Json.parse("r", "{\"schema\":\"verisonus.rig/1\",\"blocks\":"
                + "[{\"model\":\"room\",\"mix_law\":\"sideways\"}]}");
        assertThatThrownBy(() -> ToneJson.readRig("rig.json", rig)).isInstanceOf(InputFault.class)
                .hasMessageContaining("sideways").hasMessageContaining("equal power");
    }

    @Test
    void aFolderOfResponsesIsReadWithWhatCannotBeUsedNamed() throws IOException {
        Files.createDirectories(dir.resolve("below"));
        Files.write(dir.resolve("a.wav"), SoundWriter.encode(click(), SoundWriter.Format.WAV_16));
        Files.write(dir.resolve("below/b.wav"), SoundWriter.encode(click(), SoundWriter.Format.WAV_24));
        Files.writeString(dir.resolve("broken.wav"), "no sound");
        ImpulseFolder read = ImpulseFolder.read(dir, Progress.NONE);
        assertThat(read.entries()).extracting(ImpulseFolder.Entry::name).containsExactly("a.wav", "below/b.wav");
        assertThat(read.skipped()).singleElement().satisfies(s -> assertThat(s).contains("broken.wav"));
        assertThatThrownBy(() -> ImpulseFolder.read(dir.resolve("nowhere"), Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("nowhere");
    }

    @Test
    void whatIsKnownOfAFolderOutlivesTheSession() throws IOException {
        Path a = Files.createDirectories(dir.resolve("in")).resolve("a.wav");
        Files.write(a, SoundWriter.encode(click(), SoundWriter.Format.WAV_16));
        Path kept = dir.resolve("index.json");
        ImpulseCharacter first = ImpulseFolder.read(dir.resolve("in"), new ImpulseIndex(kept), Progress.NONE).entries()
                .get(0).character();
        ImpulseCharacter later = new ImpulseIndex(kept).find(a).orElseThrow();
        assertThat(later.levelDb()).containsExactly(first.levelDb());
        assertThat(later.words()).isEqualTo(first.words());
        Files.write(a, SoundWriter.encode(click(), SoundWriter.Format.WAV_24));
        assertThat(new ImpulseIndex(kept).find(a)).as("another file under the old name").isEmpty();
    }

    @Test
    void aFolderIsReadWithoutAnIndexToo() throws IOException {
        Path a = Files.createDirectories(dir.resolve("in")).resolve("a.wav");
        Files.write(a, SoundWriter.encode(click(), SoundWriter.Format.WAV_16));
        ImpulseIndex nowhere = new ImpulseIndex();
        assertThat(ImpulseFolder.read(dir.resolve("in"), nowhere, Progress.NONE).entries()).hasSize(1);
        assertThat(nowhere.find(a)).isPresent();
    }

    @Test
    void anIndexThatCannotBeWrittenIsDoneWithout() throws IOException {
        Path a = Files.createDirectories(dir.resolve("in")).resolve("a.wav");
        Files.write(a, SoundWriter.encode(click(), SoundWriter.Format.WAV_16));
        ImpulseIndex lost = new ImpulseIndex(dir.resolve("no such folder/index.json"));
        assertThat(ImpulseFolder.read(dir.resolve("in"), lost, Progress.NONE).entries()).hasSize(1);
    }

    @Test
    void anIndexThatIsSpoiltIsDoneWithout() throws IOException {
        Path kept = dir.resolve("index.json");
        for (String text : List.of("no document", "{\"schema\":\"verisonus.impulse-index/1\",\"files\":[{}]}")) {
            Files.writeString(kept, text);
            assertThat(new ImpulseIndex(kept).find(dir.resolve("a.wav"))).isEmpty();
        }
    }

    private Tone naming(String impulseFile) throws IOException {
        Path folder = Files.createDirectories(dir.resolve("tones"));
        Path file = folder.resolve("tone.json");
        Files.writeString(file, Json.text(Json.parse("t", "{\"schema\":\"verisonus.tone/1\",\"name\":\"t\",\"blocks\":["
                + "{\"id\":\"cabinet\",\"model\":\"impulse response\",\"impulse_file\":\"" + impulseFile + "\"}]}")));
        return ToneJson.read(file.toString(), Json.read(file));
    }

    @ParameterizedTest
    @ValueSource(strings = {"../box.wav", "sub/../../box.wav", "/etc/box.wav", "..", ".", "", "a\\u0000b.wav",
            "linked/box.wav"})
    void anImpulseFileOutsideTheTonesFolderIsRefused(String named) throws IOException {
        Files.write(dir.resolve("box.wav"), SoundWriter.encode(click(), SoundWriter.Format.WAV_FLOAT));
        Files.createDirectories(dir.resolve("tones"));
        Files.createSymbolicLink(dir.resolve("tones/linked"), dir);
        assertThatThrownBy(() -> naming(named)).isInstanceOf(InputFault.class).hasMessageContaining("impulse response");
    }

    @ParameterizedTest
    @ValueSource(strings = {"NaN", "Infinity", "3e38"})
    void aResponseWhoseSamplesAreNoSoundIsRefused(String sample) {
        ByteBuffer bytes = ByteBuffer.allocate(4 * 32).order(ByteOrder.LITTLE_ENDIAN);
        bytes.putFloat(8, Float.parseFloat(sample));
        assertThatThrownBy(() -> ToneJson.read("t.json", responding(bytes, "48000"))).isInstanceOf(InputFault.class)
                .hasMessageContaining("impulse response cannot be read");
    }

    @ParameterizedTest
    @ValueSource(strings = {"2147483647", "0", "-5", "7999", "1e99", "\"fast\""})
    void aResponseOfNoRateIsRefused(String rate) {
        ByteBuffer bytes = ByteBuffer.allocate(4 * 32);
        assertThatThrownBy(() -> ToneJson.read("t.json", responding(bytes, rate))).isInstanceOf(InputFault.class);
    }

    private static JsonNode responding(ByteBuffer samples, String rate) {
        return Json.parse("t.json", "{\"schema\":\"verisonus.tone/1\",\"name\":\"t\",\"blocks\":[{\"id\":\"cabinet\","
                + "\"model\":\"impulse response\",\"impulse\":{\"name\":\"box\",\"sample_rate_hz\":" + rate
                + ",\"samples\":\"" + Base64.getEncoder().encodeToString(samples.array()) + "\"}}]}");
    }

    @Test
    void aDocumentLargerThanAnyOfOursIsNotEvenRead() throws IOException {
        Path file = dir.resolve("huge.json");
        try (RandomAccessFile f = new RandomAccessFile(file.toFile(), "rw")) {
            f.setLength(40_000_000);
        }
        assertThatThrownBy(() -> Json.read(file)).isInstanceOf(InputFault.class)
                .hasMessageContaining("larger than any");
    }
}
