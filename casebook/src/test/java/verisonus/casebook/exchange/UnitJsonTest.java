package verisonus.casebook.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Dial;
import verisonus.core.rig.Face;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Turning;
import verisonus.core.rig.Unit;
import verisonus.core.rig.Voice;
import verisonus.core.work.InputFault;

class UnitJsonTest {
    private static final Unit LEARNT = learnt();

    private static Unit learnt() {
        SplittableRandom r = new SplittableRandom(4);
        List<Double> after = Voice.Learnt.CENTRES_HZ.stream().map(_ -> 12 * r.nextDouble() - 6).toList();
        return Unit.of("my old combo", Gear.model("small combo"),
                Map.of(ControlNames.MID, Unit.Reach.fixed(4.25), ControlNames.GAIN, new Unit.Reach(1.5, 8)), after)
                .turning(Map.of(ControlNames.GAIN,
                        new Turning(List.of(new Turning.Place(2, 1.5), new Turning.Place(8, 7.75)))))
                .labelled(Map.of(ControlNames.TREBLE, "tone"));
    }

    @Test
    void aToneHoldsTheDeviceSoThatWhoeverOpensItHearsIt() {
        Tone tone = new Tone("t", List.of(Block.of(LEARNT.model()).with(ControlNames.GAIN, 6.125),
                Block.of("2×12 open"), Block.of("ribbon microphone")));
        assertThat(ToneJson.read("t", Json.parse("t", Json.text(ToneJson.write(tone))))).isEqualTo(tone);
    }

    @Test
    void scalesOfEveryKindComeBackToTheLastBit() {
        SplittableRandom r = new SplittableRandom(9);
        for (int i = 0; i < 50; i++) {
            Face face = switch (i % 3) {
                case 0 -> Face.ruled(-50 * r.nextDouble(), 1 + 100 * r.nextDouble(), 0.25, "x");
                case 1 -> Face.clock(7, 17);
                default -> Face.words(List.of("low", "middle", "high"));
            };
            List<Dial.Pair> pairs = new ArrayList<>();
            for (double share : new double[]{0, 0.5, 1})
                pairs.add(new Dial.Pair(face.mark(share), 60 + 400 * share
                        + 9 * r.nextDouble()));
            Unit unit = Unit.of("repeats " + i, Gear.model("clean echo"), Map.of(), List.of())
                    .dialled(Map.of(ControlNames.TIME, new Dial(face, pairs)));
            Rig rig = Rig.everything().with(unit);
            assertThat(ToneJson.readRig("r", Json.parse("r", Json.text(ToneJson.write(rig)))).units())
                    .isEqualTo(rig.units());
        }
    }

    @Test
    void itsSettingsAsRowsComeBackToTheLastBit() {
        Tone tone = new Tone("t", List.of(Block.of(LEARNT.model()).with(ControlNames.GAIN, 6.123456789),
                Block.of(Unit.of("green box", Gear.model("mid-hump overdrive"), Map.of(), List.of()).model())));
        var columns = SettingsCsv.columns("");
        assertThat(SettingsCsv.parse("t", SettingsCsv.write(tone, columns), columns)).isEqualTo(tone);
    }

    @Test
    void aRigHoldsItsNamesAndTurnsToo() {
        Unit plain = Unit.of("green box", Gear.model("mid-hump overdrive"), Map.of(), List.of());
        Rig rig = Rig.everything().with(LEARNT).with(plain).counting(plain.model(), 2)
                .scaling(LEARNT.model(), DeviceScale.CLOCK).knowing(LEARNT.model(), new Rig.Practical(1, 12, 3));
        Rig read = ToneJson.readRig("r", Json.parse("r", Json.text(ToneJson.write(rig))));
        assertThat(read.units()).isEqualTo(rig.units());
        assertThat(read.counts()).isEqualTo(rig.counts());
        assertThat(read.scale(LEARNT.model())).isEqualTo(DeviceScale.CLOCK);
        assertThat(read.practical()).isEqualTo(rig.practical());
    }

    @Test
    void aDeviceThatIsNotAtHandStaysInTheList() {
        Rig rig = new Rig(List.of(), Map.of(), Map.of(), 9).with(LEARNT).counting(LEARNT.model(), 0);
        Rig read = ToneJson.readRig("r", ToneJson.write(rig));
        assertThat(read.units()).containsExactly(LEARNT);
        assertThat(read.has(LEARNT.model())).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"{\"name\":\"open clean\"}", "{\"name\":\"\"}",
            "{\"name\":\"a\",\"controls\":{\"warp\":1}}",
            "{\"name\":\"a\",\"controls\":{\"gain\":[6,2]}}", "{\"name\":\"a\",\"controls\":{\"gain\":[0,99]}}",
            "{\"name\":\"a\",\"controls\":{\"gain\":\"x\"}}", "{\"name\":\"a\",\"after_db\":[1,2]}",
            "{\"name\":\"a\",\"turns\":{\"gain\":[[1,2,3]]}}", "{\"name\":\"a\",\"turns\":{\"gain\":[]}}",
            "{\"name\":\"a\",\"turns\":{\"gain\":[[1,22]]}}"})
    void whatCannotBeADeviceIsRefusedByName(String device) {
        String text = "{\"schema\":\"verisonus.tone/1\",\"blocks\":[{\"model\":\"small combo\",\"device\":" + device
                + "}]}";
        assertThatThrownBy(() -> ToneJson.read("mine.json", Json.parse("mine.json", text)))
                .isInstanceOf(InputFault.class)
                .hasMessageContaining("mine.json");
    }

    @Test
    void twoDevicesOfOneNameAreRefused() {
        String block = "{\"model\":\"small combo\",\"device\":{\"name\":\"a\"}}";
        String text = "{\"schema\":\"verisonus.rig/1\",\"blocks\":[" + block + "," + block + "]}";
        assertThatThrownBy(() -> ToneJson.readRig("rig.json", Json.parse("rig.json", text)))
                .isInstanceOf(InputFault.class).hasMessageContaining("one name");
    }
}
