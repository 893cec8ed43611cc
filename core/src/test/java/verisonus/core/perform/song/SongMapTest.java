package verisonus.core.perform.song;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.perform.Ringing;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class SongMapTest {
    private static final Tone TONE = new Tone("rhythm", List.of(
            Block.of("mid-hump overdrive").switched(false), Block.of("chiming edge"),
            Block.of("clean echo").with(ControlNames.MIX, 30).with(ControlNames.FEEDBACK, 40),
            Block.of("volume").named("volume")));
    private static final Variant LEAD = new Variant("lead", Map.of(new ControlPlace("volume", "level"), 3.0),
            Map.of("drive", true));
    private static final Variant CLEAN = new Variant("clean", Map.of(), Map.of("echo", false));
    private static final List<Variant> VARIANTS = List.of(LEAD, CLEAN);

    private static List<SongMap.Part> song(String... variants) {
        List<SongMap.Part> out = new ArrayList<>();
        for (int i = 0; i < variants.length; i++)
            out.add(new SongMap.Part(new Section("part " + (i + 1), 10 * i, 10 * i + 10), variants[i]));
        return out;
    }

    @Test
    void aFloorUnitTakesOneMoveForAChangeAndNoneForTheSame() {
        SongMap m = SongMap.of(song("rhythm", "lead", "lead", "clean", "rhythm"), TONE, VARIANTS, SwitchWay.FLOOR_UNIT);
        assertThat(m.changes()).extracting(SongMap.Change::moves).containsExactly(1, 0, 1, 1);
        assertThat(m.moves()).isEqualTo(3);
        assertThat(m.faults()).anySatisfy(f -> assertThat(f).contains("silent for 20 ms"));
    }

    @Test
    void withSeparateBoxesEveryBoxIsSteppedOn() {
        SongMap m = SongMap.of(song("rhythm", "lead", "clean"), TONE, VARIANTS, SwitchWay.SEPARATE_BOXES);
        assertThat(m.changes().get(0).steps()).containsExactly("drive on", "volume by hand or pedal");
        assertThat(m.changes().get(1).steps()).containsExactlyInAnyOrder("drive off", "echo off",
                "volume by hand or pedal");
        assertThat(m.faults()).anySatisfy(f -> assertThat(f).contains("3 moves at once"));
    }

    /** A set of six songs; every move counted by hand from the differences of neighbouring variants: a box that comes on set otherwise is two. */
    @ParameterizedTest
    @CsvSource({"rhythm clean rhythm lead rhythm, 4, 6", "clean clean wide clean, 2, 3",
            "lead rhythm lead rhythm lead, 4, 8", "rhythm rhythm rhythm rhythm, 0, 0",
            "wide lead clean wide rhythm lead wide, 6, 14",
            "clean lead wide clean rhythm clean lead rhythm, 7, 14"})
    void footMovesAreAsManyAsCountedByHand(String parts, int onAFloorUnit, int withBoxes) {
        Variant wide = new Variant("wide", Map.of(new ControlPlace("echo", "mix"), 50.0), Map.of());
        List<Variant> all = List.of(LEAD, CLEAN, wide);
        List<SongMap.Part> song = song(parts.split(" "));
        assertThat(SongMap.of(song, TONE, all, SwitchWay.FLOOR_UNIT).moves()).isEqualTo(onAFloorUnit);
        assertThat(SongMap.of(song, TONE, all, SwitchWay.SEPARATE_BOXES).moves()).isEqualTo(withBoxes);
    }

    @Test
    void repeatsThatAreSwitchedOffAreCutAndThoseThatRingOnAreNot() {
        double tail = Ringing.seconds(TONE.find("echo").orElseThrow());
        assertThat(tail).isGreaterThan(1);
        SongMap boxes = SongMap.of(song("rhythm", "clean"), TONE, VARIANTS, SwitchWay.SEPARATE_BOXES);
        assertThat(boxes.changes().getFirst().tailCutS()).isCloseTo(tail, within(1e-9));
        assertThat(boxes.faults()).anySatisfy(f -> assertThat(f).contains("cut off"));
        SongMap rings = SongMap.of(song("rhythm", "clean"), TONE, VARIANTS, SwitchWay.FLOOR_UNIT);
        assertThat(rings.changes().getFirst().tailCutS()).isZero();
    }

    @Test
    void aLoopInFrontOfWhatChangesIsSaid() {
        Tone looping = TONE.inserted(Block.of("looper").with(ControlNames.LEVEL, 80), 1);
        SongMap m = SongMap.of(song("rhythm", "clean"), looping, VARIANTS, SwitchWay.FLOOR_UNIT);
        assertThat(m.changes().getFirst().stopsLoop()).isTrue();
        Tone last = TONE.inserted(Block.of("looper").with(ControlNames.LEVEL, 80), 9);
        assertThat(SongMap.of(song("rhythm", "clean"), last, VARIANTS, SwitchWay.FLOOR_UNIT).changes().getFirst()
                .stopsLoop()).isFalse();
    }

    @Test
    void sectionsTwiceWithoutVariantOrOutOfOrderAreRefusedByName() {
        List<SongMap.Part> twice = List.of(song("rhythm").getFirst(), song("lead").getFirst());
        assertThatThrownBy(() -> SongMap.of(twice, TONE, VARIANTS, SwitchWay.FLOOR_UNIT))
                .isInstanceOf(InputFault.class).hasMessageContaining("stands there twice");
        assertThatThrownBy(() -> SongMap.of(song("rhythm", ""), TONE, VARIANTS, SwitchWay.FLOOR_UNIT))
                .hasMessageContaining("part 2").hasMessageContaining("no variant");
        assertThatThrownBy(() -> SongMap.of(song("rhythm", "polka"), TONE, VARIANTS, SwitchWay.FLOOR_UNIT))
                .hasMessageContaining("there is no variant \"polka\"");
        assertThatThrownBy(() -> SongMap.of(List.of(), TONE, VARIANTS, SwitchWay.FLOOR_UNIT))
                .hasMessageContaining("no section");
    }

    @Test
    void theCheapestVariantToDoWithoutSavesMovesAtAStatedPrice() {
        SongMap m = SongMap.of(song("rhythm", "lead", "clean", "rhythm"), TONE, VARIANTS, SwitchWay.FLOOR_UNIT);
        List<FewerVariants> fewer = FewerVariants.of(m, TONE, VARIANTS, SwitchWay.FLOOR_UNIT,
                Signal.plucks(0.4, 4).lasting(4), Progress.NONE);
        assertThat(fewer).isNotEmpty().allSatisfy(f -> {
            assertThat(f.movesSaved()).isPositive();
            assertThat(f.priceJnd()).isPositive();
        });
        for (int i = 1; i < fewer.size(); i++)
            assertThat(fewer.get(i).priceJnd()).isGreaterThanOrEqualTo(fewer.get(i - 1).priceJnd());
    }

    @Test
    void sectionsBeginWhereTheMusicChangesAndAlikeOnesShareALetter() {
        Sound verse = Signal.plucks(0.5, 4).lasting(14);
        Sound chorus = Signal.sum(Signal.plucks(0.2, 9).lasting(16), Signal.noise(3).atDb(-24).lasting(16));
        Sound song = joined(List.of(verse, chorus, verse, chorus));
        List<Section> found = SectionFinder.of(song);
        assertThat(found).extracting(Section::name).containsExactly("A", "B", "A", "B");
        assertThat(found).extracting(Section::fromS).satisfiesExactly(
                a -> assertThat(a).isZero(), b -> assertThat(b).isCloseTo(14, within(1.0)),
                c -> assertThat(c).isCloseTo(30, within(1.0)), d -> assertThat(d).isCloseTo(44, within(1.0)));
        assertThat(SectionFinder.of(Signal.plucks(0.5, 4).lasting(12))).hasSize(1);
    }

    private static Sound joined(List<Sound> parts) {
        float[] out = new float[parts.stream().mapToInt(Sound::frames).sum()];
        int at = 0;
        for (Sound s : parts) {
            System.arraycopy(s.mid(), 0, out, at, s.frames());
            at += s.frames();
        }
        return Sound.mono(out, parts.getFirst().rateHz());
    }
}
