package verisonus.desktop.derive.gap;

import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Region;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.trial.step.OwnSteps;
import verisonus.desktop.desk.Sounds;
import verisonus.desktop.session.CaseSession;

/** What still differs: on which playback system, in whose steps, and which differences are wanted so. */
public final class GapModel {
    private final CaseSession session;
    private final ObjectProperty<Optional<PlaybackSystem>> heardOn = new SimpleObjectProperty<>(Optional.empty());
    private final BooleanProperty withOwnEars = new SimpleBooleanProperty();
    private final ReadOnlyObjectWrapper<Optional<Spectra>> spectra = new ReadOnlyObjectWrapper<>(Optional.empty());

    public GapModel(CaseSession session) {
        this.session = session;
        session.desk().sounds().subscribe(this::compareSpectra);
    }

    private void compareSpectra(Sounds s) {
        if (s.mine().isEmpty() || s.reference().isEmpty() || session.region().isEmpty()) {
            spectra.set(Optional.empty());
            return;
        }
        Region r = session.region().get();
        double from = r.fromS() - s.diStartS();
        session.desk().forCase("Comparing spectra", _ -> Spectra.of(s.reference().get().slice(r.fromS(), r.toS()),
                s.mine().get().slice(from, from + r.lengthS()))).show(made -> {
                    // Another take or tone may have come meanwhile: its own comparison follows.
                    if (session.desk().sounds().get() == s) spectra.set(Optional.of(made));
                });
    }

    ReadOnlyObjectProperty<Optional<Spectra>> spectra() {
        return spectra.getReadOnlyProperty();
    }

    /** A difference is wanted, or no longer. */
    public void toggleWantedSo(GapRow row) {
        session.tone().ifPresent(t -> {
            Set<GapAttribute> now = new HashSet<>(t.gap().wantedSo());
            boolean wanted = now.add(row.attribute());
            if (!wanted) now.remove(row.attribute());
            session.keep(t.wanting(now),
                    row.attribute().playersWords() + (wanted ? " left so, as wanted" : " to be mended again"));
        });
    }

    /** Whether the player wants a difference. */
    public boolean isWantedSo(GapRow row) {
        return session.tone().filter(t -> t.gap().wantedSo().contains(row.attribute())).isPresent();
    }

    /** The ledger as heard on the chosen playback system. */
    public Optional<GapLedger> ledger() {
        return usual().map(g -> withOwnEars.get() ? ownSteps().heard(g) : g);
    }

    /** The same in everybody's steps. */
    Optional<GapLedger> usual() {
        return session.tone().map(DerivedTone::gap)
                .map(g -> heardOn.get().map(s -> g.through(s::levelDbAt)).orElse(g));
    }

    /** What the player's own trials have said of the player's ears. */
    OwnSteps ownSteps() {
        return OwnSteps.of(session.desk().book().trials().told()).learnt();
    }

    /** Whether differences are counted in the player's own steps. */
    public BooleanProperty withOwnEars() {
        return withOwnEars;
    }

    public ObjectProperty<Optional<PlaybackSystem>> heardOn() {
        return heardOn;
    }
}
