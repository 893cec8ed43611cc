package verisonus.desktop.perform;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.store.Region;
import verisonus.core.perform.FewTurns;
import verisonus.core.perform.GuitarTrim;
import verisonus.core.perform.LevelPoint;
import verisonus.core.perform.Noticed;
import verisonus.core.perform.SaidVariant;
import verisonus.core.perform.SolvedVariant;
import verisonus.core.perform.SustainSolver;
import verisonus.core.perform.ToneNotices;
import verisonus.core.perform.UsualPart;
import verisonus.core.perform.VariantGoal;
import verisonus.core.perform.VariantSolver;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Sentence;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Piece;

/** Makes another sound out of the case's tone: a usual part, one that was said or dragged, or one that comes near to a recording. */
public final class VariantMaker {
    private static final int LADDER = 5;

    private final Desk desk;
    private final VariantsModel variants;
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");

    public VariantMaker(Desk desk, VariantsModel variants) {
        this.desk = desk;
        this.variants = variants;
        desk.open().subscribe((was, now) -> {
            if (!was.map(o -> o.entry().id()).equals(now.map(o -> o.entry().id()))) said.set("");
        });
    }

    /** One of the parts that most sets need. */
    public void make(UsualPart part) {
        solve(new Variant(variants.free(part.words())), dirt -> part.goal(dirt));
    }

    /** One as it was said, "solo: a bit louder, dirtier"; one that bears the name already is made anew. */
    public void say(String words) {
        try {
            SaidVariant v = SaidVariant.of(words);
            solve(new Variant(v.name()), _ -> v.goal());
        } catch (InputFault e) {
            said.set(fault(e));
        }
    }

    /**
     * A variant that shall stand elsewhere on one scale. The others stay where they are; loudness too, unless it is what was moved.
     *
     * @param to on the scale of what is noticed
     */
    public void move(String name, Noticed what, double to) {
        Optional<ToneNotices> tone = variants.row("").map(r -> r.notices());
        Optional<ToneNotices> now = variants.row(name).map(r -> r.notices());
        OptionalDouble from = tone.map(t -> t.shown(what, t)).orElse(OptionalDouble.empty());
        Optional<Variant> variant = variants.find(name);
        if (variant.isEmpty() || now.isEmpty() || from.isEmpty()) return;
        double louder = what == Noticed.LOUDNESS
                ? to
                : now.get().shown(Noticed.LOUDNESS, tone.get()).orElse(0);
        try {
            VariantGoal goal = VariantGoal.NOTHING.louder(louder);
            VariantGoal asked = what == Noticed.LOUDNESS ? goal : goal.with(what, to - from.getAsDouble());
            solve(variant.get(), _ -> asked);
        } catch (IllegalArgumentException e) {
            said.set("That is out of reach: " + e.getMessage() + ".");
        }
    }

    private void solve(Variant from, Function<Double, VariantGoal> goal) {
        Optional<Ground> ground = Ground.of(desk);
        if (ground.isEmpty()) {
            said.set("Derive a tone first: a variant differs from one.");
            return;
        }
        if (LevelPoint.all(ground.get().tone()).isEmpty()) {
            said.set("Put a volume at the chain's end in Derive first: there is nothing to level a variant with.");
            return;
        }
        if (variants.isTheTones(from.name())) {
            said.set("The tone itself is called so: give the sound a name of its own.");
            return;
        }
        said.set("");
        Ground g = ground.get();
        desk.forTone("Making " + from.name(), progress -> {
            VariantSolver solver = solver(g);
            return solver.solved(from, goal.apply(solver.before().dirt()), progress);
        }).keep(s -> desk.book().performances().keep(g.caseId(), s.variant()))
                .otherwise(this::sayOvertaken)
                .show(this::made);
    }

    private static VariantSolver solver(Ground g) {
        return new VariantSolver(g.tone(), g.di(), Optional.empty(), Optional.empty());
    }

    /** A variant of a tone that has changed meanwhile is none of the tone that stands now. */
    private void sayOvertaken(Piece.Unfinished why) {
        if (why == Piece.Unfinished.OVERTAKEN)
            said.set("The tone has changed meanwhile, so nothing was kept: ask again.");
    }

    private void made(SolvedVariant s) {
        variants.hear(s.variant().name());
        said.set(s.amiss().isEmpty() ? "" : Sentence.begun(String.join("; ", s.amiss())) + ".");
    }

    private static String fault(InputFault e) {
        return Sentence.begun(String.valueOf(e.getMessage())) + ".";
    }

