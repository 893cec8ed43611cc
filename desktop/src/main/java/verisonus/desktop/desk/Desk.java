package verisonus.desktop.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.function.Function;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import verisonus.casebook.store.CaseEntry;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.evidence.guided.GuidedIsolation;
import verisonus.core.evidence.study.Isolation;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
import verisonus.core.take.StandInTake;
import verisonus.core.travel.trim.Trim;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;
import verisonus.desktop.player.PlayerModel;
import verisonus.desktop.player.Source;

/**
 * The casebook, the case and the bench in front of the player. Changes are written at once; what is shown is read back from
 * the casebook, so that undo needs no other way. All methods on the window's thread.
 */
public final class Desk {
    private final Casebook book;
    private final Work work;
    private final PlayerModel player;
    private final ObservableList<CaseLine> cases = FXCollections.observableArrayList();
    private final ObservableList<CaseLine> shownCases = FXCollections.unmodifiableObservableList(cases);
    private final ReadOnlyObjectWrapper<Optional<OpenCase>> open = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyLongWrapper changes = new ReadOnlyLongWrapper();
    private final ReadOnlyObjectWrapper<Sounds> sounds = new ReadOnlyObjectWrapper<>(Sounds.NONE);
    private final ObjectProperty<Bench> bench = new SimpleObjectProperty<>(Bench.LISTEN);
    private final ObjectProperty<Isolation> isolation = new SimpleObjectProperty<>(Isolation.WHOLE);
    private final ReadOnlyObjectWrapper<Optional<Beside>> beside = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Rig> rig = new ReadOnlyObjectWrapper<>(Rig.everything());
    /** The open case as every thread may see it; set before the window hears of a change, so that nothing runs on an older one. */
    private volatile Optional<CaseAsItStands> seen = Optional.empty();
    private OptionalLong chosenRegion = OptionalLong.empty();
    private OptionalLong chosenReference = OptionalLong.empty();

    /** What is heard beside the reference: a part of this or another recording. */
    public record Beside(Medium medium, double fromS, String words) {}

    /** What is heard through now; read off the window's thread. */
    private volatile Optional<HeardOn> through = Optional.empty();
    private final ReadOnlyObjectWrapper<Optional<HeardOn>> heardOn = new ReadOnlyObjectWrapper<>(Optional.empty());

    public Desk(Casebook book, Work work, PlayerModel player) {
        this.book = book;
        this.work = work;
        this.player = player;
        rig.set(book.rig());
        isolation.subscribe((was, now) -> {
            if (was != now) isolate(now);
        });
        listCases();
        if (!cases.isEmpty()) openCase(cases.get(0).entry());
    }

    private void listCases() {
        Map<Long, OptionalDouble> gaps = book.tones().gapsJnd();
        cases.setAll(book.cases().stream().map(c -> new CaseLine(c,
                Optional.ofNullable(gaps.get(c.id())).filter(OptionalDouble::isPresent)
                        .map(OptionalDouble::getAsDouble),
                gaps.containsKey(c.id()))).toList());
    }

    /** Lays a case on the desk and decodes its sound in the background. */
    public void openCase(CaseEntry entry) {
        if (open.get().isPresent() && open.get().get().entry().id() == entry.id()) return;
        chosenRegion = OptionalLong.empty();
        chosenReference = OptionalLong.empty();
        lay(entry);
    }

    private void lay(CaseEntry entry) {
        player.stop();
        seen = seen.map(c -> new CaseAsItStands(c.open(), Sounds.NONE, c.rig()));
        sounds.set(Sounds.NONE);
        isolation.set(Isolation.WHOLE);
        beside.set(Optional.empty());
        read(entry);
        loadSounds();
    }

    /** Studies another of the case's references. */
    public void chooseReference(Medium medium) {
        if (open.get().flatMap(o -> o.first(Medium.Role.REFERENCE)).filter(m -> m.id() == medium.id()).isPresent()) {
            return;
        }
        chosenRegion = OptionalLong.empty();
        chosenReference = OptionalLong.of(medium.id());
        open.get().ifPresent(o -> lay(o.entry()));
    }

