package verisonus.desktop.perform;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.store.Region;
import verisonus.core.perform.FewTurns;
import verisonus.core.perform.GuitarTrim;
import verisonus.core.perform.LevelPoint;
import verisonus.core.perform.SolvedVariant;
import verisonus.core.perform.SustainSolver;
import verisonus.core.perform.UsualPart;
import verisonus.core.perform.VariantGoal;
import verisonus.core.perform.VariantMatrix;
import verisonus.core.perform.VariantSolver;
import verisonus.core.perform.check.LoudnessCeiling;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Piece;

/** Variants of the case's tone: made by a goal or by hand, heard, side by side by what a listener notices. */
public final class VariantsModel {
    private static final int LADDER = 5;

    private final Desk desk;
    private final ReadOnlyObjectWrapper<List<Variant>> variants = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<Optional<VariantMatrix>> matrix = new ReadOnlyObjectWrapper<>(Optional
            .empty());
    private final ReadOnlyStringWrapper heard = new ReadOnlyStringWrapper("");
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private Optional<Shown> shown = Optional.empty();

    /** What the matrix was made of. */
    private record Shown(Tone tone, Sound di, List<Variant> variants) {}

    public VariantsModel(Desk desk) {
        this.desk = desk;
        desk.open().subscribe(_ -> {
            heard.set("");
            read();
        });
        desk.changes().subscribe(_ -> read());
        desk.sounds().subscribe(_ -> compare());
        desk.bench().subscribe(_ -> compare());
        desk.bench().subscribe((was, now) -> {
            if (was == Bench.PERFORM && now != was) hearTheTone();
        });
    }

    /** What was tried here is heard here only: on every other bench, mine is the tone. */
    private void hearTheTone() {
        heard.set("");
        Ground.of(desk).ifPresent(
                g -> desk.sounds().get().mine().ifPresent(m -> desk.hearMine(g.caseId(), m, g.startS())));
    }

    private void read() {
        variants.set(desk.open().get().map(o -> desk.book().performances().variants(o.entry().id())).orElse(List.of()));
        if (find(heard.get()).isEmpty()) heard.set("");
        compare();
    }

    /** Plays all of them and reads what a listener notices; once for a tone and its variants, and only where it is looked at. */
    private void compare() {
        Optional<Ground> ground = Ground.of(desk);
        if (ground.isEmpty()) {
            matrix.set(Optional.empty());
            shown = Optional.empty();
            return;
        }
        Shown now = new Shown(ground.get().tone(), ground.get().di(), variants.get());
        if (desk.bench().get() != Bench.PERFORM || shown.filter(now::equals).isPresent()) return;
        shown = Optional.of(now);
        desk.forTone("Playing the variants", progress -> VariantMatrix.of(now.tone, now.variants, now.di, progress))
                .otherwise(_ -> {
                    // Asked again as soon as somebody looks.
                    if (shown.filter(now::equals).isPresent()) shown = Optional.empty();
                })
                .show(m -> {
                    if (shown.filter(now::equals).isPresent()) matrix.set(Optional.of(m));
                });
    }

    /** Solves and keeps a variant; figures that were left out ask for nothing. */
    public void solve(String name, String louder, String dirtier, String longer, String repeats) {
        Optional<Ground> ground = Ground.of(desk);
        if (ground.isEmpty()) {
            said.set("Derive a tone first: a variant differs from one.");
            return;
        }
        if (name.isBlank() || name.strip().equals(ground.get().tone().name())) {
            said.set("Give the variant a name of its own.");
            return;
        }
        if (LevelPoint.all(ground.get().tone()).isEmpty()) {
            said.set("Put a volume at the chain's end in Derive first: there is nothing to level the variant with.");
            return;
        }
        try {
            VariantGoal goal = goal(louder, dirtier, longer, repeats);
            Variant from = find(name.strip()).orElse(new Variant(name.strip()));
            Ground g = ground.get();
            desk.forTone("Solving " + from.name(), progress -> solver(g).solved(from, goal, progress))
                    .keep(s -> desk.book().performances().keep(g.caseId(), s.variant()))
                    .otherwise(this::sayOvertaken)
                    .show(this::solved);
        } catch (IllegalArgumentException e) {
            said.set("That goal is out of reach: " + e.getMessage() + ".");
        }
    }