    /** Steps of dirt from the tone to a variant, all as loud as the tone, kept as variants of their own. */
    public void ladder(String name) {
        Optional<Ground> ground = Ground.of(desk);
        Optional<Variant> to = variants.find(name);
        if (ground.isEmpty() || to.isEmpty()) return;
        Ground g = ground.get();
        desk.forTone("Making the steps to " + to.get().name(),
                progress -> solver(g).ladder(to.get(), LADDER, progress))
                // The first step is the tone itself, as the last is the variant.
                .keep(steps -> steps.subList(1, steps.size() - 1)
                        .forEach(s -> desk.book().performances().keep(g.caseId(), s.variant())))
                .otherwise(this::sayOvertaken)
                .show(steps -> said.set("Between the tone and " + to.get().name() + " stand " + (steps.size() - 2)
                        + " steps of dirt, each as loud as the tone."));
    }

    /** One that comes near to the marked region, another one than the tone was derived from, by few turns. */
    public void fromRegion() {
        Optional<Ground> ground = Ground.of(desk);
        Optional<Sound> record = desk.sounds().get().reference();
        Optional<Region> region = desk.open().get().flatMap(OpenCase::region);
        if (ground.isEmpty() || record.isEmpty() || region.isEmpty()) {
            said.set("Mark in Listen the part of the record in which the sound is heard.");
            return;
        }
        Region r = region.get();
        OptionalDouble laid = desk.open().get().orElseThrow().laidS(r.fromS());
        Ground g = ground.get();
        String name = variants.free(Figures.of("as at %d:%02d", (int) (r.fromS() / 60), (int) (r.fromS() % 60)));
        desk.forTone("Bringing it near to the marked region",
                progress -> FewTurns.towards(g.tone(), g.di(), record.get().slice(r.fromS(), r.toS()), laid, progress))
                .keep(f -> {
                    if (!f.turns().isEmpty())
                        desk.book().performances().keep(g.caseId(), Variant.between(name, g.tone(), f.on(g.tone())));
                })
                .otherwise(this::sayOvertaken)
                .show(f -> near(name, r, f));
    }

    private void near(String name, Region r, FewTurns f) {
        if (f.turns().isEmpty()) {
            said.set(Figures.of("No single turn brings the tone nearer to %.1f–%.1f s than the %.1f steps it is: it"
                    + " needs no variant.", r.fromS(), r.toS(), f.beforeJnd()));
            return;
        }
        variants.hear(name);
        said.set(Figures.of("The tone lies %.1f steps from %.1f–%.1f s, the variant %.1f.%s", f.beforeJnd(), r.fromS(),
                r.toS(), f.afterJnd(), f.sameTake()
                        ? ""
                        : " Another hand plays there, so only the colour was compared."));
    }

    /** One whose notes die away as those of a recording, of whatever instrument. */
    public void ringLike(Path recording) {
        Optional<Ground> ground = Ground.of(desk);
        if (ground.isEmpty()) return;
        Tone base = ground.get().tone();
        if (!SustainSolver.prepared(base).equals(base)) {
            said.set("Put a compressor in at the chain's beginning in Derive first, it may be off: that is what is"
                    + " turned.");
            return;
        }
        Ground g = ground.get();
        String name = variants.free("long notes");
        desk.forTone("Letting notes ring", progress -> {
            double wanted = SustainSolver.fallDbPerS(String.valueOf(recording.getFileName()),
                    SoundReader.read(recording).sound());
            return new SustainSolver(base, g.di()).towards(wanted, progress);
        }).keep(s -> desk.book().performances().keep(g.caseId(), Variant.between(name, base, s.tone())))
                .otherwise(this::sayOvertaken)
                .show(s -> {
                    variants.hear(name);
                    said.set(Sentence.begun(s.words()) + ".");
                });
    }

    /** What to turn for another guitar, from a take of it, kept as a variant that is called as the file is. */
    public void otherGuitar(Path take) {
        Optional<Ground> ground = Ground.of(desk);
        if (ground.isEmpty()) return;
        Ground g = ground.get();
        String name = variants.free(String.valueOf(take.getFileName()).replaceFirst("\\.[^.]*$", ""));
        desk.forTone("Listening to the other guitar", progress -> {
            Sound other = SoundReader.read(take).sound();
            return GuitarTrim.of(name, g.tone(), g.di(), other, progress);
        }).keep(t -> {
            if (t.base().equals(g.tone())) desk.book().performances().keep(g.caseId(), t.variant());
        }).otherwise(this::sayOvertaken).show(t -> {
            if (!t.base().equals(g.tone())) {
                said.set("Put an instrument input at the chain's beginning in Derive first: the other guitar's level is"
                        + " turned there.");
                return;
            }
            variants.choose(name);
            said.set(Figures.of("Through the tone as it is this guitar sounds %.1f JND from the first one, with this"
                    + " variant %.1f.", t.beforeJnd(), t.afterJnd()));
        });
    }

    /** What came of it where it is not plain to see, or what is missing. */
    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }

}