    private void isolate(Isolation wanted) {
        Optional<CaseAsItStands> here = asItStands().filter(c -> c.sounds().reference().isPresent());
        if (here.isEmpty()) return;
        CaseAsItStands c = here.get();
        Sound reference = c.sounds().reference().orElseThrow();
        Optional<HeardOn> on = through;
        forCase("Isolating: " + wanted.words(), _ -> {
            Optional<Sound> heard = wanted.isGuided() ? guided(c, reference) : Optional.of(wanted.of(reference));
            there(on, heard).ifPresent(player::loadIsolated);
            return heard.isPresent();
        }).otherwise(why -> {
            if (why != Piece.Unfinished.OVERTAKEN) isolation.set(Isolation.WHOLE);
        }).show(done -> {
            player.loaded(c.sounds().lengthS(), c.sounds().backing().isPresent());
            if (done) return;
            // What is chosen says what is heard.
            isolation.set(Isolation.WHOLE);
            work.tell(new InputFault("the take", "it plays something else than the record, so nothing tells what is the"
                    + " guitar's", "play the record's phrase"));
        });
    }

    /** What the case's take says is the guitar's, in time with the reference; empty where it plays something else. */
    private static Optional<Sound> guided(CaseAsItStands c, Sound reference) {
        return c.sounds().di().map(di -> c.matched(reference, di)).filter(MatchedTake::same)
                .map(laid -> GuidedIsolation.of(laid.reference(), laid.sound()).atRate(reference.rateHz()));
    }

    /** Lays a dry take where the player says that it begins; empty: it is looked for. */
    public void layTake(Medium take, OptionalDouble atS) {
        book.recordings().layMedium(take, atS);
        refresh();
    }

    /** Puts a part of a recording beside the reference, so that both begin together at the studied region. */
    public void hearBeside(Optional<Beside> wanted) {
        double at = open.get().flatMap(OpenCase::region).map(Region::fromS).orElse(0.0);
        forCase("Laying it beside", _ -> {
            player.loadBeside(wanted.map(w -> book.recordings().sound(w.medium().hash())),
                    at - wanted.map(Beside::fromS).orElse(0.0));
            return wanted;
        }).show(w -> {
            beside.set(w);
            player.loaded(sounds.get().lengthS(), sounds.get().backing().isPresent());
        });
    }

    /** Plays a sound that belongs to no case, at the same loudness as all others. */
    public void hearNoise(Sound sound) {
        player.stop();
        forCase("Getting it ready", _ -> {
            player.loadBeside(Optional.of(sound), 0);
            return sound;
        }).show(s -> {
            player.loaded(Math.max(s.durationS(), sounds.get().lengthS()), sounds.get().backing().isPresent());
            player.choose(Source.BESIDE);
            player.seek(0);
            player.toggle();
        });
    }

    /** Hears everything through a playback system, or as it is. */
    public void hearOn(Optional<HeardOn> wanted) {
        if (heardOn.get().equals(wanted)) return;
        heardOn.set(wanted);
        through = wanted;
        Sounds now = sounds.get();
        if (now == Sounds.NONE) return;
        forCase(wanted.map(w -> "Taking it to the " + w.system().name()).orElse("Hearing it as it is"), _ -> {
            hand(now);
            return now;
        }).show(n -> player.loaded(n.lengthS(), n.backing().isPresent()));
    }

    /** The playback system that everything is heard through; empty: as it is. */
    public ReadOnlyObjectProperty<Optional<HeardOn>> heardOn() {
        return heardOn.getReadOnlyProperty();
    }

    /** Counts what was read anew: what is kept beside the case, as pedals or trims, is read again when it moves. */
    public ReadOnlyLongProperty changes() {
        return changes.getReadOnlyProperty();
    }

    /** Reads everything shown anew from the casebook. */
    public void refresh() {
        rig.set(book.rig());
        listCases();
        Optional<CaseEntry> still = open.get().flatMap(o -> cases.stream().map(CaseLine::entry)
                .filter(c -> c.id() == o.entry().id()).findFirst());
        if (still.isEmpty()) {
            player.stop();
            seen = Optional.empty();
            open.set(Optional.empty());
            hand(Sounds.NONE);
            show(Sounds.NONE);
            if (!cases.isEmpty()) openCase(cases.get(0).entry());
            return;
        }
        OpenCase before = open.get().orElseThrow();
        read(still.get());
        OpenCase now = open.get().orElseThrow();
        // Sound that is still on its way is read again with everything that has changed since.
        boolean loaded = sounds.get() != Sounds.NONE;
        if (!before.media().equals(now.media()) || !loaded) {
            loadSounds();
        } else if (!before.tone().map(DerivedTone::tone).equals(now.tone().map(DerivedTone::tone))) {
            renderMine();
        }
        changes.set(changes.get() + 1);
    }

