package verisonus.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Region;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.Evidence;
import verisonus.core.rig.Block;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.core.search.ToneEvidence;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.Sounds;

class HeardToneTest {
    private static final Tone CLEAN = new Tone("t", List.of(Block.of("open clean"), Block.of("2×12 open"),
            Block.of("dynamic microphone"), Block.of("clean echo").with("time", 300).with("mix", 20)));
    private static final Region REGION = new Region(1, 1, Region.Role.CORE_TONE, 0.5, 3.5);
    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private HeardTone heard;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
        heard = new HeardTone(fixture.desk());
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    private HeardTone.Place place(Region region, Sound take, double startS) {
        DerivedTone before = new DerivedTone(CLEAN, Optional.empty(), Locks.NONE, List.of(), List.of(),
                new GapLedger(List.of(), 0), new DerivedTone.Search(Pairing.SAME_PERFORMANCE, 1, 1, "", startS));
        Sounds here = fixture.desk().sounds().get();
        return new HeardTone.Place(1, before, region, new Sounds(here.reference(), Optional.of(take), Optional.empty(),
                Optional.empty(), Optional.empty(), startS));
    }

    private Sound take() {
        return fixture.desk().sounds().get().di().orElseThrow();
    }

    private ToneEvidence reference(HeardTone.Place p) {
        return heard.reference(p, Progress.NONE);
    }

    @Test
    void theReferenceIsMeasuredOnceForOneRegionAndTake() {
        Sound take = take();
        ToneEvidence first = reference(place(REGION, take, 0));
        assertThat(reference(place(REGION, take, 0))).isSameAs(first);
    }

    @Test
    void anotherRegionAnotherTakeOrAnotherPlaceOfItIsMeasuredAnew() {
        Sound take = take();
        ToneEvidence first = reference(place(REGION, take, 0));
        Region later = new Region(1, 1, Region.Role.CORE_TONE, 1, 3.5);
        assertThat(reference(place(later, take, 0))).isNotSameAs(first);
        ToneEvidence again = reference(place(REGION, take, 0));
        assertThat(reference(place(REGION, take.gained(-6), 0))).isNotSameAs(again);
        ToneEvidence once = reference(place(REGION, take, 0));
        assertThat(reference(place(REGION, take, 0.1))).isNotSameAs(once);
    }

    @Test
    void afterAControlWasTurnedTheEchoIsWhatItWas() {
        HeardTone.Place p = place(REGION, take(), 0);
        ToneEvidence aim = reference(p);
        Evidence was = heard.whole(CLEAN, p, aim, Progress.NONE);
        Tone louder = CLEAN.with(CLEAN.find("amp").orElseThrow().with("gain", 8));
        Evidence now = heard.after(CLEAN, was, louder, p, aim, Progress.NONE);
        assertThat(now.echo()).isSameAs(was.echo());
        assertThat(now.reverb()).isSameAs(was.reverb());
        assertThat(now.spectrum().levelDb()).isNotEqualTo(was.spectrum().levelDb());
    }

    @Test
    void afterTheEchoWasTurnedItIsReadAnew() {
        HeardTone.Place p = place(REGION, take(), 0);
        ToneEvidence aim = reference(p);
        Evidence was = heard.whole(CLEAN, p, aim, Progress.NONE);
        Tone wetter = CLEAN.with(CLEAN.find("echo").orElseThrow().with("mix", 40));
        assertThat(heard.after(CLEAN, was, wetter, p, aim, Progress.NONE).echo()).isNotSameAs(was.echo());
    }
}
