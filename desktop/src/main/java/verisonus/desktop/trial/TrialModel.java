package verisonus.desktop.trial;

import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
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
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import verisonus.casebook.exchange.StoredTrial;
import verisonus.core.compare.GapRow;
import verisonus.core.sound.Sound;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.trial.blind.BlindTrial;
import verisonus.core.trial.blind.MatchedPassages;
import verisonus.core.trial.blind.StoppingRule;
import verisonus.core.trial.blind.TrialForm;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.HeardOn;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.player.ListeningLevel;
import verisonus.desktop.player.PlayerModel;
import verisonus.desktop.player.Source;

/**
 * A blind trial over the marked region: the record against mine, as loud as each other, in an order that was sealed before. Answers
 * are kept as they are given; a trial that was left goes on where it stood.
 */
public final class TrialModel {
    private static final int GAVE_AWAY = 3;
    private static final double TELLTALE_JND = 1;
    private static final String RECORD = "the record";
    private static final String MINE = "mine";
    private static final int PRACTICE = 3;

    private final Desk desk;
    private final RandomGenerator seeds;
    private final Candidates candidates;
    private final ObjectProperty<TrialForm> form = new SimpleObjectProperty<>(TrialForm.ABX);
    private final IntegerProperty many = new SimpleIntegerProperty(12);
    private final BooleanProperty sequential = new SimpleBooleanProperty();
    private final ObjectProperty<Around> around = new SimpleObjectProperty<>(Around.ALONE);
    private final StringProperty against = new SimpleStringProperty(MINE);
    private final ReadOnlyObjectWrapper<Optional<StoredTrial>> current = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<List<StoredTrial>> earlier = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyBooleanWrapper running = new ReadOnlyBooleanWrapper();
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private final Set<Source> heard = EnumSet.noneOf(Source.class);
    private Optional<MatchedPassages> passages = Optional.empty();
    private Optional<StoredTrial> tried = Optional.empty();
    /** The case whose sounds are tried. */
    private long trying = -1;
    private int practising;
    private int gaps;

    /** @param seeds what orders are drawn from */
    public TrialModel(Desk desk, RandomGenerator seeds) {
        this(desk, seeds, new Candidates(desk));
    }

    TrialModel(Desk desk, RandomGenerator seeds, Candidates candidates) {
        this.desk = desk;
        this.seeds = seeds;
        this.candidates = candidates;
        desk.bench().subscribe((was, now) -> {
            if (was != now) pause();
        });
        desk.open().subscribe(_ -> read());
    }

    private void read() {
        Optional<Long> id = caseId();
        List<StoredTrial> all = id.map(i -> desk.book().trials().of(i)).orElse(List.of());
        Optional<StoredTrial> now = current.get().flatMap(c -> all.stream().filter(t -> t.id() == c.id()).findFirst());
        boolean elsewhere = !id.equals(Optional.of(trying));
        if ((now.isEmpty() || elsewhere) && running.get()) stop();
        current.set(now.or(() -> all.stream().filter(t -> !t.trial().isEnded()).findFirst()));
        earlier.set(all.stream().filter(t -> t.trial().isEnded()).toList());
    }

    private Optional<Long> caseId() {
        return desk.open().get().map(o -> o.entry().id());
    }

    /** Draws and seals an order, then plays; goes on with a trial that was left. */
    public void begin() {
        begin(false);
    }

    /** A few answers that count for nothing and are told at once, so that the keys are known before it matters. */
    public void practise() {
        begin(true);
    }

