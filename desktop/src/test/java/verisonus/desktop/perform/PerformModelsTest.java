package verisonus.desktop.perform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.compare.GapLedger;
import verisonus.core.perform.Noticed;
import verisonus.core.perform.ToneNotices;
import verisonus.core.perform.UsualPart;
import verisonus.core.perform.VariantMatrix;
import verisonus.core.perform.foot.PedalRange;
import verisonus.core.perform.song.SwitchWay;
import verisonus.core.perform.time.NoteSum;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.Standing;

class PerformModelsTest {
    private static final ControlPlace GAIN = new ControlPlace("amp", "gain");
    private static final ControlPlace TIME = new ControlPlace("echo", "time");

    @TempDir
    private Path dir;
    private DeskFixture fixture;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    private void keepTone() {
        fixture.keepTone(new Tone("rhythm", List.of(Block.of("mid-hump overdrive").switched(false),
                Block.of("chiming edge"), Block.of("2×12 open"),
                Block.of("dynamic microphone").with(ControlNames.LEVEL, -12),
                Block.of("clean echo").with(ControlNames.TIME, 300).with(ControlNames.MIX, 25))),
                new GapLedger(List.of(), 0));
    }

    private void look() {
        fixture.desk().bench().set(Bench.PERFORM);
        fixture.settle();
    }

    @Test
    void withoutAToneEveryPartSaysWhatToDoFirst() {
        VariantsModel variants = new VariantsModel(fixture.desk());
        VariantMaker maker = new VariantMaker(fixture.desk(), variants);
        look();
        assertThat(variants.heading()).contains("Derive a tone first");
        maker.say("lead: louder");
        assertThat(maker.said().get()).contains("Derive a tone first");
        SongModel song = new SongModel(fixture.desk());
        song.readSections();
        assertThat(song.said().get()).contains("needed first");
        ElsewhereModel elsewhere = new ElsewhereModel(fixture.desk());
        elsewhere.findBuilds();
        assertThat(elsewhere.said().get()).contains("Derive a tone first");
    }

    @Test
    void aVariantIsSolvedKeptComparedHeardAndTakenBack() {
        keepTone();
        VariantsModel model = new VariantsModel(fixture.desk());
        look();
        new VariantMaker(fixture.desk(), model).say("lead: 3 LU louder, 2 dB louder repeats");
        fixture.settle();
        assertThat(model.variants().get()).extracting(v -> v.name()).containsExactly("lead");
        List<VariantMatrix.Row> rows = model.matrix().get().orElseThrow().rows();
        assertThat(rows.get(1).reading().loudnessLufs() - rows.get(0).reading().loudnessLufs()).isCloseTo(3,
                within(0.2));
        assertThat(fixture.open().standing(Bench.PERFORM)).isEqualTo(Standing.BEGUN);
        model.hear("lead");
        fixture.settle();
        assertThat(model.chosen().get()).isEqualTo("lead");
        assertThat(model.heading()).startsWith("Lead is 3.0 LU louder").endsWith("all else is shared.");
        fixture.desk().bench().set(Bench.TRAVEL);
        fixture.settle();
        assertThat(model.chosen().get()).as("on other benches mine is the tone").isEmpty();
        fixture.desk().bench().set(Bench.PERFORM);
        fixture.desk().undo();
        fixture.settle();
        assertThat(model.variants().get()).isEmpty();
        assertThat(model.matrix().get().orElseThrow().rows()).hasSize(1);
    }