    private void read(CaseEntry entry) {
        OpenCase read = new CaseReading(book, chosenRegion, chosenReference).of(entry);
        seen = Optional.of(new CaseAsItStands(read, sounds.get(), rig.get()));
        open.set(Optional.of(read));
        player.region().set(read.region().map(r -> new PlayerModel.Span(r.fromS(), r.toS()))
                .orElse(new PlayerModel.Span(0, 0)));
    }

    private void loadSounds() {
        OpenCase c = open.get().orElseThrow();
        List<InputFault> unplayable = new ArrayList<>();
        forCase("Opening " + c.entry().name(), progress -> {
            progress.step(0.1, "reading the recordings");
            Sounds dry = dry(c);
            progress.step(0.5, "playing mine");
            Optional<Sound> mine = c.tone().flatMap(t -> mine(t, dry, unplayable, progress));
            Sounds loaded = dry.withMine(mine, c.takeStartS());
            hand(loaded);
            return loaded;
        }).show(loaded -> {
            show(loaded);
            unplayable.forEach(work::tell);
        });
    }

    /** A tone that cannot be played, as one that doubles without a second take, must not keep its case from opening. */
    private static Optional<Sound> mine(DerivedTone tone, Sounds dry, List<InputFault> unplayable, Progress progress) {
        try {
            return played(tone, dry, progress);
        } catch (InputFault e) {
            unplayable.add(e);
            return Optional.empty();
        }
    }

    /** Gives the player what can be heard; matching loudness takes a while, so off the window's thread where there is sound. */
    private void hand(Sounds s) {
        Optional<HeardOn> on = through;
        player.load(there(on, s.reference()), s.di(), s.diStartS(), there(on, s.backing()));
        player.loadMine(there(on, on.flatMap(HeardOn::trim).flatMap(t -> trimmed(t, s)).or(s::mine)), s.diStartS());
    }

    private static Optional<Sound> trimmed(Trim trim, Sounds s) {
        return s.di().map(d -> Renderer.render(trim.tone(), d, s.second(), Quality.FINAL, Progress.NONE));
    }

    private static Optional<Sound> there(Optional<HeardOn> on, Optional<Sound> sound) {
        return on.isEmpty() ? sound : sound.map(on.get()::of);
    }

    /**
     * Plays a changed tone of a case from now on, before it has been kept; nothing happens where another case is open by now. May be
     * called off the window's thread.
     */
    public void hearMine(long caseId, Sound mine, double startS) {
        if (isOpen(caseId)) player.loadMine(there(through, Optional.of(mine)), startS);
    }

    private boolean isOpen(long caseId) {
        return seen.filter(c -> c.caseId() == caseId).isPresent();
    }

    /** The open case as it is now, for work that rests on it; may be asked on any thread. */
    public Optional<CaseAsItStands> asItStands() {
        return seen;
    }

    /** A case as it is when work on it has its turn: as it lies open, or as it was then, with its recordings read. Off the window's thread. */
    public CaseAsItStands atItsTurn(CaseAsItStands then) {
        CaseAsItStands now = seen.filter(c -> c.caseId() == then.caseId()).orElse(then);
        return now.sounds() != Sounds.NONE ? now : new CaseAsItStands(now.open(), dry(now.open()), now.rig());
    }

    /** Reads and decodes a case's recordings. */
    private Sounds dry(OpenCase c) {
        Optional<Sound> second = c.media().stream().filter(m -> m.role() == Medium.Role.DI).skip(1).findFirst()
                .map(m -> book.recordings().sound(m.hash()).atRate(Sound.WORKING_RATE_HZ));
        return new Sounds(sound(c, Medium.Role.REFERENCE), sound(c, Medium.Role.DI), second,
                sound(c, Medium.Role.BACKING), Optional.empty(), c.takeStartS());
    }

    /** Work whose result belongs to the casebook or to the window, whichever case is open. */
    public <T> Piece<T> forBook(String title, Function<Progress, T> doing) {
        return new Piece<>(work, title, doing, Owner.BOOK, this::refresh);
    }