    private void begin(boolean practice) {
        Optional<OpenCase> open = desk.open().get();
        Optional<Passage> p = Passage.of(desk);
        List<Candidates.Offer> two = candidates.named(List.of(RECORD, against.get()));
        if (open.isEmpty() || p.isEmpty() || two.size() < 2) {
            said.set("Derive a tone first: a trial needs the record and mine.");
            return;
        }
        Optional<StoredTrial> left = practice ? Optional.empty() : current.get().filter(t -> !t.trial().isEnded());
        PlayerModel.Span span = p.get().span();
        Around how = around.get();
        Surroundings round = candidates.surroundings(how);
        Bench bench = desk.bench().get();
        long caseId = open.get().entry().id();
        TrialForm asked = form.get();
        StoppingRule rule = new StoppingRule(many.get(), sequential.get());
        String level = level();
        Optional<GapRow> turnsOn = turnsOn();
        String where = words(span);
        if (left.isPresent() && !left.get().passage().equals(words(span))) {
            said.set("It was begun on " + left.get().passage() + ": choose that again, or give it up.");
            return;
        }
        desk.player().stop();
        desk.forCase("Matching the two passages", progress -> {
            MatchedSounds m = Candidates.matched(two, p.get(), round, progress);
            if (m.same(0, 1))
                throw new InputFault(two.get(1).name(), "it is the same as the record: there is nothing to tell apart",
                        "choose another candidate");
            return new MatchedPassages(m.first(), m.sound(1), m.leftLu());
        }).show(matched -> {
            // Nothing begins, and no order is sealed, for somebody who went elsewhere or looks at something else by now.
            if (desk.bench().get() != bench || !where.equals(words(span))) return;
            passages = Optional.of(matched);
            practising = practice ? PRACTICE : 0;
            StoredTrial t = practice
                    ? new StoredTrial(-1, BlindTrial.begin(asked, new StoppingRule(StoppingRule.FEWEST, false),
                            seeds.nextLong()), where, List.of())
                    : left.orElseGet(() -> desk.book().trials().begin(caseId,
                            BlindTrial.begin(asked, rule, seeds.nextLong()), where, level, turnsOn));
            trying = caseId;
            tried = practice ? Optional.of(t) : Optional.empty();
            if (!practice) current.set(Optional.of(t));
            desk.player().blind().set(true);
            desk.player().region().set(span);
            running.set(true);
            said.set(practice ? "A training round: nothing of it counts." : "");
            next(t, span);
        });
    }

    /** What the two differ in most, as far as the tone's gap says; only of mine, alone, is that known. */
    private Optional<GapRow> turnsOn() {
        if (!against.get().equals(MINE) || around.get() != Around.ALONE || desk.heardOn().get().isPresent())
            return Optional.empty();
        return desk.open().get().flatMap(OpenCase::tone).flatMap(d -> d.gap().rows().stream().max(Comparator
                .comparingDouble(GapRow::audibility))).filter(r -> r.audibility() > 0);
    }

    private String level() {
        ListeningLevel l = desk.player().level().get();
        return Figures.of("%.0f dB SPL %s", l.dbSpl(desk.player().levelDb().get()), l.from().words());
    }

    private String words(PlayerModel.Span span) {
        return Figures.of("%.1f–%.1f s%s%s%s", span.fromS(), span.toS(),
                against.get().equals(MINE) ? "" : ", " + against.get(),
                around.get() == Around.ALONE ? "" : ", " + around.get().words(),
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
        gaps = desk.player().gaps();
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
        StoredTrial t = tried.or(current::get).orElseThrow();
        boolean abx = t.trial().order().form() == TrialForm.ABX;
        if (abx ? !heard.contains(Source.X) : !heard.containsAll(Set.of(Source.FIRST, Source.SECOND))) {
            said.set(abx ? "Hear X first." : "Hear both first.");
            return;
        }
        if (practising > 0) {
            practised(t, record);
            return;
        }
        if (brokeOff()) {
            StoredTrial without = desk.book().trials().leaveOut(trying, t);
            current.set(Optional.of(without));
            said.set("The sound broke off: that one does not count.");
            next(without, desk.player().region().get());
            return;
        }
        StoredTrial answered = desk.book().trials().answer(trying, t, record);
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

    private void practised(StoredTrial t, boolean record) {
        String was = t.trial().isRecordNext() == record ? "Right" : "No";
        StoredTrial next = new StoredTrial(-1, t.trial().answered(record), t.passage(), List.of());
        tried = Optional.of(next);
        practising--;
        if (practising == 0) {
            stop();
            said.set(was + ". That was the training round; begin when you are ready.");
        } else {
            next(next, desk.player().region().get());
            said.set(was + ". " + practising + " more that do not count.");
        }
    }

    private boolean brokeOff() {
        int now = desk.player().gaps();
        boolean out = now > gaps;
        gaps = now;
        return out;
    }

    /** The trial that is asked now: the one that is kept, or a training round. */
    public Optional<StoredTrial> asked() {
        return tried.or(current::get);
    }

    /** Leaves the trial as it stands; it can go on later. */
    public void pause() {
        if (!running.get()) return;
        boolean training = practising > 0;
        stop();
        said.set(training ? "" : "Left as it stands; begin again to go on.");
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
        practising = 0;
        tried = Optional.empty();
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
                .map(r -> Figures.of("%s (%.1f JND)",
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

    /** What stands round the guitar. */
    ObjectProperty<Around> around() {
        return around;
    }

    /** Name of what is tried against the record. */
    public StringProperty against() {
        return against;
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