    @Test
    void aLadderAndAnotherGuitarBecomeVariantsOfTheirOwn() throws IOException {
        fixture.keepTone(new Tone("rhythm", List.of(Block.of("instrument input"), Block.of("chiming edge"),
                Block.of("dynamic microphone").with(ControlNames.LEVEL, -12))), new GapLedger(List.of(), 0));
        VariantsModel model = new VariantsModel(fixture.desk());
        VariantMaker maker = new VariantMaker(fixture.desk(), model);
        model.turn("lead", GAIN, "9");
        maker.ladder("lead");
        fixture.settle();
        assertThat(model.variants().get()).extracting(v -> v.name()).containsExactly("lead", "lead 2 of 5",
                "lead 3 of 5", "lead 4 of 5");
        Path take = dir.resolve("quiet guitar.wav");
        Files.write(take, SoundWriter.encode(DeskFixture.notes(3, 0.4).gained(-8), SoundWriter.Format.WAV_24));
        maker.otherGuitar(take);
        fixture.settle();
        assertThat(model.find("quiet guitar").orElseThrow().settings().get(new ControlPlace("input", "level")))
                .isPositive();
    }

    @Test
    void byHandASwitchAndAValueOnTheDevicesScaleAreUnderstood() {
        keepTone();
        VariantsModel model = new VariantsModel(fixture.desk());
        VariantMaker maker = new VariantMaker(fixture.desk(), model);
        model.toggle("lead", "drive", true);
        model.turn("lead", new ControlPlace("echo", "sides"), "both");
        assertThat(model.said().get()).contains("ping-pong");
        model.turn("lead", GAIN, "half past two");
        fixture.settle();
        assertThat(model.variants().get().getFirst().settings()).containsEntry(GAIN, 7.5);
        assertThat(model.variants().get().getFirst().switches()).containsEntry("drive", true);
        model.turn("lead", GAIN, "99");
        assertThat(model.said().get()).contains("it goes from");
        maker.say("lead: greener");
        assertThat(maker.said().get()).contains("greener").contains("louder, softer, dirtier");
    }

    @Test
    void aLetterThatIsDraggedAsksForASoundThatStandsThere() {
        keepTone();
        VariantsModel model = new VariantsModel(fixture.desk());
        VariantMaker maker = new VariantMaker(fixture.desk(), model);
        look();
        maker.say("rhythm: softer");
        assertThat(maker.said().get()).contains("name of its own");
        maker.make(UsualPart.RHYTHM);
        fixture.settle();
        maker.move("rhythm 2", Noticed.LOUDNESS, -4);
        fixture.settle();
        maker.move("rhythm 2", Noticed.REPEATS, model.row("").orElseThrow().notices().of(Noticed.REPEATS).orElseThrow()
                - 6);
        fixture.settle();
        ToneNotices tone = model.row("").orElseThrow().notices();
        ToneNotices made = model.row("rhythm 2").orElseThrow().notices();
        assertThat(made.shown(Noticed.LOUDNESS, tone)).hasValueCloseTo(-4.0, within(0.2));
        assertThat(made.of(Noticed.REPEATS).orElseThrow() - tone.of(Noticed.REPEATS).orElseThrow())
                .isCloseTo(-6, within(0.3));
        maker.make(UsualPart.RHYTHM);
        fixture.settle();
        assertThat(model.variants().get()).extracting(v -> v.name()).containsExactly("rhythm 2", "rhythm 3");
    }

    @Test
    void aTimeThatIsANoteValueFollowsTheTempo() {
        keepTone();
        TimeModel model = new TimeModel(fixture.desk());
        look();
        model.setTempo("150");
        fixture.settle();
        assertThat(model.bound(TIME)).map(NoteSum::words).contains("dotted eighth");
        model.setTempo("120 BPM");
        assertThat(model.words(TIME)).contains("375 ms");
        model.bind(TIME, Optional.empty());
        assertThat(model.bound(TIME)).isEmpty();
        model.setTempo("1000");
        assertThat(model.said().get()).contains("20 to 400");
        model.setTempo("fast");
        assertThat(model.said().get()).contains("no number");
        assertThat(model.bpm()).contains(120.0);
    }

