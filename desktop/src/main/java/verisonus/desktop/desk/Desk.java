package verisonus.desktop.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
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
    /** A second dry take, which a tone that doubles plays on the other side. */
    private volatile Optional<Sound> secondTake = Optional.empty();
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
        Map<Long, Double> gaps = book.tones().gapsJnd();
        cases.setAll(book.cases().stream().map(c -> new CaseLine(c, Optional.ofNullable(gaps.get(c.id())))).toList());
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
        Optional<Sound> reference = sounds.get().reference();
        if (reference.isEmpty()) return;
        work.run("Isolating: " + wanted.words(), _ -> {
            Optional<Sound> heard = wanted.isGuided()
                    ? guided(reference.get())
                    : Optional.of(wanted.of(reference.get()));
            if (heard.isPresent()) player.loadIsolated(there(through, heard).orElseThrow());
            return heard.isPresent();
        }, done -> {
            player.loaded(sounds.get().lengthS(), sounds.get().backing().isPresent());
            if (done) return;
            // What is chosen says what is heard.
            isolation.set(Isolation.WHOLE);
            work.tell(new InputFault("the take", "it plays something else than the record, so nothing tells what is the"
                    + " guitar's", "play the record's phrase"));
        });
    }

    /** What the case's take says is the guitar's, in time with the reference; empty where it plays something else. */
    private Optional<Sound> guided(Sound reference) {
        return sounds.get().di().map(di -> matched(reference, di)).filter(MatchedTake::same)
                .map(laid -> GuidedIsolation.of(laid.reference(), laid.sound()).atRate(reference.rateHz()));
    }

    /** The case's take laid under its reference: where the player laid it, else where it is found. */
    public MatchedTake matched(Sound reference, Sound di) {
        return MatchedTake.of(reference, di, open.get().map(OpenCase::laidS).orElse(OptionalDouble.empty()));
    }

    /** Lays a dry take where the player says that it begins; empty: it is looked for. */
    public void layTake(Medium take, OptionalDouble atS) {
        book.recordings().layMedium(take, atS);
        refresh();
    }

    /** Puts a part of a recording beside the reference, so that both begin together at the studied region. */
    public void hearBeside(Optional<Beside> wanted) {
        double at = open.get().flatMap(OpenCase::region).map(Region::fromS).orElse(0.0);
        work.run("Laying it beside", _ -> {
            player.loadBeside(wanted.map(w -> book.recordings().sound(w.medium().hash())),
                    at - wanted.map(Beside::fromS).orElse(0.0));
            return wanted;
        }, w -> {
            beside.set(w);
            player.loaded(sounds.get().lengthS(), sounds.get().backing().isPresent());
        });
    }

    /** Plays a sound that belongs to no case, at the same loudness as all others. */
    public void hearNoise(Sound sound) {
        player.stop();
        work.run("Getting it ready", _ -> {
            player.loadBeside(Optional.of(sound), 0);
            return sound;
        }, s -> {
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
        work.run(wanted.map(w -> "Taking it to the " + w.system().name()).orElse("Hearing it as it is"), _ -> {
            hand(now);
            return now;
        }, n -> player.loaded(n.lengthS(), n.backing().isPresent()));
    }

    /** A sound as it is on the system that everything is heard through. */
    public Sound asHeard(Sound sound) {
        return through.map(t -> t.of(sound)).orElse(sound);
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
        open.set(Optional.of(read));
        player.region().set(read.region().map(r -> new PlayerModel.Span(r.fromS(), r.toS()))
                .orElse(new PlayerModel.Span(0, 0)));
    }

    private void loadSounds() {
        OpenCase c = open.get().orElseThrow();
        List<InputFault> unplayable = new ArrayList<>();
        work.run("Opening " + c.entry().name(), progress -> {
            progress.step(0.1, "reading the recordings");
            Optional<Sound> reference = sound(c, Medium.Role.REFERENCE);
            Optional<Sound> di = sound(c, Medium.Role.DI);
            Optional<Sound> backing = sound(c, Medium.Role.BACKING);
            double start = c.takeStartS();
            progress.step(0.5, "playing mine");
            Optional<Sound> second = c.media().stream().filter(m -> m.role() == Medium.Role.DI).skip(1).findFirst()
                    .map(m -> book.recordings().sound(m.hash()).atRate(Sound.WORKING_RATE_HZ));
            secondTake = second;
            Optional<Sound> mine = c.tone().flatMap(t -> di.flatMap(d -> mine(t, d, unplayable, progress)));
            Sounds loaded = new Sounds(reference, di, backing, mine, start);
            hand(loaded);
            return loaded;
        }, loaded -> {
            if (isOpen(c)) show(loaded);
            unplayable.forEach(work::tell);
        });
    }

    /** A tone that cannot be played, as one that doubles without a second take, must not keep its case from opening. */
    private Optional<Sound> mine(DerivedTone tone, Sound di, List<InputFault> unplayable, Progress progress) {
        try {
            return Optional.of(render(tone, di, secondTake, progress));
        } catch (InputFault e) {
            unplayable.add(e);
            return Optional.empty();
        }
    }

    /** Gives the player what can be heard; matching loudness takes a while, so off the window's thread where there is sound. */
    private void hand(Sounds s) {
        Optional<HeardOn> on = through;
        player.load(there(on, s.reference()), s.di(), s.diStartS(), there(on, s.backing()));
        player.loadMine(there(on, on.flatMap(HeardOn::trim).flatMap(t -> s.di().map(d -> trimmed(t, d)))
                .or(s::mine)), s.diStartS());
    }

    private Sound trimmed(Trim trim, Sound di) {
        return Renderer.render(trim.tone(), di, secondTake, Quality.FINAL, Progress.NONE);
    }

    private static Optional<Sound> there(Optional<HeardOn> on, Optional<Sound> sound) {
        return on.isEmpty() ? sound : sound.map(on.get()::of);
    }

    /** Plays a changed tone from now on, before it has been kept; may be called off the window's thread. */
    public void hearMine(Sound mine, double startS) {
        player.loadMine(there(through, Optional.of(mine)), startS);
    }

    private boolean isOpen(OpenCase c) {
        return open.get().filter(o -> o.entry().id() == c.entry().id()).isPresent();
    }

    private void show(Sounds loaded) {
        sounds.set(loaded);
        player.loaded(loaded.lengthS(), loaded.backing().isPresent());
    }

    private Optional<Sound> sound(OpenCase c, Medium.Role role) {
        return c.first(role).map(m -> book.recordings().sound(m.hash()).atRate(Sound.WORKING_RATE_HZ));
    }

    private static Sound render(DerivedTone tone, Sound di, Optional<Sound> second, Progress progress) {
        return Renderer.render(tone.tone(), di, second, Quality.FINAL, progress);
    }

    private void renderMine() {
        OpenCase c = open.get().orElseThrow();
        Sounds before = sounds.get();
        work.run("Playing mine", progress -> {
            Optional<Sound> mine = c.tone().flatMap(t -> before.di().map(d -> render(t, d, secondTake, progress)));
            double start = c.takeStartS();
            Sounds now = before.withMine(mine, start);
            hand(now);
            return now;
        }, loaded -> {
            if (isOpen(c)) show(loaded);
        });
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

    public Optional<Sound> secondTake() {
        return secondTake;
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
