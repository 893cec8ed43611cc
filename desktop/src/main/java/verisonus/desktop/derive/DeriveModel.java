package verisonus.desktop.derive;

import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import verisonus.casebook.exchange.ImpulseFolder;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Region;
import verisonus.core.advise.Contributions;
import verisonus.core.advise.Sketch;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Evidence;
import verisonus.core.feel.FairSwap;
import verisonus.core.feel.HeldConstant;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.Derivation;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.ToneEvidence;
import verisonus.core.search.ToneSearch;
import verisonus.core.sound.Sound;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Sounds;

/** The tone of the open case: derived, locked, turned by hand. */
public final class DeriveModel {
    private final Desk desk;
    private final SearchChoices choices = new SearchChoices();
    private final AdviceModel advice = new AdviceModel(this);

    private final ChainEdits chain = new ChainEdits(this);
    /** Contributions with the tone that they were worked out of. */
    record Weighed(Tone tone, Contributions contributions) {}

    private final ReadOnlyObjectWrapper<Optional<Weighed>> weighed = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final Set<String> whole = new HashSet<>();
    private final ReadOnlyIntegerWrapper shown = new ReadOnlyIntegerWrapper();
    private final HeardTone heard;
    private final ObjectProperty<HeldConstant> keeping = new SimpleObjectProperty<>(HeldConstant.NOTHING);

    private final ReadOnlyObjectWrapper<Optional<Spectra>> spectra = new ReadOnlyObjectWrapper<>(Optional.empty());

    public DeriveModel(Desk desk) {
        this.desk = desk;
        heard = new HeardTone(desk);
        desk.sounds().subscribe(this::compareSpectra);
        desk.open().subscribe(o -> o.flatMap(OpenCase::tone)
                .ifPresent(t -> choices.goal().set(t.remarks().goal())));
        choices.goal().subscribe(g -> tone().filter(t -> t.remarks().goal() != g)
                .ifPresent(t -> keep(t.aiming(g), "Goal: " + g.words())));
    }

    private void compareSpectra(Sounds s) {
        if (s.mine().isEmpty() || s.reference().isEmpty() || region().isEmpty()) {
            spectra.set(Optional.empty());
            return;
        }
        Region r = region().get();
        double from = r.fromS() - s.diStartS();
        desk.work().run("Comparing spectra", _ -> Spectra.of(s.reference().get().slice(r.fromS(), r.toS()),
                s.mine().get().slice(from, from + r.lengthS())), made -> spectra.set(Optional.of(made)));
    }

    ReadOnlyObjectProperty<Optional<Spectra>> spectra() {
        return spectra.getReadOnlyProperty();
    }

    /** Why nothing can be derived yet, in the player's words; empty where it can. */
    public String missing() {
        Sounds s = desk.sounds().get();
        if (desk.open().get().isEmpty()) return "Open a case first.";
        if (s.reference().isEmpty()) return "Add a recording with the wanted sound.";
        if (s.di().isEmpty())
            return "Add a dry take of your guitar, best of the same phrase. Until then Measure says what the recording alone"
                    + " shows.";
        if (region().isEmpty()) return "Mark a region in which the guitar stands alone, on the Listen bench.";
        return "";
    }

    /** Whether a recording is what is missing, rather than a case or a region. */
    boolean lacksRecording() {
        Sounds s = desk.sounds().get();
        return desk.open().get().isPresent() && (s.reference().isEmpty() || s.di().isEmpty());
    }

    private Optional<Region> region() {
        return desk.open().get().flatMap(OpenCase::region);
    }

    public Optional<DerivedTone> tone() {
        return desk.open().get().flatMap(OpenCase::tone);
    }

    public List<SettingRow> settings() {
        return tone().map(t -> SettingRow.of(t, whole)).orElse(List.of());
    }

    /** Changes to what stands in the chain. */
    public ChainEdits chain() {
        return chain;
    }

    /** Whether all settings of a block are shown, also those that have not been moved. */
    boolean isWhole(Block block) {
        return whole.contains(block.id());
    }

    void showWhole(Block block, boolean all) {
        if (all) {
            whole.add(block.id());
        } else {
            whole.remove(block.id());
        }
        shown.set(shown.get() + 1);
    }

    /** Works out what each block contributes to the tone as it stands. */
    void weigh() {
        Sounds s = desk.sounds().get();
        if (tone().isEmpty() || s.di().isEmpty()) return;
        Tone now = tone().get().tone();
        desk.work().run("Weighing the blocks",
                p -> Contributions.of(now, s.di().get(), desk.secondTake(), p),
                c -> weighed.set(Optional.of(new Weighed(now, c))));
    }

    /** What each block contributes; empty until asked, and once the tone has changed since. */
    Optional<Contributions> contributions() {
        return weighed.get().filter(w -> tone().map(DerivedTone::tone).filter(w.tone::equals).isPresent())
                .map(Weighed::contributions);
    }

    ReadOnlyObjectProperty<Optional<Weighed>> weighed() {
        return weighed.getReadOnlyProperty();
    }

    /** Changes whenever more or less of the same tone is to be shown. */
    ReadOnlyIntegerProperty shown() {
        return shown.getReadOnlyProperty();
    }

    /** The studied part of the reference. */
    Optional<Sound> wanted() {
        return region().flatMap(r -> desk.sounds().get().reference().map(s -> s.slice(r.fromS(), r.toS())));
    }

