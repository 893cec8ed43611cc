package verisonus.desktop.session;

import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.Evidence;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.ToneEvidence;
import verisonus.core.sound.Sound;
import verisonus.core.take.StandInTake;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Sounds;

/** Tone and region of the open case; a changed tone is played, measured as the one before was, and kept with one undo step. */
public final class CaseSession {
    private final Desk desk;
    private final HeardTone heard;

    /** A changed tone and, where it matters, the gap that the one before has when measured the same way. */
    private record Tried(DerivedTone turned, Optional<GapLedger> before) {}

    public CaseSession(Desk desk) {
        this.desk = desk;
        heard = new HeardTone(desk);
    }

    public Desk desk() {
        return desk;
    }

    public Rig rig() {
        return desk.rig().get();
    }

    /** The tone with all that was found out about it. */
    public Optional<DerivedTone> tone() {
        return desk.open().get().flatMap(OpenCase::tone);
    }

    /** The settings alone. */
    public Optional<Tone> settings() {
        return tone().map(DerivedTone::tone);
    }

    public Optional<Region> region() {
        return desk.open().get().flatMap(OpenCase::region);
    }

    /** The whole dry take. */
    public Optional<Sound> di() {
        return desk.sounds().get().di();
    }

    /** The studied part of the reference. */
    public Optional<Sound> wanted() {
        return region().flatMap(r -> desk.sounds().get().reference().map(s -> s.slice(r.fromS(), r.toS())));
    }

    /** Whether the tone is still these settings: an answer that took a while may have been overtaken. */
    public boolean isStill(Tone tone) {
        return settings().filter(tone::equals).isPresent();
    }

    /** Why nothing can be derived yet, in the player's words; empty where it can. */
    public String missing() {
        Sounds s = desk.sounds().get();
        if (desk.open().get().isEmpty()) return "Open a case first.";
        if (s.reference().isEmpty()) return "Add a recording with the wanted sound.";
        if (s.di().isEmpty())
            return "Add a dry take of your guitar, best of the same phrase. Until then Measure says what the recording alone"
                    + " shows, and a stand-in can play for a first rough sketch.";
        if (region().isEmpty()) return "Mark a region in which the guitar stands alone, on the Listen bench.";
        return "";
    }

    /** Whether nobody's guitar stands in for the player's. */
    public boolean hasStandIn() {
        return desk.open().get().flatMap(o -> o.first(Medium.Role.DI)).filter(m -> m.title().equals(StandInTake.NAME))
                .isPresent();
    }

    /** Whether a recording is what is missing, rather than a case or a region. */
    public boolean lacksRecording() {
        Sounds s = desk.sounds().get();
        return desk.open().get().isPresent() && (s.reference().isEmpty() || s.di().isEmpty());
    }

    /** Measures a tone against the record as the kept ones are; needs record, take and region, else nothing happens. */
    void measure(DerivedTone tone, Consumer<GapLedger> then) {
        Optional<Region> region = region();
        Sounds s = desk.sounds().get();
        if (s.di().isEmpty() || s.reference().isEmpty() || region.isEmpty()) return;
        HeardTone.Place place = new HeardTone.Place(tone, region.get(), s);
        desk.work().run("Measuring it anew", progress -> {
            ToneEvidence aim = heard.reference(place, progress);
            return aim.gap(heard.whole(tone.tone(), place, aim, progress));
        }, then::accept);
    }

    /** Takes a changed chain: it is played, measured anew and kept. */
    public void change(Tone changed, String what) {
        tone().ifPresent(t -> retone(t, changed, what, Optional.empty()));
    }

    /** The same, as an operation on the settings as they stand. */
    public void change(UnaryOperator<Tone> how, String what) {
        settings().ifPresent(t -> change(how.apply(t), what));
    }

    /** Tries a changed chain: it is heard, measured as the one before is, and kept only where the two gaps are accepted. */
    public void tryOut(Tone changed, String what, BiPredicate<GapLedger, GapLedger> accepted) {
        tone().ifPresent(t -> retone(t, changed, what, Optional.of(accepted)));
    }

    /** Takes a tone that was not searched for here: it is played, measured and kept. */
    public void take(DerivedTone handed, String what) {
        retone(handed, handed.tone(), what, Optional.empty());
    }

    /** Keeps a tone with the open case; what is heard follows. */
    public void keep(DerivedTone tone, String what) {
        OpenCase c = desk.open().get().orElseThrow();
        desk.book().tones().keepTone(c.entry().id(), tone, what);
        desk.refresh();
    }

    private void retone(DerivedTone before, Tone tone, String what,
            Optional<BiPredicate<GapLedger, GapLedger>> accepted) {
        OpenCase c = desk.open().get().orElseThrow();
        Sounds s = desk.sounds().get();
        if (s.di().isEmpty() || s.reference().isEmpty() || c.region().isEmpty()) {
            keep(before.turned(tone, before.gap()), what);
            return;
        }
        HeardTone.Place place = new HeardTone.Place(before, c.region().get(), s);
        desk.work().run("Measuring the change", progress -> {
            ToneEvidence aim = heard.reference(place, progress);
            if (accepted.isEmpty()) {
                Evidence now = heard.whole(tone, place, aim, progress);
                return new Tried(before.turned(tone, aim.gap(now)), Optional.empty());
            }
            Evidence was = heard.whole(before.tone(), place, aim, progress);
            Evidence now = heard.after(before.tone(), was, tone, place, aim, progress);
            return new Tried(before.turned(tone, aim.gap(now)),
                    Optional.of(aim.gap(was).wanting(before.gap().wantedSo())));
        }, tried -> {
            boolean good = accepted.isEmpty() || accepted.get().test(tried.before.orElseThrow(), tried.turned.gap());
            if (good) {
                keep(tried.turned, what);
            } else {
                s.mine().ifPresent(old -> desk.work().run("Taking it back", _ -> {
                    desk.hearMine(old, before.search().diStartS());
                    return old;
                }, _ -> {
                    // Heard again, and nothing was kept.
                }));
            }
        });
    }
}
