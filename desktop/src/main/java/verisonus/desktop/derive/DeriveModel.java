package verisonus.desktop.derive;

import java.nio.file.Path;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Goal;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.advise.Sketch;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.Derivation;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.ToneSearch;
import verisonus.core.search.Wishes;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.take.Alignment;
import verisonus.core.take.SeenTake;
import verisonus.core.take.StandInTake;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.desktop.derive.advice.AdviceModel;
import verisonus.desktop.derive.chain.ChainModel;
import verisonus.desktop.derive.choices.SearchChoices;
import verisonus.desktop.derive.gap.GapModel;
import verisonus.desktop.derive.own.StartsModel;
import verisonus.desktop.derive.own.WishModel;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.CaseAsItStands;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Sounds;
import verisonus.desktop.desk.StudiedPart;
import verisonus.desktop.session.CaseSession;

/** Searches for the tone of the open case, and holds what is asked about it: its chain, its gap, what to turn next. */
public final class DeriveModel {
    private final Desk desk;
    private final CaseSession session;
    private final SearchChoices choices = new SearchChoices();
    private final ChainModel chain;
    private final GapModel gap;
    private final AdviceModel advice;
    private final InterimModel interim;
    private final StartsModel starts;
    private final WishModel wish;

    private final StudiedPart studied;
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    /** The case that a search is to begin for as soon as its sound is there. */
    private Optional<Long> deriveWhenLoaded = Optional.empty();

    public DeriveModel(CaseSession session) {
        this.session = session;
        desk = session.desk();
        chain = new ChainModel(session);
        gap = new GapModel(session);
        advice = new AdviceModel(session);
        interim = new InterimModel(desk);
        starts = new StartsModel(session);
        wish = new WishModel(session);
        studied = new StudiedPart(desk);
        desk.sounds().subscribe(s -> {
            if (s.di().isEmpty() || s.reference().isEmpty() || !isAwaited()) return;
            deriveWhenLoaded = Optional.empty();
            derive();
        });
        desk.work().busy().subscribe(busy -> {
            if (busy || deriveWhenLoaded.isEmpty()) return;
            boolean mine = isAwaited();
            deriveWhenLoaded = Optional.empty();
            if (mine) derive();
        });
        desk.open().subscribe(o -> o.flatMap(OpenCase::tone)
                .ifPresent(t -> choices.goal().set(t.remarks().goal())));
        choices.goal().subscribe(g -> session.tone().filter(t -> t.remarks().goal() != g)
                .ifPresent(t -> session.keep(t.aiming(g), "Goal: " + g.words())));
    }

    private boolean isAwaited() {
        return deriveWhenLoaded.isPresent() && deriveWhenLoaded.equals(desk.asItStands().map(CaseAsItStands::caseId));
    }

    /**
     * Makes a tone of what is there, and says what it does: with record and take it searches, on the best passage where none is marked;
     * with a record alone a stand-in plays for a sketch; what is missing is said. Locked controls keep their value, a cancelled search
     * keeps the best so far.
     */
    public void derive() {
        Optional<CaseAsItStands> now = desk.asItStands();
        if (now.isEmpty()) {
            say("Nothing is there yet: choose a recording with the wanted sound and a dry take of yours.");
            return;
        }
        boolean read = now.get().sounds().reference().isPresent() || now.get().sounds().di().isPresent();
        boolean coming = desk.work().busy().get() && !session.canBegin();
        if (coming) {
            deriveWhenLoaded = Optional.of(now.get().caseId());
            say("As soon as the recordings have been read.");
        } else if (now.get().sounds().reference().isEmpty()) {
            if (read) own();
            else say("Nothing is there yet: choose a recording with the wanted sound and a dry take of yours.");
        } else {
            boolean alone = now.get().sounds().di().isEmpty();
            studied.have(this::say, alone ? this::sketch : this::search);
        }
    }

    /** With a take and no record a tone begins from a sound, and is moved to a wish. */
    private void own() {
        // The bench says it by itself; who stands before it is told what to do there.
        if (desk.bench().get() == Bench.DERIVE)
            say(session.tone().isEmpty()
                    ? "Press a sound to hear it, then start from it; or choose a record."
                    : "There is no record to copy: say how the tone should sound.");
        desk.bench().set(Bench.DERIVE);
        starts.play();
    }

    /** Whether a recording has to be chosen before anything can be made. */
    public boolean lacksRecordings() {
        Sounds s = desk.sounds().get();
        return !desk.work().busy().get() && s.reference().isEmpty() && s.di().isEmpty();
    }

    private void say(String words) {
        // Said again even where it is the same as before.
        said.set("");
        said.set(words);
    }