    /** Solves and keeps rhythm, lead and clean, as far as none is called so. */
    public void solveUsual() {
        Optional<Ground> ground = Ground.of(desk);
        if (ground.isEmpty()) {
            said.set("Derive a tone first: a variant differs from one.");
            return;
        }
        Ground g = ground.get();
        if (LevelPoint.all(g.tone()).isEmpty()) {
            said.set("Put a volume at the chain's end in Derive first: there is nothing to level the variants with.");
            return;
        }
        Set<String> taken = variants.get().stream().map(Variant::name).collect(Collectors.toCollection(HashSet::new));
        taken.add(g.tone().name());
        desk.forTone("Solving rhythm, lead and clean", progress -> UsualPart.beside(taken, solver(g), progress))
                .keep(made -> made.forEach(s -> desk.book().performances().keep(g.caseId(), s.variant())))
                .otherwise(this::sayOvertaken)
                .show(made -> said.set(usualSaid(made)));
    }

    private static VariantSolver solver(Ground g) {
        return new VariantSolver(g.tone(), g.di(), Optional.empty(), Optional.empty());
    }

    /** A variant of a tone that has changed meanwhile is none of the tone that stands now. */
    private void sayOvertaken(Piece.Unfinished why) {
        if (why == Piece.Unfinished.OVERTAKEN)
            said.set("The tone has changed meanwhile, so nothing was kept: ask again.");
    }

    private static String usualSaid(List<SolvedVariant> made) {
        if (made.isEmpty()) return "Rhythm, lead and clean are there already.";
        List<String> out = new ArrayList<>();
        for (SolvedVariant s : made)
            out.add(s.variant().name() + (s.amiss().isEmpty() ? "" : ": " + String.join(", ", s.amiss())));
        return "Made " + String.join("; ", out) + ".";
    }

    private void solved(SolvedVariant s) {
        String at = "loudness is turned at " + s.loudnessAt() + s.dirtAt().map(p -> ", dirt at " + p).orElse("");
        said.set(s.amiss().isEmpty() ? s.variant().name() + ": " + at + "." : String.join("; ", s.amiss()) + ".");
    }

    private static VariantGoal goal(String louder, String dirtier, String longer, String repeats) {
        return new VariantGoal(OptionalDouble.of(figure(louder).orElse(0)), figure(dirtier), figure(longer),
                figure(repeats));
    }

    /** Steps of dirt from the tone to a variant, all as loud as the tone, kept as variants of their own. */
    public void ladder(String name) {
        Optional<Ground> ground = Ground.of(desk);
        Optional<Variant> to = find(name.strip());
        if (ground.isEmpty() || to.isEmpty()) {
            said.set("Name a variant that is there: the ladder leads from the tone to it.");
            return;
        }
        Ground g = ground.get();
        desk.forTone("Building a ladder to " + to.get().name(),
                progress -> solver(g).ladder(to.get(), LADDER, progress))
                // The first step is the tone itself, as the last is the variant.
                .keep(steps -> steps.subList(1, steps.size() - 1)
                        .forEach(s -> desk.book().performances().keep(g.caseId(), s.variant())))
                .otherwise(this::sayOvertaken)
                .show(steps -> said.set("Between the tone and " + to.get().name() + " stand " + (steps.size() - 2)
                        + " steps of dirt, each as loud as the tone."));
    }

    /** A variant that comes near to the marked region, another one than the tone was derived from, by few turns. */
    public void fromRegion(String name) {
        Optional<Ground> ground = Ground.of(desk);
        Optional<Sound> record = desk.sounds().get().reference();
        Optional<Region> region = desk.open().get().flatMap(OpenCase::region);
        if (ground.isEmpty() || record.isEmpty() || region.isEmpty() || name.isBlank()) {
            said.set("Mark the region in which the variant is heard, and name the variant first.");
            return;
        }
        Region r = region.get();
        OptionalDouble laid = desk.open().get().orElseThrow().laidS(r.fromS());
        Ground g = ground.get();
        desk.forTone("Bringing it near to the marked region",
                progress -> FewTurns.towards(g.tone(), g.di(), record.get().slice(r.fromS(), r.toS()), laid, progress))
                .keep(f -> {
                    if (!f.turns().isEmpty()) desk.book().performances().keep(g.caseId(), near(name, g, f));
                })
                .otherwise(this::sayOvertaken)
                .show(f -> {
                    if (f.turns().isEmpty()) {
                        said.set(Figures.of("No single turn brings the tone nearer to %.1f–%.1f s than the"
                                + " %.1f steps it is: it needs no variant.",
                                r.fromS(), r.toS(), f.beforeJnd()));
                        return;
                    }
                    said.set(Figures.of("%s: the tone lies %.1f steps from %.1f–%.1f s, the variant %.1f.%s",
                            name.strip(), f.beforeJnd(), r.fromS(), r.toS(), f.afterJnd(), f.sameTake()
                                    ? ""
                                    : " Another hand plays there, so only the colour was compared."));
                });
    }

