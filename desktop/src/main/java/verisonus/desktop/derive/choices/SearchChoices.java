package verisonus.desktop.derive.choices;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Goal;
import verisonus.casebook.store.Judgement;
import verisonus.casebook.store.Judgements.ClaimEntry;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.advise.ClaimedGear;
import verisonus.core.compare.GapAttribute;
import verisonus.core.evidence.Correction;
import verisonus.core.evidence.words.Claim;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.StartingTone;
import verisonus.core.search.Wishes;
import verisonus.core.sound.Sound;
import verisonus.desktop.desk.OpenCase;

/** How the player wants a tone searched for: the schools, what the take is, what counts of claims and other recordings, the goal. */
public final class SearchChoices {
    /** How long to search. */
    public enum Effort {
        QUICK(300),
        NORMAL(900),
        THOROUGH(3600);

        private final int renders;

        Effort(int renders) {
            this.renders = renders;
        }
    }

    /** Which recordings a tone shall be near to. */
    public enum Aim {
        THIS,
        COMMON
    }

    private final ObjectProperty<SearchOptions.Start> start = new SimpleObjectProperty<>(SearchOptions.Start.NEUTRAL);
    private final ObjectProperty<SearchOptions.Order> order = new SimpleObjectProperty<>(SearchOptions.Order.TOGETHER);
    private final ObjectProperty<SearchOptions.Equalizing> equalizing = new SimpleObjectProperty<>(
            SearchOptions.Equalizing.EITHER);
    private final ObjectProperty<SearchOptions.Values> values = new SimpleObjectProperty<>(SearchOptions.Values.FREE);
    private final ObjectProperty<SearchOptions.Lows> lows = new SimpleObjectProperty<>(
            SearchOptions.Lows.GUITAR_ALONE);
    private final ObjectProperty<SearchOptions.Track> track = new SimpleObjectProperty<>(SearchOptions.Track.DRY);
    private final ObjectProperty<Wishes.Use> claims = new SimpleObjectProperty<>(Wishes.Use.WEIGHED);
    private final ObjectProperty<Aim> aim = new SimpleObjectProperty<>(Aim.THIS);
    private final ObjectProperty<Goal> goal = new SimpleObjectProperty<>(Goal.EXACT);
    private final ObjectProperty<Effort> effort = new SimpleObjectProperty<>(Effort.NORMAL);

    /** Options for a case; locked controls and wanted differences are those of its tone. */
    public SearchOptions options(OpenCase c, Rig rig, Casebook book) {
        Optional<DerivedTone> before = c.tone();
        SearchOptions plain = SearchOptions.defaults().withRig(rig)
                .withSchool(new SearchOptions.School(start.get(), order.get(), equalizing.get(), values.get(),
                        lows.get()))
                .withBudget(effort.get().renders, 1).correctedBy(corrections(c))
                .wishing(wishes(c, book));
        Locks locked = before.map(DerivedTone::locked).orElse(Locks.NONE);
        return locked.equals(Locks.NONE) ? plain : plain.keeping(before.orElseThrow().tone(), locked);
    }

    private Wishes wishes(OpenCase c, Casebook book) {
        Set<GapAttribute> wantedSo = c.tone().map(t -> t.gap().wantedSo()).orElse(Set.of());
        List<StartingTone> known = book.cases().stream().filter(o -> o.id() != c.entry().id())
                .flatMap(o -> book.tones().tone(o.id()).map(t -> new StartingTone(o.name(), t.tone())).stream())
                .toList();
        Wishes out = Wishes.NONE.wantingSo(wantedSo).through(track.get()).knowing(known)
                .claiming(ClaimedGear.of(said(c), claims.get()));
        return ClaimedGear.direct(said(c), claims.get()) ? out.takenDirectly() : out;
    }

    private static List<Claim> said(OpenCase c) {
        return c.claims().stream().map(ClaimEntry::claim).toList();
    }

    /** What the player has put right counts before what others say. */
    private List<Correction> corrections(OpenCase c) {
        List<Correction> own = Judgement.corrections(c.verdicts());
        List<Correction> out = new ArrayList<>(own);
        for (Correction said : ClaimedGear.absent(said(c), claims.get())) {
            if (own.stream().noneMatch(o -> o.topic() == said.topic())) out.add(said);
        }
        return out;
    }

    /** Further takes of the case, which a search leaves out where they are of something else; decoded, so off the window's thread. */
    public static List<Sound> takes(OpenCase c, Casebook book) {
        return c.media().stream().filter(m -> m.role() == Medium.Role.DI).skip(1)
                .map(m -> book.recordings().sound(m.hash())).toList();
    }

    /** The studied parts of the case's other references, or the whole of those that have none; decoded, so off the window's thread. */
    public static List<Sound> others(OpenCase c, Casebook book) {
        List<Medium> references = c.media().stream().filter(m -> m.role() == Medium.Role.REFERENCE).toList();
        return references.stream().skip(1).map(m -> {
            Sound whole = book.recordings().sound(m.hash());
            Optional<Region> r = book.recordings().regions(m.id()).stream().findFirst();
            return r.map(x -> whole.slice(x.fromS(), x.toS())).orElse(whole);
        }).toList();
    }

    public ObjectProperty<SearchOptions.Start> start() {
        return start;
    }

    public ObjectProperty<SearchOptions.Order> order() {
        return order;
    }

    public ObjectProperty<SearchOptions.Equalizing> equalizing() {
        return equalizing;
    }

    public ObjectProperty<SearchOptions.Values> values() {
        return values;
    }

    public ObjectProperty<SearchOptions.Lows> lows() {
        return lows;
    }

    public ObjectProperty<SearchOptions.Track> track() {
        return track;
    }

    public ObjectProperty<Wishes.Use> claims() {
        return claims;
    }

    public ObjectProperty<Aim> aim() {
        return aim;
    }

    public ObjectProperty<Goal> goal() {
        return goal;
    }

    public ObjectProperty<Effort> effort() {
        return effort;
    }
}