    /** Work whose result belongs to the case that is open now, if any: kept with it, and shown while it is open. */
    public <T> Piece<T> forCase(String title, Function<Progress, T> doing) {
        Optional<Long> mine = open.get().map(o -> o.entry().id());
        return new Piece<>(work, title, doing, new Owner() {
            @Override
            public boolean isThere() {
                return mine.isEmpty() || book.cases().stream().anyMatch(c -> c.id() == mine.get());
            }

            @Override
            public boolean isShown() { return seen.map(CaseAsItStands::caseId).equals(mine); }
        }, this::refresh);
    }

    /** Work about the open case's tone as it is now: its result is neither kept nor shown once the tone is another one. */
    public <T> Piece<T> forTone(String title, Function<Progress, T> doing) {
        Optional<OpenCase> mine = open.get();
        Optional<Tone> tone = mine.flatMap(OpenCase::tone).map(DerivedTone::tone);
        return new Piece<>(work, title, doing, new Owner() {
            @Override
            public boolean isThere() {
                return mine.map(o -> book.tones().tone(o.entry().id()).map(DerivedTone::tone))
                        .equals(Optional.of(tone));
            }

            @Override
            public boolean isShown() {
                Optional<CaseAsItStands> now = seen;
                return now.map(CaseAsItStands::caseId).equals(mine.map(o -> o.entry().id()))
                        && now.flatMap(CaseAsItStands::tone).map(DerivedTone::tone).equals(tone);
            }
        }, this::refresh);
    }

    private void show(Sounds loaded) {
        seen = seen.map(c -> new CaseAsItStands(c.open(), loaded, c.rig()));
        sounds.set(loaded);
        player.loaded(loaded.lengthS(), loaded.backing().isPresent());
    }

    private Optional<Sound> sound(OpenCase c, Medium.Role role) {
        return c.first(role).map(m -> book.recordings().sound(m.hash()).atRate(Sound.WORKING_RATE_HZ));
    }

    private static Optional<Sound> played(DerivedTone tone, Sounds dry, Progress progress) {
        return dry.di().map(d -> Renderer.render(tone.tone(), d, dry.second(), Quality.FINAL, progress));
    }

    private void renderMine() {
        OpenCase c = open.get().orElseThrow();
        Sounds before = sounds.get();
        forCase("Playing mine", progress -> {
            Optional<Sound> mine = c.tone().flatMap(t -> played(t, before, progress));
            Sounds now = before.withMine(mine, c.takeStartS());
            hand(now);
            return now;
        }).show(this::show);
    }

    public long addCase(String name) {
        long id = book.addCase(name, "", "");
        listCases();
        cases.stream().map(CaseLine::entry).filter(c -> c.id() == id).findFirst().ifPresent(this::openCase);
        bench.set(Bench.LISTEN);
        return id;
    }

    /** Says what a recording is. */
    public void changeRole(Medium medium, Medium.Role role) {
        if (medium.role() == role) return;
        book.recordings().changeRole(medium, role);
        refresh();
    }

    /** Takes a recording out of the case. */
    public void removeMedium(Medium medium) {
        book.recordings().removeMedium(medium);
        refresh();
    }

    public void chooseRegion(Region region) {
        chosenRegion = OptionalLong.of(region.id());
        open.get().ifPresent(o -> read(o.entry()));
    }

    /** Takes the last change back. @return what it was */
    public Optional<String> undo() {
        Optional<String> what = book.undo();
        what.ifPresent(_ -> refresh());
        return what;
    }

    public Optional<String> redo() {
        Optional<String> what = book.redo();
        what.ifPresent(_ -> refresh());
        return what;
    }

    public Casebook book() {
        return book;
    }

    public Work work() {
        return work;
    }

    public PlayerModel player() {
        return player;
    }

    public ObservableList<CaseLine> cases() {
        return shownCases;
    }

    public ReadOnlyObjectProperty<Optional<OpenCase>> open() {
        return open.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Sounds> sounds() {
        return sounds.getReadOnlyProperty();
    }

    /** The gear that the player owns. */
    public ReadOnlyObjectProperty<Rig> rig() {
        return rig.getReadOnlyProperty();
    }

    /** How the reference is heard. */
    public ObjectProperty<Isolation> isolation() {
        return isolation;
    }

    public ReadOnlyObjectProperty<Optional<Beside>> beside() {
        return beside.getReadOnlyProperty();
    }

    public ObjectProperty<Bench> bench() {
        return bench;
    }
}