    @Test
    void theEchoAddsNotesBetweenTheTakesOwn() {
        keepTone();
        TimeModel model = new TimeModel(fixture.desk());
        look();
        model.setTempo("150");
        fixture.settle();
        TimeModel.Rhythm r = model.rhythm().get().orElseThrow();
        assertThat(r.plan().notes().stream().filter(n -> n.isPlayed()).count()).isBetween(8L, 11L);
        assertThat(r.plan().newAccents()).isNotEmpty();
        model.hear(Optional.of(r.choices().getFirst().value()));
        fixture.settle();
        assertThat(model.said().get()).contains("Heard: the echo on the");
    }

    @Test
    void aRangeIsFoundPutOnAPedalAndItsFaultsAreSaid() {
        keepTone();
        FootModel model = new FootModel(fixture.desk());
        assertThat(model.sweepable().get()).contains(new ControlPlace("echo", "mix"));
        model.keep("pedal 1");
        assertThat(model.said().get()).contains("Find a range first");
        model.find(new ControlPlace("echo", "mix"));
        fixture.settle();
        PedalRange r = model.found().get().orElseThrow();
        assertThat(r.isUseful()).isTrue();
        model.keep("pedal 1");
        assertThat(model.uses().get()).hasSize(1);
        fixture.desk().undo();
        assertThat(model.uses().get()).as("undone").isEmpty();
        fixture.desk().redo();
        assertThat(model.uses().get()).hasSize(1);
        new VariantsModel(fixture.desk()).toggle("dry", "echo", false);
        assertThat(model.faults()).singleElement().asString().contains("does nothing in dry");
        model.drop(model.uses().get().getFirst());
        assertThat(model.uses().get()).isEmpty();
    }

    @Test
    void theLoudestVariantIsHeldAgainstTheRoom() {
        keepTone();
        VariantsModel variants = new VariantsModel(fixture.desk());
        RoomModel model = new RoomModel(fixture.desk(), variants);
        look();
        variants.turn("loud", new ControlPlace("echo", "mix"), 60);
        fixture.settle();
        model.ceiling("94", "80");
        assertThat(model.said().get()).contains("where 80 are allowed").contains("turn everything down by");
        model.ceiling("80", "110");
        assertThat(model.said().get()).contains("stay within 110");
        model.ceiling("loud", "95");
        assertThat(model.said().get()).contains("dB(A)");
        model.ceiling("300", "95");
        assertThat(model.said().get()).contains("no stage is as soft or as loud");
    }

    @Test
    void aPedalIsTriedOnOtherAmpsAndOneAmpNeedsTwoTones() {
        fixture.keepTone(new Tone("t", List.of(Block.of("mid-hump overdrive"), Block.of("chiming edge"),
                Block.of("2×12 open"), Block.of("dynamic microphone"))), new GapLedger(List.of(), 0));
        fixture.book().keepRig(owning("mid-hump overdrive", "chiming edge", "small combo", "2×12 open",
                "dynamic microphone"));
        fixture.desk().refresh();
        fixture.settle();
        ElsewhereModel model = new ElsewhereModel(fixture.desk());
        model.onOtherAmps();
        fixture.settle();
        assertThat(model.pedals().get()).singleElement()
                .satisfies(l -> assertThat(l.words()).startsWith("small combo: ").contains("JND from the tone"));
        model.hear(model.pedals().get().getFirst().tone().orElseThrow());
        fixture.settle();
        model.oneAmp();
        fixture.settle();
        assertThat(model.said().get()).contains("fewer than two tones");
    }

