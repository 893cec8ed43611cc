package verisonus.casebook.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.plan.MidiMap;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Impulse;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.rig.Ways;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

/** Settings that leave the program come back as they were. */
class SettingsFilesTest {
    /** Any chain of any models at any settings, blocks on and off. */
    private static Tone random(long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        List<Block> blocks = new ArrayList<>();
        int n = 1 + r.nextInt(9);
        for (int i = 0; i < n; i++) {
            Model m = Gear.MODELS.get(r.nextInt(Gear.MODELS.size()));
            Block b = Block.of(m.name()).named("block " + i).switched(r.nextInt(5) > 0);
            for (Control c : m.controls()) {
                if (r.nextInt(3) == 0) continue;
                b = b.with(c.name(), c.isChoice()
                        ? r.nextInt(c.choices().size())
                        : c.minimum() + r.nextDouble() * (c.maximum() - c.minimum()));
            }
            if (m.voice() == Voice.Cabinet.IMPULSE_RESPONSE) {
                float[] h = new float[32];
                for (int k = 0; k < h.length; k++) h[k] = r.nextFloat() - 0.5f;
                b = b.with(new Impulse("box", Sound.mono(h, 48000)));
            }
            blocks.add(b);
        }
        return new Tone("tone " + seed + ", \"so\"", blocks);
    }

    private static Tone csv(Tone t, String columns) {
        return SettingsCsv.parse("t.csv", SettingsCsv.write(t, SettingsCsv.columns(columns)),
                SettingsCsv.columns(columns));
    }

    private static Tone json(Tone t) {
        return ToneJson.read("t", Json.parse("t", Json.text(ToneJson.write(t))));
    }

    private static void same(Tone was, Tone is) {
        assertThat(is.name()).isEqualTo(was.name());
        assertThat(is.routing()).isEqualTo(was.routing());
        assertThat(is.blocks()).hasSameSizeAs(was.blocks());
        for (int i = 0; i < was.blocks().size(); i++) {
            Block a = was.blocks().get(i);
            Block b = is.blocks().get(i);
            assertThat(b.id()).isEqualTo(a.id());
            assertThat(b.model()).isEqualTo(a.model());
            assertThat(b.on()).isEqualTo(a.on());
            assertThat(b.settings()).isEqualTo(a.settings());
            assertThat(b.impulse().map(x -> List.of(x.sound().mid()[3], x.sound().mid()[9]))).isEqualTo(
                    a.impulse().map(x -> List.of(x.sound().mid()[3], x.sound().mid()[9])));
        }
    }

    @Test
    void twoHundredTonesComeBackToTheLastBit() {
        for (long seed = 0; seed < 200; seed++) {
            same(random(seed), json(random(seed)));
            same(random(seed), csv(random(seed), "block=Device,control=Knob,value=Set to,model=What"));
        }
    }

    @Test
    void waysBesideTheMainOneComeBackToo() {
        Tone t = Ways
                .changed(Ways.beside(new Tone("t", List.of(Block.of("chiming edge"), Block.of("2×12 open"))), "amp",
                        Block.of("open clean")), "amp 2", b -> b.mixed(-6, 40, true));
        same(t, csv(t, ""));
    }

    @Test
    void columnsOfOthersAreReadByTheirNamesAndMoreBesideThemDoNoHarm() {
        Tone t = SettingsCsv.parse("x.csv", "Note,Knob,Device,Set,What\nloud,gain,amp,4.5,chiming edge\n",
                SettingsCsv.columns("control=knob,block=device,value=set,model=what"));
        assertThat(t.find("amp").orElseThrow().get("gain")).isEqualTo(4.5);
        assertThat(t.find("amp").orElseThrow().on()).isTrue();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"block,model,control,value§amp,chiming edge,gain,loud|is no number",
            "block,model,control,value§amp,chiming edge,gain,99|use 0 to 10",
            "block,model,control,value§amp,no such amp,gain,5|there is no block", "a,b§1,2|names the columns",
            "block,model,control,value§amp,chiming edge,loudness,5|no control"})
    void whatIsNoToneIsRefused(String text, String fault) {
        assertThatThrownBy(() -> SettingsCsv.parse("x.csv", text.replace("§", "\n"), SettingsCsv.columns("")))
                .isInstanceOf(InputFault.class).hasMessageContaining("x.csv").hasMessageContaining(fault);
    }

    @ParameterizedTest
    @CsvSource({"knob=x", "block=", "'block=a,model=a'"})
    void columnsThatAreNoneAreRefused(String given) {
        assertThatThrownBy(() -> SettingsCsv.columns(given)).isInstanceOf(InputFault.class);
    }

    @Test
    void aMapBecomesAStandardMidiFile() throws Exception {
        Tone t = new Tone("t", List.of(Block.of("chiming edge").with("gain", 10).with("bass", 0)));
        MidiMap map = MidiMapCsv.parse("m.csv", "block,control,controller,channel,low,high\namp,gain,20,2\n"
                + "amp,bass,21,2,100,10\n");
        Sequence read = MidiSystem.getSequence(new ByteArrayInputStream(MidiFileWriter.write(t, map)));
        List<List<Integer>> sent = new ArrayList<>();
        for (int i = 0; i < read.getTracks()[0].size(); i++) {
            if (read.getTracks()[0].get(i).getMessage() instanceof ShortMessage m)
                sent.add(List.of(m.getChannel(), m.getData1(), m.getData2()));
        }
        assertThat(sent).containsExactly(List.of(1, 20, 127), List.of(1, 21, 100));
        assertThat(map.lines().get(0).place()).isEqualTo(ControlPlace.parse("amp/gain"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"amp,gain|names no block", "amp,gain,200|not 0 to 119",
            "amp,gain,x|no whole number", "amp,gain,7,17|no MIDI channel", "amp,gain,7§amp,bass,7|moves two",
            "amp,gain,7§amp,gain,8|twice", "amp,gain,7,1,5,5|not within", "|maps nothing"})
    void aMapThatCannotBeIsRefusedWithItsLine(String text, String fault) {
        String body = Optional.ofNullable(text).orElse("").replace("§", "\n");
        assertThatThrownBy(() -> MidiMapCsv.parse("m.csv", body)).isInstanceOf(InputFault.class)
                .hasMessageContaining("m.csv").hasMessageContaining(fault);
    }

    @Test
    void tablesOfALocaleWithADecimalCommaAreReadAsTheyWereWritten() {
        Tone t = new Tone("t", List.of(Block.of("chiming edge").with("gain", 4.5).with("treble", 6)));
        String written = SettingsCsv.write(t, SettingsCsv.columns(""));
        String german = written.replace(',', ';').replaceAll("(\\d)\\.(\\d)", "$1,$2");
        assertThat(german).contains("4,5");
        assertThat(SettingsCsv.parse("t.csv", german, SettingsCsv.columns(""))).isEqualTo(t);
        assertThat(SongMapCsv.parse("s.csv", "section;from_s;to_s;variant\nverse;0;14,5;lead\n").getFirst().section()
                .toS())
                .isEqualTo(14.5);
    }
}
