package verisonus.desktop.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.Medium;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.trial.rate.RatingTrial;
import verisonus.core.trial.train.Skill;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.player.Source;

class EarModelsTest {
    private static final Tone TONE = new Tone("t", List.of(Block.of("mid-forward crunch").with("gain", 4), Block.of(
            "2×12 open"), Block.of("dynamic microphone")));

    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private Candidates candidates;
    private OpenModel open;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        fixture.keepTone(TONE, new GapLedger(List.of(new GapRow(GapAttribute.BITE, "dB", 0, 3, 1, "amp", "down", true)),
                3));
        fixture.desk().bench().set(Bench.TRIAL);
        candidates = new Candidates(fixture.desk());
        open = new OpenModel(fixture.desk(), candidates);
    }

    @AfterEach
    void close() {
        fixture.desk().player().stop();
        fixture.close();
    }

    private long id() {
        return fixture.open().entry().id();
    }

    private List<String> offered() {
        return candidates.all().get().stream().map(Candidates.Offer::name).toList();
    }

    @Test
    void everythingThatSoundsIsOfferedOnce() {
        assertThat(offered()).containsExactly("the record", "mine", "the dry take", "the neutral start");
        Tone other = TONE.with(TONE.find("amp").orElseThrow().with("treble", 9));
        fixture.keepTone(other, new GapLedger(List.of(), 1));
        assertThat(offered()).hasSize(5).anyMatch(n -> n.startsWith("mine of "));
    }

    @Test
    void whatIsHeardLiesAsLoudAsTheOthersAndIsSwitchedWhereTheMusicStands() {
        open.hear("mine");
        fixture.settle();
        MatchedSounds m = open.laid().get().orElseThrow();
        assertThat(m.candidates()).hasSize(4);
        double first = LoudnessMeter.integratedLufs(m.first()).orElseThrow();
        for (int i = 1; i < 4; i++)
            assertThat(LoudnessMeter.integratedLufs(m.sound(i)).orElseThrow()).isCloseTo(first, within(0.1));
        assertThat(open.heardName()).isEqualTo("mine");
        double before = fixture.desk().player().positionS().get();
        open.hear("the dry take");
        assertThat(open.heard()).isEqualTo(2);
        fixture.desk().player().tick();
        assertThat(fixture.desk().player().positionS().get()).isGreaterThanOrEqualTo(before);
        open.leave();
        assertThat(fixture.desk().player().has(Source.slot(0))).isFalse();
        assertThat(fixture.desk().player().source().get()).isEqualTo(Source.REFERENCE);
    }

    @Test
    void howFarEachLiesAndWhereIsMeasuredWhileTheyAreHeard() {
        open.hear("mine");
        fixture.settle();
        OpenModel.Compared c = open.compared().get().orElseThrow();
        // The fixture's record is its take.
        assertThat(c.jnd("the dry take")).hasValueCloseTo(0.0, within(0.05));
        assertThat(c.jnd("mine").orElseThrow()).isGreaterThan(1);
        assertThat(open.course().orElseThrow().largest()).isPresent();
        assertThat(open.heading().orElseThrow()).contains("bite").contains("0:0");
    }

    @Test
    void marksSayWhatDiffersAndTwinsAreTold() {
        open.hear("the dry take");
        fixture.settle();
        // The fixture's record is its take: nothing to hear, and said so.
        assertThat(open.said().get()).contains("The dry take is the same as the record");
        open.mark();
        assertThat(open.marks().get()).singleElement().asString().contains("no part of the sound differs");
        open.hear("mine");
        open.largest();
        assertThat(open.marks().get()).hasSizeGreaterThan(1).last().asString().contains("dB louder in");
        open.toggleOnlyDifference();
        fixture.settle();
        assertThat(open.onlyWhatDiffers().get()).isTrue();
        assertThat(open.said().get()).contains("what only mine has");
        open.toggleOnlyDifference();
        assertThat(open.heardName()).isEqualTo("mine");
    }

    @Test
    void aRatingGoesRoundByRoundAndIsKept() {
        open.choose("the neutral start", true);
        RatingModel rating = new RatingModel(fixture.desk(), open, new SplittableRandom(3));
        rating.rounds().set(3);
        rating.begin();
        fixture.settle();
        assertThat(rating.running().get()).isTrue();
        rating.next();
        assertThat(rating.said().get()).contains("Hear A first");
        while (rating.running().get()) {
            RatingTrial t = rating.current().get().orElseThrow().value();
            List<Integer> order = t.order(t.given().size());
            for (int place = 1; place <= t.sounds(); place++) {
                rating.hear(place);
                rating.rate(place, order.get(place - 1) == 0 ? 98 : 60 - 12 * order.get(place - 1));
            }
            rating.next();
            fixture.settle();
        }
        RatingTrial done = fixture.book().listening().ratings(id()).getFirst().value();
        assertThat(done.isEnded()).isTrue();
        assertThat(done.given()).hasSize(3).allSatisfy(r -> assertThat(r).containsExactly(98, 48, 36, 24));
        assertThat(fixture.book().logbook().getFirst().text()).startsWith("Rated 2 sounds");
    }

    @Test
    void aRatingThatWasLeftGoesOnAndOneGivenUpIsVoid() {
        RatingModel rating = new RatingModel(fixture.desk(), open, new SplittableRandom(3));
        rating.begin();
        fixture.settle();
        rating.pause();
        assertThat(fixture.desk().player().blind().get()).isFalse();
        RatingModel again = new RatingModel(fixture.desk(), open, new SplittableRandom(99));
        again.begin();
        fixture.settle();
        assertThat(again.running().get()).isTrue();
        assertThat(fixture.book().listening().ratings(id())).hasSize(1);
        again.giveUp();
        fixture.settle();
        assertThat(fixture.book().listening().ratings(id())).isEmpty();
    }

    @Test
    void pickingHearsWhatIsOwnedAndEndsWithTwo() {
        PickingModel picking = new PickingModel(fixture.desk(), new SplittableRandom(4));
        picking.begin();
        fixture.settle();
        assertThat(picking.running().get()).isTrue();
        for (int i = 0; picking.running().get() && i < 40; i++) picking.answer(i % 3 == 0);
        fixture.settle();
        assertThat(picking.running().get()).isFalse();
        assertThat(picking.current().get().orElseThrow().value().isEnded()).isTrue();
        assertThat(fixture.book().logbook().getFirst().text()).startsWith("Picked ");
    }

    @Test
    void responsesOfAFolderArePickedAmongToo() throws IOException {
        Path folder = Files.createDirectory(dir.resolve("responses"));
        for (int k = 0; k < 3; k++) {
            float[] x = new float[4800];
            for (int i = 0; i < x.length; i++)
                x[i] = (float) (0.5 * Math.exp(-i / (20.0 + 60 * k)) * Math.cos(i * 0.05 * (k
                        + 1)));
            write("responses/r" + k + ".wav", Sound.mono(x, 48000));
        }
        PickingModel picking = new PickingModel(fixture.desk(), new SplittableRandom(4));
        picking.among().set(PickingModel.Among.RESPONSES);
        picking.chooseFolder(folder);
        picking.begin();
        fixture.settle();
        assertThat(picking.current().get().orElseThrow().value().candidates()).hasSize(3).allMatch(c -> c.name()
                .endsWith(".wav"));
        picking.giveUp();
        picking.among().set(PickingModel.Among.AMPS);
        picking.begin();
        fixture.settle();
        assertThat(picking.current().get().orElseThrow().value().candidates().getFirst().name()).isEqualTo(
                "mid-forward crunch");
        picking.pause();
    }

    @Test
    void aStepIsAskedForOnTheTracksOwnPlaceAndGoesOnLater() {
        StepModel steps = new StepModel(fixture.desk(), new SplittableRandom(5));
        assertThat(steps.places().get()).contains(ControlPlace.parse("amp/gain"));
        steps.begin(ControlPlace.parse("amp/gain"));
        fixture.settle();
        for (int i = 0; i < 3; i++) {
            steps.hear(1);
            steps.answer(true);
            fixture.settle();
        }
        assertThat(steps.current().get().orElseThrow().value().search().answers()).hasSize(3);
        steps.pause();
        StepModel again = new StepModel(fixture.desk(), new SplittableRandom(6));
        again.begin(ControlPlace.parse("amp/gain"));
        fixture.settle();
        again.answer(false);
        assertThat(fixture.book().listening().steps()).singleElement()
                .satisfies(k -> assertThat(k.value().search().answers()).hasSize(4));
        assertThat(again.found()).isEmpty();
    }

    @Test
    void trainingCountsEveryAnswerAndStopsWhenItIsLeft() {
        LessonModel lesson = new LessonModel(fixture.desk(), new SplittableRandom(7), Clock.systemUTC());
        lesson.train(Skill.AMOUNT, false);
        lesson.begin();
        fixture.settle();
        int right = lesson.exercise().get().orElseThrow().right();
        lesson.answer(right);
        fixture.settle();
        assertThat(lesson.verdict().get()).startsWith("Yes,").contains("1 of 1 right");
        lesson.answer((lesson.exercise().get().orElseThrow().right() + 1) % 2);
        fixture.settle();
        assertThat(lesson.verdict().get()).startsWith("No, it was");
        lesson.end();
        assertThat(fixture.book().listening().scores()).hasSize(2).first().matches(s -> s.right());
        assertThat(fixture.desk().player().has(Source.slot(0))).isFalse();
    }

    private void write(String name, Sound sound) throws IOException {
        Files.write(dir.resolve(name), SoundWriter.encode(sound, SoundWriter.Format.WAV_24));
    }

    @Test
    void aPartBroughtAlongIsLaidOverMine() throws IOException {
        LayersModel layers = new LayersModel(fixture.desk(), candidates);
        layers.find();
        assertThat(layers.said().get()).contains("Bring another part");
        write("keys.wav", fixture.desk().sounds().get().mine().orElseThrow().gained(20));
        layers.bring(dir.resolve("keys.wav"));
        fixture.settle();
        assertThat(layers.parts().get()).containsExactly("mine", "keys.wav");
        layers.find();
        fixture.settle();
        assertThat(layers.found().get().orElseThrow().hidden()).isNotEmpty()
                .allSatisfy(m -> assertThat(m.hider()).isEqualTo("keys.wav"));
    }

    @Test
    void aSecondChainIsFoundAndHeardAsMine() {
        LayersModel layers = new LayersModel(fixture.desk(), candidates);
        layers.findChain();
        fixture.settle();
        assertThat(layers.chains().get()).isNotEmpty();
        layers.hear(layers.chains().get().getFirst());
        fixture.settle();
        assertThat(layers.said().get()).contains("at the right");
    }

    @Test
    void theWalkIsTickedAndARecordingOfTheRigSaysWhatToNudge() throws IOException {
        SetUpModel walk = new SetUpModel(fixture.desk());
        assertThat(walk.next()).isPresent();
        walk.tick(walk.next().orElseThrow(), true);
        assertThat(walk.done()).isEqualTo(1);
        assertThat(new SetUpModel(fixture.desk()).done()).isEqualTo(1);
        Tone real = TONE.with(TONE.find("amp").orElseThrow().with("treble", 9));
        write("rig.wav", Renderer.render(real, fixture.desk().sounds().get().di().orElseThrow(), Optional.empty(),
                Quality.FINAL, Progress.NONE));
        walk.compare(dir.resolve("rig.wav"));
        fixture.settle();
        assertThat(walk.turns()).isNotEmpty().first().asString().startsWith("amp treble: seems to stand at");
        assertThat(walk.said().get()).contains("record it once more");
    }

    @Test
    void rigsAreAnOfferToTheEarsAndKeepTheirFeel() {
        fixture.keepTone(TONE.inserted(Block.of("clean echo"), 3), new GapLedger(List.of(), 1));
        RigsModel rigs = new RigsModel(fixture.desk(), candidates);
        rigs.find();
        fixture.settle();
        assertThat(rigs.rows().get()).hasSizeGreaterThanOrEqualTo(2);
        RigsModel.Row less = rigs.rows().get().getLast();
        assertThat(less.name()).isEqualTo("without the clean echo");
        assertThat(offered()).contains(less.name());
        rigs.feels(less, 4);
        fixture.settle();
        assertThat(rigs.rows().get().getLast().feel()).hasValue(4);
    }

    @Test
    void aSecondTakeStandsAtTheOtherSide() {
        fixture.book().recordings().addMedium(id(), Medium.Role.DI, "di 2.wav",
                SoundWriter.encode(DeskFixture.notes(4, 0.41),
                        SoundWriter.Format.WAV_24));
        fixture.desk().refresh();
        fixture.settle();
        assertThat(offered()).contains("mine, a take a side");
    }
}