    private static Rig owning(String... models) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        for (String m : models) counts.put(m, 1);
        return new Rig(List.of(), counts, Map.of(), 8);
    }

    @Test
    void whatWasRiddenNeedsARegionLongEnough() {
        keepTone();
        FootModel model = new FootModel(fixture.desk());
        model.follow();
        assertThat(model.said().get()).contains("Mark a region");
        fixture.mark();
        model.follow();
        fixture.settle();
        assertThat(fixture.desk().work().fault().get()).contains("six seconds");
        assertThat(model.ridden().get()).isEmpty();
    }

    @Test
    void aSongIsBuiltUpAndEveryChangeIsCounted() {
        keepTone();
        SongModel model = new SongModel(fixture.desk());
        new VariantsModel(fixture.desk()).toggle("lead", "drive", true);
        model.add("verse", "20");
        model.add("", "12.5");
        model.add("verse again", "-3");
        assertThat(model.said().get()).isNotEmpty();
        assertThat(model.song().get().parts()).extracting(p -> p.section().name()).containsExactly("verse",
                "section 2");
        model.play(1, "lead");
        assertThat(model.map().get().orElseThrow().moves()).isEqualTo(1);
        assertThat(model.words()).first().asString().contains("One foot move");
        model.change(SwitchWay.SEPARATE_BOXES);
        assertThat(model.map().get().orElseThrow().changes().getFirst().steps()).containsExactly("drive on");
        model.findFewer();
        fixture.settle();
        assertThat(model.words()).anySatisfy(w -> assertThat(w).contains("Without lead, the tone instead"));
        new VariantsModel(fixture.desk()).drop("lead");
        assertThat(model.map().get()).isEmpty();
        assertThat(model.said().get()).contains("there is no variant \"lead\"");
        fixture.desk().undo();
        assertThat(model.map().get()).isPresent();
    }

    @Test
    void fewerPartsAndAnotherDeviceAreWorkedOutForTheToneAsItIs() throws IOException {
        fixture.keepTone(new Tone("small", List.of(Block.of("small combo"), Block.of("2×12 open"),
                Block.of("dynamic microphone"), Block.of("clean echo").with(ControlNames.MIX, 20))),
                new GapLedger(List.of(), 0));
        ElsewhereModel model = new ElsewhereModel(fixture.desk());
        model.findBuilds();
        fixture.settle();
        assertThat(model.builds().get()).hasSizeGreaterThanOrEqualTo(2);
        Path device = dir.resolve("van.json");
        Files.writeString(device, "{\"schema\":\"verisonus.rig/1\",\"guitars\":[],\"blocks\":["
                + "{\"model\":\"open clean\",\"count\":1},{\"model\":\"2×12 open\",\"count\":1},"
                + "{\"model\":\"dynamic microphone\",\"count\":1}],\"limits\":{\"blocks\":3}}");
        model.translate(device);
        fixture.settle();
        ElsewhereModel.Device d = model.device().get().orElseThrow();
        assertThat(d.name()).isEqualTo("van");
        assertThat(d.translation().tone().blocks()).hasSize(3);
        fixture.keepTone(new Tone("other", List.of(Block.of("open clean"))), new GapLedger(List.of(), 0));
        assertThat(model.builds().get()).isEmpty();
        assertThat(model.device().get()).isEmpty();
    }

    @Test
    void aVariantComesNearToTheMarkedRegionOrSaysThatItNeedNot() {
        keepTone();
        VariantsModel variants = new VariantsModel(fixture.desk());
        VariantMaker model = new VariantMaker(fixture.desk(), variants);
        look();
        model.ringLike(dir.resolve("none.wav"));
        assertThat(model.said().get()).contains("Put a compressor in");
        model.fromRegion();
        assertThat(model.said().get()).contains("Mark in Listen");
        long record = fixture.open().first(Medium.Role.REFERENCE).orElseThrow().id();
        fixture.book().recordings().addRegion(record, Region.Role.CORE_TONE, 0.2, 3.4);
        fixture.desk().refresh();
        fixture.settle();
        model.fromRegion();
        fixture.settle();
        assertThat(model.said().get()).contains("steps").contains("0.2–3.4 s");
        boolean kept = variants.find("as at 0:00").isPresent();
        assertThat(model.said().get().contains("it needs no variant")).isEqualTo(!kept);
    }
}
