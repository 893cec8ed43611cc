package verisonus.desktop.derive.advice;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.function.BiFunction;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.exchange.ImpulseFolder;
import verisonus.casebook.exchange.PerformanceJson;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Medium;
import verisonus.casebook.words.PlayerProfile;
import verisonus.core.advise.Move;
import verisonus.core.advise.NextMoves;
import verisonus.core.advise.PlayingShare;
import verisonus.core.advise.Reach;
import verisonus.core.advise.SaidWord;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.notes.TempoReading;
import verisonus.core.evidence.words.Word;
import verisonus.core.feel.Feel;
import verisonus.core.feel.SaturationShift;
import verisonus.core.feel.TouchCurve;
import verisonus.core.perform.school.School;
import verisonus.core.perform.school.Schools;
import verisonus.core.perform.school.Side;
import verisonus.core.rig.Tone;
import verisonus.core.search.ToneEvidence;
import verisonus.core.simulate.LevelWalk;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.StageSaturation;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
import verisonus.core.take.Pairing;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.CaseAsItStands;
import verisonus.desktop.session.CaseSession;
import verisonus.desktop.session.ToneEdit;

/** What to turn next, how it feels, what the rig cannot reach, what is the playing's. Each answer stands until the tone changes. */
public final class AdviceModel {
    private static final double SOFT_DB = -18;
    /** Of the take, for what is asked at two strengths: a phrase's worth. */
    private static final double LONGEST_FELT_S = 6;

    /** What can be asked, each at its price in time. */
    enum Asked {
        MOVES(8),
        FEEL(7),
        REACH(15),
        PLAYING(6),
        LEVELS(2),
        SCHOOLS(20);

        /** On two cores, for a region of eight seconds. */
        private final double usualS;

        Asked(double usualS) {
            this.usualS = usualS;
        }
    }

    private final Map<Asked, Double> took = new ConcurrentHashMap<>();

    /** An answer with the tone that it is about. */
    record About<T>(Tone tone, T value) {}

    /** Under the fingers, and where the dirt is made. */
    record Fingers(Feel feel, StageSaturation soft, StageSaturation hard, List<SaturationShift.Shift> shifts) {}

    private final CaseSession session;
    private final ReadOnlyObjectWrapper<Optional<About<List<Move>>>> moves = none();
    private final ReadOnlyObjectWrapper<Optional<About<Fingers>>> fingers = none();
    private final ReadOnlyObjectWrapper<Optional<About<List<Reach.Unreached>>>> unreached = none();
    private final ReadOnlyObjectWrapper<Optional<About<PlayingShare>>> playing = none();
    private final ReadOnlyObjectWrapper<Optional<About<List<LevelWalk.Point>>>> levels = none();
    private final ReadOnlyObjectWrapper<Optional<About<List<School>>>> schools = none();
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");

    public AdviceModel(CaseSession session) {
        this.session = session;
    }

    CaseSession session() {
        return session;
    }

    private static <T> ReadOnlyObjectWrapper<Optional<T>> none() {
        return new ReadOnlyObjectWrapper<>(Optional.empty());
    }

    /** A part of the studied region with the take in time with it, and what was measured in the part. */
    private record Ground(MatchedTake take, ToneEvidence evidence) {}

    private static Ground ground(CaseAsItStands c) {
        MatchedTake take = take(c);
        return new Ground(take, ToneEvidence.of(take, Progress.NONE));
    }

    /** The take as the search laid it under the region; of a long region a part. */
    private static MatchedTake take(CaseAsItStands c) {
        DerivedTone.Search found = c.tone().orElseThrow().search();
        Sound part = c.wanted().orElseThrow().atRate(Sound.WORKING_RATE_HZ);
        Sound di = c.sounds().di().orElseThrow();
        if (!found.pairing().isSamePhrase()) return new MatchedTake(part, di, Pairing.OTHER_PLAYING);
        return MatchedTake.at(part.slice(0, NextMoves.LONGEST_S), di,
                found.diStartS() - c.region().orElseThrow().fromS(), found.pairing());
    }

    /** About how long a question takes: as long as it took last, or as it usually does. */
    String price(Asked question) {
        double s = took.getOrDefault(question, question.usualS);
        return Figures.of(s < 1.5 ? "about a second" : "about %.0f s", s);
    }

    /** @param question is answered off the window's thread, of the case as it is now */
    private <T> void ask(Asked asked, String title, ReadOnlyObjectWrapper<Optional<About<T>>> into,
            BiFunction<CaseAsItStands, Progress, T> question) {
        Optional<CaseAsItStands> now = session.asItStands().filter(c -> c.tone().isPresent());
        if (now.isEmpty() || !session.missing().isEmpty()) return;
        Tone tone = settings(now.get());
        session.desk().forTone(title, p -> {
            long from = System.nanoTime();
            T found = question.apply(now.get(), p);
            took.put(asked, (System.nanoTime() - from) / 1e9);
            return found;
        }).show(found -> into.set(Optional.of(new About<>(tone, found))));
    }