    /** What it does, or why it does nothing. */
    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }

    private void search() {
        if (!session.missing().isEmpty()) {
            say(session.missing());
            return;
        }
        Bench from = desk.bench().get();
        OpenCase c = desk.open().get().orElseThrow();
        Region region = c.region().orElseThrow();
        Sounds s = desk.sounds().get();
        Sound wanted = session.wanted().orElseThrow();
        Sound di = s.di().orElseThrow();
        Optional<DerivedTone> before = c.tone();
        boolean standIn = session.hasStandIn();
        SearchOptions asked = choices.options(c, session.rig(), desk.book());
        SearchOptions chosen = standIn ? asked.wishing(asked.wishes().playedByStandIn()) : asked;
        OptionalDouble laid = c.laidS(region.fromS());
        boolean common = choices.aim().get() == SearchChoices.Aim.COMMON;
        Goal goal = choices.goal().get();
        Rig rig = session.rig();
        desk.forCase("Deriving", progress -> {
            Wishes played = chosen.wishes().alsoPlayed(SearchChoices.takes(c, desk.book()));
            SearchOptions options = chosen
                    .wishing(common ? played.alsoNear(SearchChoices.others(c, desk.book())) : played);
            Derivation found = interim.during(c.entry().id(), region.fromS(), di,
                    listener -> new ToneSearch(wanted, di, options,
                            desk.work().helpers(), progress).telling(listener).laidAt(laid).run());
            Derivation d = standIn ? found.ofStandIn() : found;
            Sketch sketch = Sketch.of(s.reference().orElseThrow(), region.fromS(), region.toS(), d);
            return DerivedTone.of(d, before.map(DerivedTone::tone), options.locked(), region.fromS(), rig, goal)
                    .sketched(standIn ? sketch.ofStandIn() : sketch);
        }).keep(derived -> desk.book().tones().keepTone(c.entry().id(), derived,
                derived.gap().isMeasured()
                        ? Figures.of("Derived a tone for %s: %.1f JND off", c.entry().name(), derived.gap().scoreJnd())
                        : "Derived a tone for " + c.entry().name() + ": how near it is could not be measured"))
                .unseen(() -> say("The tone of " + c.entry().name() + " is ready and kept with its case."))
                .show(_ -> arrived(from, c.entry().name()));
    }

    /** The bench of the tone comes to the front where the player waited for it; who went elsewhere is told. */
    private void arrived(Bench from, String name) {
        Bench here = desk.bench().get();
        if (here == from) desk.bench().set(Bench.DERIVE);
        else if (here != Bench.DERIVE) say("The tone of " + name + " is ready: 3 shows it.");
    }

    /** Whether a rough tone can be made of the record alone: there is one, and no take. */
    boolean canSketch() {
        Sounds s = desk.sounds().get();
        return s.reference().isPresent() && s.di().isEmpty();
    }

    /** Lets a stand-in play the dry take, which can be undone like any other, and derives with it. */
    public void sketch() {
        if (!canSketch()) return;
        say("A stand-in plays in place of your guitar, for a first sketch: dirt and colour come near, all else is open until"
                + " you play it yourself.");
        long into = desk.open().get().orElseThrow().entry().id();
        desk.forCase("Playing the stand-in",
                _ -> SoundWriter.encode(StandInTake.play(), SoundWriter.Format.WAV_24)).keep(take -> {
                    deriveWhenLoaded = Optional.of(into);
                    desk.book().recordings().addMedium(into, Medium.Role.DI, StandInTake.NAME + ".wav", take);
                }).begin();
    }

    /** Takes a tone out of a file: it is played, measured against the record and kept. */
    public void takeTone(Path file) {
        if (!session.missing().isEmpty()) {
            desk.work()
                    .tell(new InputFault(file.toString(), "a tone is held against a record, and the case has none yet",
                            session.missing()));
            return;
        }
        Sound wanted = session.wanted().orElseThrow().atRate(Sound.WORKING_RATE_HZ);
        Sound di = session.di().orElseThrow().atRate(Sound.WORKING_RATE_HZ);
        double from = session.region().orElseThrow().fromS();
        OptionalDouble laid = desk.open().get().orElseThrow().laidS(from);
        String what = "Taken from " + file.getFileName();
        desk.forCase("Reading " + file.getFileName(), _ -> {
            Tone tone = ToneJson.read(file.toString(), Json.read(file));
            Alignment found = (laid.isPresent()
                    ? SeenTake.told(wanted, di.mid(), laid.getAsDouble())
                    : SeenTake.in(wanted, di.mid())).alignment();
            return DerivedTone.handed(tone, found.pairing(), from
                    + (found.pairing().isSamePhrase() ? found.offsetSamples() / (double) Sound.WORKING_RATE_HZ : 0));
        }).show(handed -> {
            if (session.tone().isPresent()) {
                session.change(_ -> handed.tone(), what);
            } else {
                session.take(handed, what);
            }
        });
    }

    public CaseSession session() {
        return session;
    }

    public SearchChoices choices() {
        return choices;
    }

    /** What a search has come to before it is over. */
    public InterimModel interim() {
        return interim;
    }

    /** From what a tone can begin that has no record to copy. */
    public StartsModel starts() {
        return starts;
    }

    /** What the tone shall be beside any record. */
    public WishModel wish() {
        return wish;
    }

    public ChainModel chain() {
        return chain;
    }

    public GapModel gap() {
        return gap;
    }

    public AdviceModel advice() {
        return advice;
    }
}