    private static Variant near(String name, Ground g, FewTurns f) {
        return Variant.between(name.strip(), g.tone(), f.on(g.tone()));
    }

    /** How far the tone and each variant lie from the marked region. */
    public void nearness() {
        Optional<Ground> ground = Ground.of(desk);
        Optional<Sound> record = desk.sounds().get().reference();
        Optional<Region> region = desk.open().get().flatMap(OpenCase::region);
        if (ground.isEmpty() || record.isEmpty() || region.isEmpty()) {
            said.set("Mark the region that they shall be held against, in Listen.");
            return;
        }
        Region r = region.get();
        OptionalDouble laid = desk.open().get().orElseThrow().laidS(r.fromS());
        List<Variant> all = variants.get();
        Tone base = ground.get().tone();
        List<Tone> tones = new ArrayList<>(List.of(base.named("the tone")));
        for (Variant v : all) tones.add(v.on(base).named(v.name()));
        desk.forTone("Holding them against the marked region", progress -> FewTurns.apart(tones, ground.get().di(),
                record.get().slice(r.fromS(), r.toS()), laid, progress)).show(apart -> {
                    List<String> out = new ArrayList<>();
                    for (int i = 0; i < tones.size(); i++)
                        out.add(Figures.of("%s %.1f", tones.get(i).name(), apart.far().get(i)));
                    said.set(Figures.of("%s from %.1f–%.1f s: ", apart.unit(), r.fromS(), r.toS())
                            + String.join(", ", out) + ".");
                });
    }

    /** A variant whose notes die away as those of a recording, of whatever instrument. */
    public void ringLike(String name, Path recording) {
        Optional<Ground> ground = Ground.of(desk);
        if (ground.isEmpty() || name.isBlank()) {
            said.set("Name the variant first.");
            return;
        }
        Tone base = ground.get().tone();
        if (!SustainSolver.prepared(base).equals(base)) {
            said.set(
                    "Put a compressor in at the chain's beginning in Derive first, it may be off: that is what is turned.");
            return;
        }
        Ground g = ground.get();
        desk.forTone("Letting notes ring", progress -> {
            double wanted = SustainSolver.fallDbPerS(String.valueOf(recording.getFileName()),
                    SoundReader.read(recording)
                            .sound());
            return new SustainSolver(base, g.di()).towards(wanted, progress);
        }).keep(s -> desk.book().performances().keep(g.caseId(), Variant.between(name.strip(), base, s.tone())))
                .otherwise(this::sayOvertaken)
                .show(s -> said.set(name.strip() + ": " + s.words() + "."));
    }

    /** What to turn for another guitar, from a take of it, kept as a variant of the guitar's name. */
    public void otherGuitar(String name, Path take) {
        Optional<Ground> ground = Ground.of(desk);
        if (ground.isEmpty() || name.isBlank()) {
            said.set("Name the variant after the guitar first.");
            return;
        }
        Ground g = ground.get();
        desk.forTone("Listening to the other guitar", progress -> {
            Sound other = SoundReader.read(take).sound();
            return GuitarTrim.of(name.strip(), g.tone(), g.di(), other, progress);
        }).keep(t -> {
            if (t.base().equals(g.tone())) desk.book().performances().keep(g.caseId(), t.variant());
        }).otherwise(this::sayOvertaken).show(t -> {
            if (!t.base().equals(g.tone())) {
                said.set("Put an instrument input at the chain's beginning in Derive first: the other guitar's level is"
                        + " turned there.");
                return;
            }
            said.set(Figures.of("%s: %.1f JND from the first guitar as the tone is, %.1f so.",
                    t.variant()
                            .name(),
                    t.beforeJnd(), t.afterJnd()));
        });
    }

