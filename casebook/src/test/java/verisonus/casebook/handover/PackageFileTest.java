package verisonus.casebook.handover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.work.InputFault;

/** A tone that was handed over is the tone that was made; what is no package opens nothing. */
class PackageFileTest {
    private static final List<String> CHAIN = List.of("mid-hump overdrive", "mid-forward crunch", "4×12 closed",
            "dynamic microphone", "parametric equalizer", "clean echo", "plain hall");

    private static Tone random(long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        List<Block> blocks = new ArrayList<>();
        for (String name : CHAIN) {
            Block b = Block.of(name);
            for (Control c : b.model().controls()) {
                double v = c.minimum() + (c.maximum() - c.minimum()) * r.nextDouble();
                b = b.with(c.name(), c.isChoice() ? Math.floor(v) : v);
            }
            blocks.add(b);
        }
        return new Tone("tone " + seed, blocks);
    }

    private static byte[] packed(Tone tone) {
        return PackageFile.write(new TonePackage(tone, Rig.everything(),
                new TonePackage.Words("hollow body, neck pickup", "small monitors", "free to use"), Optional.empty()));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void settingsComeBackToTheLastBit(long seed) {
        Tone tone = random(seed);
        PackageFile.Opened opened = PackageFile.read("p", packed(tone));
        assertThat(opened.tone()).isEqualTo(tone);
        float[] di = new float[4800];
        for (int i = 0; i < di.length; i++) di[i] = (float) (0.2 * Math.sin(0.05 * i));
        assertThat(Renderer.renderMono(opened.tone(), di, Quality.DRAFT))
                .isEqualTo(Renderer.renderMono(tone, di, Quality.DRAFT));
    }

    @Test
    void theSameToneGivesTheSameBytesButForTheSheetsDate() {
        Map<String, byte[]> one = PackageFile.read("p", packed(random(7))).files();
        Map<String, byte[]> two = PackageFile.read("p", packed(random(7))).files();
        assertThat(one.keySet()).isEqualTo(two.keySet());
        one.forEach((name, bytes) -> {
            if (!name.equals("sheet.pdf")) assertThat(two.getOrDefault(name, new byte[0])).as(name).isEqualTo(bytes);
        });
    }

    @Test
    void itHoldsWhatAnotherPlayerNeeds() {
        PackageFile.Opened opened = PackageFile.read("p", packed(random(8)));
        assertThat(opened.files()).containsKeys("package.json", "tone.json", "settings.csv", "sheet.pdf",
                "responses/44100-24bit.wav", "responses/48000-float.wav", "responses/96000-float.wav");
        assertThat(opened.said().get("guitar").asString()).isEqualTo("hollow body, neck pickup");
        assertThat(opened.said().get("response").get("null_db").asDouble()).isLessThan(-60);
        byte[] response = opened.files().getOrDefault("responses/96000-float.wav", new byte[0]);
        assertThat(SoundReader.decode("r", response).sound().rateHz()).isEqualTo(96000);
    }

    private static byte[] zip(String... names) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (String n : names) {
                zip.putNextEntry(new ZipEntry(n));
                zip.write("{}".getBytes(StandardCharsets.UTF_8));
                zip.closeEntry();
            }
        }
        return out.toByteArray();
    }

    @ParameterizedTest
    @ValueSource(strings = {"../out.json", "/etc/x", "devices/../../x.json", "devices/a\\b.json", "other.txt",
            "devices/sub/x.json", "responses/48000-24bit.exe"})
    void aPathThatNoPackageHasIsRefused(String name) throws IOException {
        byte[] file = zip("package.json", "tone.json", name);
        assertThatThrownBy(() -> PackageFile.read("p", file)).isInstanceOf(InputFault.class);
    }

    @Test
    void whatUnpacksWithoutEndIsRefused() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("package.json"));
            byte[] nothing = new byte[1 << 20];
            for (int i = 0; i < 80; i++) zip.write(nothing);
            zip.closeEntry();
        }
        assertThatThrownBy(() -> PackageFile.read("p", out.toByteArray())).isInstanceOf(InputFault.class)
                .hasMessageContaining("unpacks to more");
    }

    @Test
    void anotherProgramsZipIsNoPackage() throws IOException {
        byte[] file = zip("tone.json");
        assertThatThrownBy(() -> PackageFile.read("p", file)).isInstanceOf(InputFault.class)
                .hasMessageContaining("no package");
    }

    @Test
    void damageIsReadOrRefusedInWords() {
        byte[] whole = packed(random(9));
        for (int seed = 0; seed < 120; seed++) {
            SplittableRandom r = new SplittableRandom(seed);
            byte[] bytes = whole.clone();
            for (int i = 0; i < 1 + r.nextInt(12); i++) bytes[r.nextInt(bytes.length)] = (byte) r.nextInt();
            try {
                assertThat(PackageFile.read("p", bytes).tone().blocks()).isNotEmpty();
            } catch (InputFault named) {
                assertThat(named.remedy()).isNotBlank();
            }
        }
    }
}
