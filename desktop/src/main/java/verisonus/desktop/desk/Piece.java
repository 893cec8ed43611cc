package verisonus.desktop.desk;

import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import verisonus.core.work.Progress;

/**
 * One piece of background work: what it does, to whom its result belongs, and what becomes of it when it is done, cancelled, overtaken or
 * at fault. It is described on the window's thread and carried out by {@link Work}.
 *
 * <p>What it does must rest on values that were taken before: nothing that the window shows may be read in it. A result is kept with its
 * owner even while something else is open; it is shown only where its owner is still in sight. A piece that only shows something is
 * given up as soon as nobody looks.
 */
public final class Piece<T> {
    private final Work work;
    private final String title;
    private final Function<Progress, T> doing;
    private final Owner owner;
    private final Runnable read;
    private Optional<Consumer<T>> keep = Optional.empty();
    private Consumer<Unfinished> unfinished = _ -> {};
    private Consumer<T> show = _ -> {};
    private Runnable unseen = () -> {};

    /** Why there is no result. */
    public enum Unfinished {
        CANCELLED,
        AT_FAULT,
        /** Another case was opened, or the tone it was about has changed. */
        OVERTAKEN
    }

    /** @param read shows anew what the casebook holds */
    Piece(Work work, String title, Function<Progress, T> doing, Owner owner, Runnable read) {
        this.work = work;
        this.title = title;
        this.doing = doing;
        this.owner = owner;
        this.read = read;
    }

    /** Writes the result into the casebook, with its owner, whatever is open then; what is shown is read anew afterwards. */
    public Piece<T> keep(Consumer<T> into) {
        keep = Optional.of(into);
        return this;
    }

    /** What is to be done where no result comes; else nothing is. */
    public Piece<T> otherwise(Consumer<Unfinished> then) {
        unfinished = then;
        return this;
    }

    /** What is to be done where the result was kept with an owner who is no longer in sight. */
    public Piece<T> unseen(Runnable then) {
        unseen = then;
        return this;
    }

    /** Begins as soon as what was begun before has ended. @param result takes what came of it where its owner is in sight */
    public void show(Consumer<T> result) {
        show = result;
        work.take(this);
    }

    /** Begins as soon as what was begun before has ended. */
    public void begin() {
        work.take(this);
    }

    String title() {
        return title;
    }

    T done(Progress progress) {
        return doing.apply(progress);
    }

    /** Whether nobody waits for it any more; asked on the worker. */
    boolean isIdle() {
        return keep.isEmpty() && !owner.isShown();
    }

    /** On the window's thread. */
    void finished(T result) {
        if (keep.isPresent()) {
            if (!owner.isThere()) {
                unfinished(Unfinished.OVERTAKEN);
                return;
            }
            keep.get().accept(result);
            read.run();
        }
        if (owner.isShown()) show.accept(result);
        else if (keep.isEmpty()) unfinished(Unfinished.OVERTAKEN);
        else unseen.run();
    }

    /** On the window's thread. */
    void unfinished(Unfinished why) {
        unfinished.accept(why);
    }
}