    private static Tone settings(CaseAsItStands c) {
        return c.tone().orElseThrow().tone();
    }

    private static Sound di(CaseAsItStands c) {
        return c.sounds().di().orElseThrow();
    }

    /** Looks for the moves that help most. */
    public void findMoves() {
        said.set("");
        look("Looking for the next move", (n, p) -> n.best(p));
    }

    /** Looks for the moves that a word asks for, as "too boxy" or "needs air". */
    public void findMoves(String words) {
        Optional<SaidWord> word = SaidWord.find(words, session.desk().book().judgements().vocabulary());
        if (word.isEmpty()) {
            List<Word> known = session.desk().book().judgements().vocabulary();
            said.set("\"" + words.strip() + "\" is not known. Nearest: " + String.join(", ",
                    SaidWord.nearest(words, known)) + ". All: " + String.join(", ", SaidWord.names(known)) + ".");
            return;
        }
        said.set((word.get().more() ? "For more " : "For less ") + word.get().word().name()
                + ", what helps most and harms least:");
        look("Looking for moves", (n, p) -> n.towards(word.get().word(), word.get().more(), p));
    }

    private void look(String title, BiFunction<NextMoves, Progress, List<Move>> question) {
        ExecutorService helpers = session.desk().work().helpers();
        ask(Asked.MOVES, title, moves, (c, p) -> {
            DerivedTone t = c.tone().orElseThrow();
            Ground g = ground(c);
            return question.apply(new NextMoves(new NextMoves.Question(g.evidence, g.take.sound(), t.tone(), c.rig(),
                    t.locked(), t.gap().wantedSo()), helpers, p), p);
        });
    }

    /** Makes a move, measures it, and takes it back where it makes things worse. */
    public void show(Move move) {
        Optional<DerivedTone> before = session.tone();
        if (before.isEmpty()) return;
        session.tryOut(ToneEdit.from(before.get().tone(), move.tone()), move.words(session.rig()), (was, gap) -> {
            double gained = was.distanceJnd() - gap.distanceJnd();
            boolean worse = gained < 0 && move.gainJnd() >= 0;
            said.set(worse
                    ? Figures.of("%s made it worse by %.1f JND: taken back.", move.words(session.rig()),
                            -gained)
                    : Figures.read("%s: promised %.1f, measured %.1f JND nearer.",
                            move.words(session.rig()), move.gainJnd(), gained));
            return !worse;
        });
    }

    /** The next gap: looks for moves, or makes the first of those found. */
    public void next() {
        Optional<List<Move>> found = current(moves);
        if (found.isEmpty()) {
            findMoves();
        } else if (found.get().isEmpty()) {
            said.set("No single move would bring it nearer.");
        } else {
            show(found.get().get(0));
        }
    }

    /** Touch curve, where the dirt is made, and the feel against the reference. */
    public void askFeel() {
        ask(Asked.FEEL, "Feeling it out", fingers, (c, p) -> {
            Tone tone = settings(c);
            Sound di = di(c);
            Ground g = ground(c);
            p.step(0.3, "playing softly and hard");
            TouchCurve touch = TouchCurve.of(tone, di.peak());
            Sound mine = Renderer.render(tone, g.take.sound(), Optional.of(g.take.sound()), Quality.FINAL, p);
            Feel feel = Feel
                    .of(new Feel.Heard(g.evidence.wanted(), g.take.reference(),
                            Examination.of(mine, Examination.Depth.TONE, p),
                            mine, g.take.same() ? Optional.of(g.take.sound()) : Optional.empty()), touch);
            Sound part = di.durationS() > LONGEST_FELT_S ? di.slice(0, LONGEST_FELT_S) : di;
            return new Fingers(feel, StageSaturation.of(tone, part, SOFT_DB), StageSaturation.of(tone, part, 0),
                    new SaturationShift(part).of(tone));
        });
    }

    /** Makes the same dirt elsewhere. */
    void shift(SaturationShift.Shift s) {
        fingers.get().map(About::tone).ifPresent(t -> session.change(ToneEdit.from(t, s.tone()), s.words()));
    }

    /** What the rig cannot reach. */
    public void askReach() {
        ExecutorService helpers = session.desk().work().helpers();
        ask(Asked.REACH, "Asking what the rig cannot reach", unreached, (c, p) -> {
            MatchedTake take = take(c);
            Evidence e = ToneEvidence.everything(take, p);
            return new Reach(e, take, settings(c), c.rig(), helpers).of(p);
        });
    }

