package verisonus.desktop.trial;

import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.random.RandomGenerator;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import verisonus.casebook.store.Region;
import verisonus.casebook.exchange.StoredTrial;
import verisonus.core.compare.GapRow;
import verisonus.core.trial.blind.BlindTrial;
import verisonus.core.trial.blind.MatchedPassages;
import verisonus.core.trial.blind.StoppingRule;
import verisonus.core.trial.blind.TrialForm;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.HeardOn;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Sounds;
import verisonus.desktop.player.PlayerModel;
import verisonus.desktop.player.Source;

/**
 * A blind trial over the marked region: the record against mine, as loud as each other, in an order that was sealed before. Answers
 * are kept as they are given; a trial that was left goes on where it stood.
 */
public final class TrialModel {
    private static final int GAVE_AWAY = 3;
    private static final double TELLTALE_JND = 1;

    private final Desk desk;
    private final RandomGenerator seeds;
    private final ObjectProperty<TrialForm> form = new SimpleObjectProperty<>(TrialForm.ABX);
    private final IntegerProperty many = new SimpleIntegerProperty(12);
    private final BooleanProperty sequential = new SimpleBooleanProperty();
    private final BooleanProperty inTheMix = new SimpleBooleanProperty();
    private final ReadOnlyObjectWrapper<Optional<StoredTrial>> current = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<List<StoredTrial>> earlier = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyBooleanWrapper running = new ReadOnlyBooleanWrapper();
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private final Set<Source> heard = EnumSet.noneOf(Source.class);
    private Optional<MatchedPassages> passages = Optional.empty();

    /** @param seeds what orders are drawn from */
    public TrialModel(Desk desk, RandomGenerator seeds) {
        this.desk = desk;
        this.seeds = seeds;
        desk.open().subscribe(_ -> read());
    }

    private void read() {
        Optional<Long> id = caseId();
        List<StoredTrial> all = id.map(i -> desk.book().trials().of(i)).orElse(List.of());
        Optional<StoredTrial> now = current.get().flatMap(c -> all.stream().filter(t -> t.id() == c.id()).findFirst());
        if (now.isEmpty() && running.get()) stop();
        current.set(now.or(() -> all.stream().filter(t -> !t.trial().isEnded()).findFirst()));
        earlier.set(all.stream().filter(t -> t.trial().isEnded()).toList());
    }

    private Optional<Long> caseId() {
        return desk.open().get().map(o -> o.entry().id());
    }

    /** Draws and seals an order, then plays; goes on with a trial that was left. */
    public void begin() {
        Sounds sounds = desk.sounds().get();
        Optional<OpenCase> open = desk.open().get();
        if (open.isEmpty() || sounds.reference().isEmpty() || sounds.mine().isEmpty()) {
            said.set("Derive a tone first: a trial needs the record and mine.");
            return;
        }
        Optional<StoredTrial> left = current.get().filter(t -> !t.trial().isEnded());
        PlayerModel.Span span = span(open.get(), sounds);
        desk.player().stop();
        desk.work().run("Matching the two passages", _ -> passages(sounds, span), matched -> {
            passages = Optional.of(matched);
            StoredTrial t = left.orElseGet(() -> desk.book().trials().begin(open.get().entry().id(),
                    BlindTrial.begin(form.get(), new StoppingRule(many.get(), sequential.get()), seeds.nextLong()),
                    words(span)));
            current.set(Optional.of(t));
            desk.player().blind().set(true);
            desk.player().region().set(span);
            running.set(true);
            said.set("");
            next(t, span);
        });
    }

    private static PlayerModel.Span span(OpenCase open, Sounds sounds) {
        Optional<Region> region = open.region();
        double end = sounds.reference().map(Sound::durationS).orElse(0.0);
        return region.map(r -> new PlayerModel.Span(r.fromS(), Math.min(r.toS(), end)))
                .orElse(new PlayerModel.Span(0, end));
    }

    private MatchedPassages passages(Sounds s, PlayerModel.Span span) {
        Sound record = desk.asHeard(s.reference().orElseThrow()).slice(span.fromS(), span.toS());
        Sound own = desk.asHeard(s.mine().orElseThrow());
        if (inTheMix.get() && s.backing().isPresent()) own = mixed(own, s);
        double from = span.fromS() - s.diStartS();
        if (from < 0 || from + 1 > own.durationS())
            throw new InputFault("mine", "it does not play in the marked region", "mark a region in which both play");
        return MatchedPassages.of(record, own.slice(from, Math.min(own.durationS(), span.toS() - s.diStartS())));
    }

    /** Mine with the band round it, at the level that the band has beside the record. */
    private Sound mixed(Sound own, Sounds s) {
        Sound band = desk.asHeard(s.backing().orElseThrow());
        float[][] out = new float[2][];
        int shift = (int) Math.round(s.diStartS() * own.rateHz());
        for (int c = 0; c < 2; c++) {
            float[] x = own.channel(Math.min(c, own.channels().length - 1)).clone();
            float[] b = band.channel(Math.min(c, band.channels().length - 1));
            for (int i = 0; i < x.length; i++) {
                int k = i + shift;
                if (k >= 0 && k < b.length) x[i] += b[k];
            }
            out[c] = x;
        }
        return new Sound(out, own.rateHz());
    }

