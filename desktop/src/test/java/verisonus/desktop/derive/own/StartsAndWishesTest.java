package verisonus.desktop.derive.own;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.sheet.ToneSheet;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Medium;
import verisonus.core.evidence.words.Trait;
import verisonus.core.perform.wish.StartSound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.session.CaseSession;

/** A case with a take and no record: from what its tone begins and where it is moved. */
class StartsAndWishesTest {
    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private StartsModel starts;
    private WishModel wish;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        long id = fixture.desk().addCase("Own");
        fixture.settle();
        fixture.book().recordings().addMedium(id, Medium.Role.DI, "di.wav",
                SoundWriter.encode(DeskFixture.notes(4, 0.4), SoundWriter.Format.WAV_16));
        fixture.desk().refresh();
        fixture.settle();
        CaseSession session = new CaseSession(fixture.desk());
        starts = new StartsModel(session);
        wish = new WishModel(session);
        starts.play();
        fixture.settle();
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    private DerivedTone tone() {
        return fixture.open().tone().orElseThrow();
    }

    @Test
    void wordsPutWhatFitsThemFirst() {
        assertThat(starts.isAsked()).isTrue();
        List<StartSound> bright = starts.sorted("bright");
        List<StartSound> dark = starts.sorted("less bright");
        assertThat(bright).hasSameSizeAs(starts.sorted("")).hasSizeGreaterThan(20);
        assertThat(centre(bright.subList(0, 5))).isGreaterThan(centre(dark.subList(0, 5)));
        assertThat(starts.sorted("no such sound")).isEmpty();
    }

    private static double centre(List<StartSound> some) {
        return some.stream().mapToDouble(s -> s.traits().getOrDefault(Trait.CENTRE, 0.0)).average().orElse(0);
    }

    @Test
    void whatIsBegunHasNoGapAndIsNeverCalledNear() {
        starts.begin(starts.sorted("").get(1));
        fixture.settle();
        assertThat(tone().isOwn()).isTrue();
        assertThat(tone().gap().isMeasured()).isFalse();
        assertThat(ToneSheet.verdict(tone())).contains("no record");
        assertThat(fixture.desk().cases()).anySatisfy(c -> {
            assertThat(c.entry().name()).isEqualTo("Own");
            assertThat(c.gapJnd()).isEmpty();
        });
        assertThat(fixture.desk().sounds().get().mine()).as("it is heard").isPresent();
    }

    @Test
    void hearingOneKeepsNothing() {
        starts.hear(starts.sorted("").get(2));
        fixture.settle();
        assertThat(fixture.open().tone()).isEmpty();
        assertThat(starts.heard().get()).contains(starts.sorted("").get(2));
    }

    @Test
    void aWishMovesTheToneAndIsTakenBack() {
        starts.begin(starts.sorted("").get(1));
        fixture.settle();
        var begun = tone().tone();
        wish.louderLu().set(3);
        wish.grant();
        fixture.settle();
        assertThat(tone().tone()).isNotEqualTo(begun);
        assertThat(wish.standing().orElseThrow().granted().isMet()).isTrue();
        assertThat(wish.louderLu().get()).as("at rest again").isZero();
        wish.takeBack();
        fixture.settle();
        assertThat(tone().tone()).isEqualTo(begun);
        assertThat(wish.standing()).isEmpty();
    }

    @Test
    void whatWasPlayedOnAnotherCasesTakeIsNoneOfThisOnes() {
        assertThat(starts.current()).isPresent();
        long other = fixture.desk().addCase("Other take");
        fixture.settle();
        fixture.book().recordings().addMedium(other, Medium.Role.DI, "other.wav",
                SoundWriter.encode(DeskFixture.notes(3, 0.3), SoundWriter.Format.WAV_16));
        fixture.desk().refresh();
        fixture.settle();
        assertThat(starts.isAsked()).isTrue();
        assertThat(starts.current()).isEmpty();
        assertThat(starts.sorted("")).isEmpty();
        starts.play();
        fixture.settle();
        assertThat(starts.sorted("")).isNotEmpty();
    }

    @Test
    void aPlayingThatIsCancelledIsSaidAndCanBeAskedForAgain() {
        fixture.desk().addCase("Third");
        fixture.settle();
        fixture.book().recordings().addMedium(fixture.open().entry().id(), Medium.Role.DI, "third.wav",
                SoundWriter.encode(DeskFixture.notes(3, 0.2), SoundWriter.Format.WAV_16));
        fixture.desk().refresh();
        fixture.settle();
        starts.play();
        fixture.desk().work().cancel();
        fixture.settle();
        assertThat(starts.current().isPresent()).isNotEqualTo(starts.stopped().get());
        starts.play();
        fixture.settle();
        assertThat(starts.current()).isPresent();
        assertThat(starts.stopped().get()).isFalse();
    }

    @Test
    void aWishThatNothingCanMeetIsAnswered() {
        starts.begin(starts.sorted("").get(0));
        fixture.settle();
        DerivedTone begun = tone();
        wish.dirtBy().set(-0.3);
        wish.grant();
        fixture.settle();
        assertThat(wish.standing()).as("said, though nothing was turned").isPresent();
        assertThat(wish.standing().orElseThrow().granted().against()).isNotEmpty();
        assertThat(tone().tone().blocks()).hasSameSizeAs(begun.tone().blocks());
    }

    @Test
    void whatCannotBeUnderstoodIsSaid() {
        starts.begin(starts.sorted("").get(1));
        fixture.settle();
        wish.words().set("zzz");
        wish.grant();
        assertThat(wish.said().get()).contains("not a word known here");
        wish.words().set("");
        wish.grant();
        assertThat(wish.said().get()).contains("Say how it should sound");
    }
}