    /** How far the takes of this case lie apart through the tone. */
    public void askPlaying() {
        List<Medium> takes = takes();
        if (takes.size() < 2) {
            said.set("Add or record a second dry take of the phrase: one take shows no spread.");
            return;
        }
        ask(Asked.PLAYING, "Comparing takes", playing, (c, p) -> PlayingShare.of(settings(c),
                takes.stream().map(m -> session.desk().book().recordings().sound(m.hash())).toList(), p));
    }

    /** Levels along the chain; in volts too where the input's sensitivity is known. */
    public void askLevels(Optional<Double> fullScaleVolts) {
        ask(Asked.LEVELS, "Walking through the levels", levels,
                (c, _) -> LevelWalk.of(settings(c), di(c), fullScaleVolts));
    }

    /** Both ways of what players part over, on this tone, each at its price; with a measured loudspeaker where one is given. */
    public void askSchools(Optional<Path> loudspeaker) {
        Optional<CaseAsItStands> now = session.asItStands();
        if (now.isEmpty()) return;
        OptionalDouble kept = session.desk().book().performances().tempo(now.get().caseId()).stream()
                .mapToDouble(PerformanceJson.Tempo::bpm).findFirst();
        ExecutorService helpers = session.desk().work().helpers();
        ask(Asked.SCHOOLS, "Trying both ways", schools, (c, p) -> {
            Ground g = ground(c);
            OptionalDouble bpm = kept.isPresent()
                    ? kept
                    : g.evidence.wanted().tempo().value().stream().mapToDouble(TempoReading::bpm).findFirst();
            return new Schools(settings(c), c.rig(), g.take.sound(), Optional.of(g.evidence), helpers).of(bpm,
                    loudspeaker.map(ImpulseFolder::impulse), p);
        });
    }

    Optional<List<School>> schools() {
        return current(schools);
    }

    /** Plays one side in mine's place until the tone is played anew. */
    void hear(Side side) {
        Optional<DerivedTone> tone = session.tone();
        if (tone.isEmpty() || !session.isStill(schools.get().map(About::tone).orElse(tone.get().tone()))) return;
        CaseAsItStands c = session.asItStands().orElseThrow();
        if (c.sounds().di().isEmpty()) return;
        session.desk().forTone("Playing it " + side.words(),
                p -> Renderer.render(side.tone(), di(c), c.sounds().second(), Quality.SEARCH, p))
                .show(played -> session.desk().hearMine(c.caseId(), played, tone.get().search().diStartS()));
    }

    /** Decides a question and keeps the reason in the logbook: the tone is changed, or stays. */
    void decide(School school, Side side, String reason) {
        String why = reason.isBlank() ? "" : ", because " + reason.strip();
        String what = Figures.of("Decided %s: %s%s", school.question(), side.words(), why);
        Optional<Tone> asked = schools.get().map(About::tone);
        if (side.price().isPresent() && asked.isPresent()) {
            session.change(ToneEdit.from(asked.get(), side.tone()), what);
        } else {
            session.tone().ifPresent(t -> session.keep(t, what));
        }
        said.set(what + ".");
    }

    Optional<List<LevelWalk.Point>> levels() {
        return current(levels);
    }

    /** Keeps how the tone feels as what this player likes. */
    public void likeThis() {
        fingers().ifPresent(f -> {
            session.desk().book().judgements().keepProfile(PlayerProfile.of(f.feel().touch()));
            said.set("Kept: from now on every tone's feel is held against this one.");
        });
    }

    /** How the tone feels against what the player likes; empty where nothing was kept, or it feels the same. */
    List<String> againstLiking() {
        return fingers()
                .flatMap(f -> session.desk().book().judgements().profile().map(p -> p.against(f.feel().touch())))
                .orElse(List.of());
    }

    private List<Medium> takes() {
        return session.desk().open().get().map(o -> o.media().stream().filter(m -> m.role() == Medium.Role.DI).toList())
                .orElse(List.of());
    }

    /** An answer, while the tone is the one it is about. */
    private <T> Optional<T> current(ReadOnlyObjectWrapper<Optional<About<T>>> of) {
        return of.get().filter(a -> session.isStill(a.tone))
                .map(About::value);
    }

    Optional<List<Move>> moves() {
        return current(moves);
    }

    Optional<Fingers> fingers() {
        return current(fingers);
    }

    Optional<List<Reach.Unreached>> unreached() {
        return current(unreached);
    }

    public Optional<PlayingShare> playing() {
        return current(playing);
    }

    /** Calls back whenever an answer has come. */
    public void onAnswer(Runnable then) {
        moves.subscribe(then);
        fingers.subscribe(then);
        unreached.subscribe(then);
        playing.subscribe(then);
        levels.subscribe(then);
        schools.subscribe(then);
    }

    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<Optional<About<List<Move>>>> movesProperty() {
        return moves.getReadOnlyProperty();
    }
}