    /** Puts a measured response in the place of a cabinet and the microphone before it, which it has in it. */
    void takeImpulse(Block cabinet, Path file) {
        tone().ifPresent(t -> desk.work().run("Reading " + file.getFileName(), _ -> ImpulseFolder.impulse(file),
                impulse -> {
                    Block box = cabinet.exchangedFor(Gear.model("impulse response")).with(impulse);
                    Tone changed = t.tone().with(box);
                    for (Block b : t.tone().main()) {
                        if (b.model().kind() == GearKind.MICROPHONE) changed = changed.with(b.switched(false));
                    }
                    change(changed, impulse.name() + " for " + cabinet.model().name());
                }));
    }

    /** Takes a changed chain: it is played, measured anew and kept. */
    void change(Tone changed, String what) {
        tone().ifPresent(t -> retone(t, changed, what));
    }

    /** Searches for a tone; locked controls keep their value, a cancelled search keeps the best so far. */
    public void derive() {
        if (!missing().isEmpty()) return;
        OpenCase c = desk.open().get().orElseThrow();
        Region region = c.region().orElseThrow();
        Sounds s = desk.sounds().get();
        Sound wanted = s.reference().orElseThrow().slice(region.fromS(), region.toS());
        Sound di = s.di().orElseThrow();
        Optional<DerivedTone> before = c.tone();
        SearchOptions chosen = choices.options(c, rig(), desk.book());
        boolean common = choices.aim().get() == SearchChoices.Aim.COMMON;
        desk.work().run("Deriving", progress -> {
            SearchOptions options = common
                    ? chosen.wishing(chosen.wishes().alsoNear(SearchChoices.others(c, desk.book())))
                    : chosen;
            Derivation d = new ToneSearch(wanted, di, options, desk.work().helpers(), progress).run();
            return DerivedTone.of(d, before.map(DerivedTone::tone), options.locked(), region.fromS(), rig(),
                    choices.goal().get())
                    .sketched(Sketch.of(s.reference().orElseThrow(), region.fromS(), region.toS(), d));
        }, derived -> {
            desk.book().keepTone(c.entry().id(), derived, String.format(Locale.ROOT,
                    "Derived a tone for %s: %.1f JND off", c.entry().name(), derived.gap().scoreJnd()));
            desk.refresh();
        });
    }

    /** Locks a control at its value, or lets it go again. */
    public void toggleLock(SettingRow row) {
        tone().ifPresent(t -> {
            boolean now = !t.locked().holds(row.place());
            keep(t.locking(t.locked().with(row.place(), now)), (now ? "Locked " : "Unlocked ") + words(row));
        });
    }

    /** Sets a control by hand; mine is played and measured anew. */
    public void turn(SettingRow row, double value) {
        Optional<DerivedTone> before = tone();
        if (before.isEmpty() || Math.abs(value - row.value()) < 1e-9) return;
        String what = words(row) + " to " + rig().display(row.block().model(), row.control(), value);
        Tone now = before.get().tone();
        Optional<Sound> di = desk.sounds().get().di();
        HeldConstant stays = di.isEmpty() ? HeldConstant.NOTHING : keeping.get();
        if (stays == HeldConstant.NOTHING) {
            retone(before.get(), now.with(row.block().with(row.control().name(), value)), what);
            return;
        }
        desk.work().run("Balancing the change",
                _ -> new FairSwap(di.get()).turned(now, row.block(), row.control().name(), value, stays,
                        before.get().locked()),
                balanced -> {
                    // What was changed in the meantime stands; the turn was meant for what it was before.
                    boolean asItWas = tone().map(DerivedTone::tone).filter(now::equals).isPresent();
                    if (asItWas) retone(before.get(), balanced, what + ", " + stays.words());
                });
    }

    /** What stays while a control is turned by hand. */
    public ObjectProperty<HeldConstant> keeping() {
        return keeping;
    }

    /** Takes a block out of the chain or puts it back. */
    public void toggleBlock(Block block) {
        tone().ifPresent(t -> retone(t, t.tone().with(block.switched(!block.on())),
                block.model().name() + (block.on() ? " off" : " on")));
    }

    private void retone(DerivedTone before, Tone tone, String what) {
        retone(before, tone, what, Optional.empty());
    }

    /** Tries a changed chain: it is heard, measured as the one before is, and kept only where the two gaps are accepted. */
    void tryOut(Tone changed, String what, BiPredicate<GapLedger, GapLedger> accepted) {
        tone().ifPresent(t -> retone(t, changed, what, Optional.of(accepted)));
    }

    /** A changed tone and, where it matters, the gap that the one before has when measured the same way. */
    private record Tried(DerivedTone turned, Optional<GapLedger> before) {}

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

    void keep(DerivedTone tone, String what) {
        OpenCase c = desk.open().get().orElseThrow();
        desk.book().keepTone(c.entry().id(), tone, what);
        desk.refresh();
    }

    private static String words(SettingRow row) {
        Control c = row.control();
        return row.block().model().kind().word() + " " + c.name();
    }

    public Desk desk() {
        return desk;
    }

    public Rig rig() {
        return desk.rig().get();
    }

    /** Whether the player wants a difference. */
    boolean isWantedSo(GapRow row) {
        return tone().filter(t -> t.gap().wantedSo().contains(row.attribute())).isPresent();
    }

    public SearchChoices choices() {
        return choices;
    }

    public AdviceModel advice() {
        return advice;
    }
}
