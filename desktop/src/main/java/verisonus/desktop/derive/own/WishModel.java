package verisonus.desktop.derive.own;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.atomic.AtomicReference;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import verisonus.core.advise.SaidWord;
import verisonus.core.evidence.words.Word;
import verisonus.core.perform.wish.Granted;
import verisonus.core.perform.wish.Wish;
import verisonus.core.perform.wish.WishSolver;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.desktop.session.CaseSession;
import verisonus.desktop.session.ToneEdit;

/** What the tone shall be, in what a listener notices; it is moved there, measured on the take, and can be taken back. */
public final class WishModel {
    /** Under this a slider says nothing. */
    private static final double AT_REST = 0.005;

    /**
     * What came of a wish.
     *
     * @param tone that it was made on, and its result: what is shown holds for that tone alone
     */
    public record Answer(Tone tone, Granted granted) {}

    private final CaseSession session;
    private final StringProperty words = new SimpleStringProperty("");
    private final DoubleProperty dirtBy = new SimpleDoubleProperty();
    private final DoubleProperty louderLu = new SimpleDoubleProperty();
    private final ReadOnlyObjectWrapper<Optional<Answer>> answer = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");

    public WishModel(CaseSession session) {
        this.session = session;
        session.desk().open().subscribe((was, now) -> {
            boolean same = was.map(o -> o.entry().id()).equals(now.map(o -> o.entry().id()));
            if (!same) clear();
        });
    }

    private void clear() {
        words.set("");
        dirtBy.set(0);
        louderLu.set(0);
        answer.set(Optional.empty());
        said.set("");
    }

    /** Asks for it: the words, the dirt and the loudness together. */
    public void grant() {
        Optional<Wish> wish = wish();
        Optional<Sound> take = session.di();
        if (wish.isEmpty()) return;
        if (take.isEmpty() || session.tone().isEmpty()) {
            said.set("There is no tone to change yet: start from one first.");
            return;
        }
        said.set("");
        Rig rig = session.rig();
        ExecutorService workers = session.desk().work().helpers();
        AtomicReference<Optional<Answer>> found = new AtomicReference<>(Optional.empty());
        session.change((tone, sounds, progress) -> {
            Granted g = new WishSolver(rig, sounds.di().orElse(take.get()), workers).granted(tone, wish.get(),
                    progress);
            found.set(Optional.of(new Answer(tone, g)));
            // A tone that stays as it is is not kept anew, and the player is told all the same.
            if (g.tone().equals(tone))
                session.desk().work().onWindow(() -> {
                    if (session.isStill(tone)) answered(found.get());
                });
            return g.tone();
        }, "Wished: " + summary(wish.get()), _ -> answered(found.get()));
    }

    private void answered(Optional<Answer> found) {
        answer.set(found);
        dirtBy.set(0);
        louderLu.set(0);
    }

    /** One word of the usual ones. */
    public void grant(String word) {
        words.set(word);
        grant();
    }

    /** What is asked for; what cannot be understood is said. */
    private Optional<Wish> wish() {
        List<SaidWord> understood = new ArrayList<>();
        for (String part : words.get().split("[,;]", -1)) {
            String w = part.strip();
            if (w.isEmpty()) continue;
            Optional<SaidWord> found = SaidWord.find(w, Word.shipped());
            if (found.isEmpty()) {
                said.set("“" + w + "” is not a word known here; close to it: "
                        + String.join(", ", SaidWord.nearest(w, Word.shipped())) + ".");
                return Optional.empty();
            }
            understood.add(found.get());
        }
        Wish wish = new Wish(understood, moved(louderLu.get()), moved(dirtBy.get()), Optional.empty());
        if (wish.isEmpty()) said.set("Say how it should sound, or move a slider.");
        return wish.isEmpty() ? Optional.empty() : Optional.of(wish);
    }

    private static OptionalDouble moved(double by) {
        return Math.abs(by) < AT_REST ? OptionalDouble.empty() : OptionalDouble.of(by);
    }

    private static String summary(Wish w) {
        List<String> out = new ArrayList<>();
        w.words().forEach(s -> out.add((s.more() ? "more " : "less ") + s.word().name()));
        w.dirtBy().ifPresent(d -> out.add(d > 0 ? "dirtier" : "cleaner"));
        w.louderLu().ifPresent(l -> out.add(l > 0 ? "louder" : "softer"));
        return String.join(", ", out);
    }

    /** Takes the last wish back, whatever else was noted or locked since. */
    public void takeBack() {
        standing().ifPresent(a -> session.change(ToneEdit.from(a.granted.tone(), a.tone), "Took the wish back",
                _ -> answer.set(Optional.empty())));
    }

    public StringProperty words() {
        return words;
    }

    public DoubleProperty dirtBy() {
        return dirtBy;
    }

    public DoubleProperty louderLu() {
        return louderLu;
    }

    /** What came of the last wish, as long as the tone is still its result. */
    public Optional<Answer> standing() {
        return answer.get().filter(a -> session.isStill(a.granted.tone()));
    }

    public ReadOnlyObjectProperty<Optional<Answer>> answer() {
        return answer.getReadOnlyProperty();
    }

    /** What could not be understood, or is missing. */
    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }

    CaseSession session() {
        return session;
    }
}