    private String words(PlayerModel.Span span) {
        return String.format(Locale.ROOT, "%.1f–%.1f s%s%s", span.fromS(), span.toS(),
                inTheMix.get() ? ", in the mix" : "",
                desk.heardOn().get().map(HeardOn::system).map(p -> ", on the " + p.name()).orElse(""));
    }

    /** Loads what the next trial plays; which is which is in nobody's sight. */
    private void next(StoredTrial t, PlayerModel.Span span) {
        MatchedPassages p = passages.orElseThrow();
        boolean record = t.trial().isRecordNext();
        boolean abx = t.trial().order().form() == TrialForm.ABX;
        Sound first = abx || record ? p.first() : p.second();
        Sound second = abx || record ? p.second() : p.first();
        Optional<Sound> x = abx ? Optional.of(record ? p.first() : p.second()) : Optional.empty();
        heard.clear();
        desk.player().loadBlind(Source.FIRST, Optional.of(first), span.fromS());
        desk.player().loadBlind(Source.SECOND, Optional.of(second), span.fromS());
        desk.player().loadBlind(Source.X, x, span.fromS());
        desk.player().loaded(desk.sounds().get().lengthS(), false);
        hear(abx ? Source.X : Source.FIRST);
    }

    /** Hears the first, the second or X, from where the passage is. */
    public void hear(Source s) {
        if (!running.get() || !desk.player().has(s)) return;
        heard.add(s);
        desk.player().choose(s);
        if (!desk.player().playing().get()) desk.player().toggle();
    }

    /** "X is the record", or "the first is the record"; or the other. What was not heard cannot be answered. */
    public void answer(boolean record) {
        if (!running.get()) return;
        StoredTrial t = current.get().orElseThrow();
        boolean abx = t.trial().order().form() == TrialForm.ABX;
        if (abx ? !heard.contains(Source.X) : !heard.containsAll(Set.of(Source.FIRST, Source.SECOND))) {
            said.set(abx ? "Hear X first." : "Hear both first.");
            return;
        }
        StoredTrial answered = desk.book().trials().answer(caseId().orElseThrow(), t, record);
        current.set(Optional.of(answered));
        said.set("");
        if (answered.trial().isEnded()) {
            stop();
            desk.refresh();
            read();
        } else {
            next(answered, desk.player().region().get());
        }
    }

    /** Leaves the trial as it stands; it can go on later. */
    public void pause() {
        stop();
        said.set("Left as it stands; begin again to go on.");
    }

    /** Ends it without a result. */
    public void giveUp() {
        Optional<StoredTrial> t = current.get().filter(x -> !x.trial().isEnded());
        stop();
        t.ifPresent(x -> desk.book().trials().abandon(caseId().orElseThrow(), x));
        current.set(Optional.empty());
        desk.refresh();
        read();
    }

    private void stop() {
        desk.player().stop();
        running.set(false);
        desk.player().blind().set(false);
        for (Source s : List.of(Source.FIRST, Source.SECOND, Source.X))
            desk.player().loadBlind(s, Optional.empty(), 0);
        desk.player().loaded(desk.sounds().get().lengthS(), desk.sounds().get().backing().isPresent());
        desk.player().choose(Source.REFERENCE);
    }

    /** What gave it away: the most audible differences of the tone, where the two were told apart. */
    public List<String> gaveAway(StoredTrial t) {
        if (t.trial().result().filter(r -> r.toldApart()).isEmpty()) return List.of();
        return desk.open().get().flatMap(OpenCase::tone).map(d -> d.gap().rows()).orElse(List.of()).stream()
                .filter(r -> r.audibility() >= TELLTALE_JND)
                .sorted(Comparator.comparingDouble(GapRow::audibility).reversed()).limit(GAVE_AWAY)
                .map(r -> String.format(Locale.ROOT, "%s (%.1f JND)",
                        r.attribute().isBand() ? r.attribute().playersWords() : r.attribute().words(),
                        r.audibility()))
                .toList();
    }

    public Desk desk() {
        return desk;
    }

    public ObjectProperty<TrialForm> form() {
        return form;
    }

    /** How many answers at the most. */
    public IntegerProperty many() {
        return many;
    }

    /** Whether it may end as soon as the answers decide. */
    public BooleanProperty sequential() {
        return sequential;
    }

    /** Whether mine is heard with the band round it. */
    public BooleanProperty inTheMix() {
        return inTheMix;
    }

    /** The trial under way, or the one that has just ended. */
    public ReadOnlyObjectProperty<Optional<StoredTrial>> current() {
        return current.getReadOnlyProperty();
    }

    /** Trials that have ended, newest first. */
    public ReadOnlyObjectProperty<List<StoredTrial>> earlier() {
        return earlier.getReadOnlyProperty();
    }

    /** Whether a trial plays now. */
    public ReadOnlyBooleanProperty running() {
        return running.getReadOnlyProperty();
    }

    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