    static OptionalDouble figure(String typed) {
        String t = typed.strip().replace('−', '-').replace(',', '.').replaceAll("(?i)\\s*(lu|db|s|bpm)$", "");
        if (t.isEmpty()) return OptionalDouble.empty();
        try {
            double v = Double.parseDouble(t);
            if (Double.isFinite(v)) return OptionalDouble.of(v);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("\"" + typed.strip() + "\" is no number", e);
        }
        throw new IllegalArgumentException("\"" + typed.strip() + "\" is no number");
    }

    /** Sets a control or a switch of a variant by hand: "echo/mix 30", "drive on"; makes the variant where there is none. */
    public void set(String name, String typed) {
        Optional<Ground> ground = Ground.of(desk);
        if (ground.isEmpty() || name.isBlank()) {
            said.set("Name the variant first.");
            return;
        }
        Tone base = ground.get().tone();
        Variant v = find(name.strip()).orElse(new Variant(name.strip()));
        TypedChange changed = TypedChange.of(v.on(base), typed.strip(), desk.rig().get());
        if (changed.tone().isEmpty()) {
            said.set(changed.fault());
            return;
        }
        Variant next = Variant.between(v.name(), base, changed.tone().get());
        desk.book().performances().keep(ground.get().caseId(), next);
        said.set(next.name() + ": " + words(base, next) + ".");
        desk.refresh();
    }

    public Optional<Variant> find(String name) {
        return variants.get().stream().filter(v -> v.name().equals(name)).findFirst();
    }

    public void drop(String name) {
        Ground.of(desk).ifPresent(g -> {
            desk.book().performances().dropVariant(g.caseId(), name);
            desk.refresh();
        });
    }

    /** Hears a variant in the place of mine; an empty name hears the tone itself. */
    public void hear(String name) {
        Ground.of(desk).ifPresent(g -> {
            heard.set(name);
            g.hear(desk, find(name).map(v -> v.on(g.tone())).orElse(g.tone()));
        });
    }

    /** What a variant differs in, on the player's own scales. */
    public String words(Tone base, Variant v) {
        List<String> out = new ArrayList<>();
        for (Map.Entry<String, Boolean> s : v.switches().entrySet())
            out.add(s.getKey() + (s.getValue() ? " on" : " off"));
        v.settings().forEach((place, value) -> base.find(place.block()).flatMap(b -> b.model().find(place.control())
                .map(c -> desk.rig().get().display(b.model(), c, value)))
                .ifPresent(shownValue -> out.add(place.block() + " " + place.control() + " " + shownValue)));
        List<String> lost = v.lost(base);
        if (!lost.isEmpty()) out.add("no longer in the tone: " + String.join(", ", lost));
        return out.isEmpty() ? "differs in nothing yet" : String.join(", ", out);
    }

    /** The bench's one sentence. */
    public String heading() {
        if (Ground.of(desk).isEmpty()) return "Derive a tone first: then it can be played tonight.";
        int n = variants.get().size();
        if (n == 0) return "One tone, no variant yet.";
        return n == 1 ? "The tone and one variant." : "The tone and " + n + " variants.";
    }

    /** Which of them is too loud for a room, from a meter's reading of the tone and what is allowed. */
    public void ceiling(String measured, String allowed) {
        Optional<VariantMatrix> m = matrix.get();
        if (m.isEmpty()) {
            said.set("Make a variant first: then their loudness is known.");
            return;
        }
        try {
            LoudnessCeiling room = new LoudnessCeiling(decibels(measured), decibels(allowed));
            said.set(capital(String.join("; ", room.words(m.get().louderLu()))) + ".");
        } catch (NumberFormatException e) {
            said.set("Type what the meter read and what is allowed, both in dB(A).");
        } catch (InputFault e) {
            said.set(capital(String.valueOf(e.getMessage())) + ".");
        }
    }

    private static double decibels(String typed) {
        return Double.parseDouble(typed.strip().replace(',', '.'));
    }

    private static String capital(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    public Desk desk() {
        return desk;
    }

    public ReadOnlyObjectProperty<List<Variant>> variants() {
        return variants.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Optional<VariantMatrix>> matrix() {
        return matrix.getReadOnlyProperty();
    }

    /** The variant that is heard as mine; empty: the tone. */
    public ReadOnlyStringProperty heard() {
        return heard.getReadOnlyProperty();
    }

    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
