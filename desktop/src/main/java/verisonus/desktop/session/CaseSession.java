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
import verisonus.core.work.Progress;
import verisonus.desktop.desk.CaseAsItStands;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Sounds;

/** Tone and region of the open case; a changed tone is played, measured as the one before was, and kept with one undo step. */
public final class CaseSession {
    private final Desk desk;
    private final HeardTone heard;

    /** A change that meets a changed tone at its end begins again; a player does not turn faster than this many times. */
    private static final int MOST_TRIES = 5;

    /** A tone before and after it was changed. */
    public record Change(Tone before, Tone after) {}

    /**
     * A change that was asked for.
     *
     * @param accepted says whether it is kept, of the gaps before and after; empty: it is kept
     * @param handed the tone that it begins with; empty: the case's own, as it stands when its turn comes
     */
    private record Asked(ToneEdit edit, String what, Optional<BiPredicate<GapLedger, GapLedger>> accepted,
            Consumer<Change> kept, Optional<DerivedTone> handed, int triesLeft) {
        Asked oneTryLess() {
            return new Asked(edit, what, accepted, kept, handed, triesLeft - 1);
        }
    }

    /**
     * A changed tone.
     *
     * @param before what it was made of
     * @param beforeGap the gap of that when measured the same way, where it matters
     * @param sounds that were heard before
     */
    private record Tried(DerivedTone before, DerivedTone turned, Optional<GapLedger> beforeGap, Sounds sounds) {}

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
        return asItStands().flatMap(CaseAsItStands::wanted);
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

    /** Whether a search can begin, if need be after the best passage was found. */
    public boolean canBegin() {
        Sounds s = desk.sounds().get();
        return desk.open().get().isPresent() && s.reference().isPresent() && s.di().isPresent();
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

    /** The open case as it is now, for work that rests on it. */
    public Optional<CaseAsItStands> asItStands() {
        return desk.asItStands();
    }

    /** Measures a tone against the record as the kept ones are; needs record, take and region, else nothing happens. */
    void measure(DerivedTone tone, Consumer<GapLedger> then, Runnable otherwise) {
        Optional<HeardTone.Place> place = asItStands().flatMap(c -> place(c, tone));
        if (place.isEmpty()) return;
        desk.forTone("Measuring it anew", progress -> {
            ToneEvidence aim = heard.reference(place.get(), progress);
            return aim.gap(heard.whole(tone.tone(), place.get(), aim, progress));
        }).otherwise(_ -> otherwise.run()).show(then);
    }

    private static Optional<HeardTone.Place> place(CaseAsItStands c, DerivedTone before) {
        Sounds s = c.sounds();
        return c.region().filter(_ -> s.di().isPresent() && s.reference().isPresent())
                .map(r -> new HeardTone.Place(c.caseId(), before, r, s));
    }

    /** Changes the chain: it is played, measured anew and kept. */
    public void change(UnaryOperator<Tone> how, String what) {
        change(ToneEdit.of(how), what);
    }

    /** The same with a change that takes its time. */
    public void change(ToneEdit edit, String what) {
        change(edit, what, _ -> {});
    }

    /** The same. @param kept told of the tone before and after, once it is kept and while its case is open */
    public void change(ToneEdit edit, String what, Consumer<Change> kept) {
        if (tone().isPresent()) begin(new Asked(edit, what, Optional.empty(), kept, Optional.empty(), MOST_TRIES));
    }

    /** Tries a changed chain: it is heard, measured as the one before is, and kept only where the two gaps are accepted. */
    public void tryOut(ToneEdit edit, String what, BiPredicate<GapLedger, GapLedger> accepted) {
        if (tone().isPresent()) {
            begin(new Asked(edit, what, Optional.of(accepted), _ -> {}, Optional.empty(), MOST_TRIES));
        }
    }

    /** Takes a tone that was not searched for here: it is played, measured and kept. */
    public void take(DerivedTone handed, String what) {
        begin(new Asked(ToneEdit.of(t -> t), what, Optional.empty(), _ -> {}, Optional.of(handed), MOST_TRIES));
    }

    /** Keeps a tone with the open case at once; what is heard follows. */
    public void keep(DerivedTone tone, String what) {
        OpenCase c = desk.open().get().orElseThrow();
        desk.book().tones().keepTone(c.entry().id(), tone, what);
        desk.refresh();
    }

    private void begin(Asked asked) {
        asItStands().ifPresent(c -> desk.forCase("Measuring the change", p -> tried(asked, c, p))
                .keep(t -> t.ifPresent(tried -> finish(asked, c.caseId(), tried)))
                .begin());
    }

    /** On the worker: the tone as it stands now is changed, heard and measured; empty where there is none any more. */
    private Optional<Tried> tried(Asked asked, CaseAsItStands then, Progress progress) {
        Optional<DerivedTone> standing = asked.handed.or(() -> desk.book().tones().tone(then.caseId()));
        if (standing.isEmpty()) return Optional.empty();
        DerivedTone before = standing.get();
        CaseAsItStands now = desk.atItsTurn(then);
        Tone tone = asked.edit.on(before.tone(), now.sounds(), progress);
        boolean same = asked.handed.isEmpty() && tone.equals(before.tone());
        if (same) return Optional.empty();
        Optional<HeardTone.Place> place = place(now, before);
        if (place.isEmpty()) {
            return Optional.of(new Tried(before, before.turned(tone, before.gap()), Optional.empty(), now.sounds()));
        }
        ToneEvidence aim = heard.reference(place.get(), progress);
        if (asked.accepted.isEmpty()) {
            Evidence after = heard.whole(tone, place.get(), aim, progress);
            return Optional.of(new Tried(before, before.turned(tone, aim.gap(after)), Optional.empty(), now.sounds()));
        }
        Evidence was = heard.whole(before.tone(), place.get(), aim, progress);
        Evidence after = heard.after(before.tone(), was, tone, place.get(), aim, progress);
        return Optional.of(new Tried(before, before.turned(tone, aim.gap(after)),
                Optional.of(aim.gap(was).wanting(before.gap().wantedSo())), now.sounds()));
    }

    /** On the window's thread: keeps what was tried, or begins again where the tone was changed meanwhile. */
    private void finish(Asked asked, long caseId, Tried tried) {
        Optional<DerivedTone> stands = desk.book().tones().tone(caseId);
        boolean moved = asked.handed.isEmpty()
                && !stands.map(DerivedTone::tone).equals(Optional.of(tried.before.tone()));
        if (moved) {
            if (stands.isPresent() && asked.triesLeft > 1 && isOpen(caseId)) begin(asked.oneTryLess());
            return;
        }
        GapLedger gap = tried.turned.gap();
        // A judge that had to measure both is asked; where nothing could be measured, there is nothing to judge.
        boolean good = asked.accepted.isEmpty() || tried.beforeGap.isEmpty()
                || asked.accepted.get().test(tried.beforeGap.get(), gap);
        if (good) {
            // Locks and wishes that were set while it was measured stay as they are now.
            DerivedTone onto = asked.handed.or(() -> stands).orElseThrow();
            desk.book().tones().keepTone(caseId, onto.turned(tried.turned.tone(), gap), asked.what);
            if (isOpen(caseId)) asked.kept.accept(new Change(tried.before.tone(), tried.turned.tone()));
        } else {
            tried.sounds.mine().ifPresent(old -> desk.forCase("Taking it back", _ -> {
                desk.hearMine(caseId, old, tried.before.search().diStartS());
                return old;
            }).begin());
        }
    }

    private boolean isOpen(long caseId) {
        return desk.open().get().filter(o -> o.entry().id() == caseId).isPresent();
    }
}
