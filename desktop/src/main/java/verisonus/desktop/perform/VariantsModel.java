package verisonus.desktop.perform;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.core.perform.VariantMatrix;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.desktop.derive.chain.ScaleEntry;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.player.Source;

/** The case's tone and its variants: what a listener notices of each, which one is heard, and what is turned in it by hand. */
public final class VariantsModel {
    /** So many are kept as played: more than a set needs of one song. */
    private static final int PLAYED = 12;

    private final Desk desk;
    private final ReadOnlyObjectWrapper<List<Variant>> variants = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<Optional<VariantMatrix>> matrix = new ReadOnlyObjectWrapper<>(Optional
            .empty());
    private final ReadOnlyStringWrapper chosen = new ReadOnlyStringWrapper("");
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private Optional<Shown> shown = Optional.empty();
    private Optional<Sound> playedOf = Optional.empty();
    private final Map<Tone, Sound> played = new LinkedHashMap<>();

    /** What the matrix was made of. */
    private record Shown(Tone tone, Sound di, List<Variant> variants) {}

    public VariantsModel(Desk desk) {
        this.desk = desk;
        desk.open().subscribe((was, now) -> {
            if (!was.map(o -> o.entry().id()).equals(now.map(o -> o.entry().id()))) {
                chosen.set("");
                said.set("");
            }
            read();
        });
        desk.changes().subscribe(_ -> read());
        desk.sounds().subscribe(_ -> {
            played.clear();
            compare();
        });
        desk.bench().subscribe(_ -> compare());
        desk.bench().subscribe((was, now) -> {
            if (was == Bench.PERFORM && now != was) hearTheTone();
        });
    }

    /** What was tried here is heard here only: on every other bench, mine is the tone. */
    private void hearTheTone() {
        chosen.set("");
        Ground.of(desk).ifPresent(
                g -> desk.sounds().get().mine().ifPresent(m -> desk.hearMine(g.caseId(), m, g.startS())));
    }

    private void read() {
        variants.set(desk.open().get().map(o -> desk.book().performances().variants(o.entry().id())).orElse(List.of()));
        if (find(chosen.get()).isEmpty()) chosen.set("");
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

    public Optional<Variant> find(String name) {
        return variants.get().stream().filter(v -> v.name().equals(name)).findFirst();
    }

    /** A name that neither the tone nor a variant bears yet: itself, or with a number behind it. */
    public String free(String name) {
        String out = name;
        for (int n = 2; find(out).isPresent() || isTheTones(out); n++) out = name + " " + n;
        return out;
    }

    /** Whether the tone itself is called so: a variant would be taken for it. */
    boolean isTheTones(String name) {
        return Ground.of(desk).filter(g -> g.tone().name().equals(name)).isPresent();
    }

    public void drop(String name) {
        Ground.of(desk).ifPresent(g -> {
            desk.book().performances().dropVariant(g.caseId(), name);
            desk.refresh();
        });
    }

    /** Chooses a sound by its letter's place, the tone first, and plays it. @return whether there is one */
    public boolean hear(int place) {
        if (Ground.of(desk).isEmpty() || place > variants.get().size()) return false;
        hear(place == 0 ? "" : variants.get().get(place - 1).name());
        return true;
    }

    /** Chooses a variant and hears it in the place of mine; an empty name: the tone itself. On other benches mine stays the tone. */
    public void hear(String name) {
        if (desk.bench().get() != Bench.PERFORM) return;
        Ground.of(desk).ifPresent(g -> {
            chosen.set(name);
            Tone tone = find(name).map(v -> v.on(g.tone())).orElse(g.tone());
            Optional<Sound> known = kept(g, tone);
            if (known.isPresent()) {
                heard(g, known.get());
                return;
            }
            desk.forTone("Playing " + (name.isEmpty() ? "the tone" : name),
                    progress -> Renderer.render(tone, g.di(), g.second(), Quality.FINAL, progress)).show(s -> {
                        keep(g, tone, s);
                        if (chosen.get().equals(name)) heard(g, s);
                    });
        });
    }

    private Optional<Sound> kept(Ground g, Tone tone) {
        return playedOf.filter(d -> d == g.di()).map(_ -> played.get(tone));
    }

    private void keep(Ground g, Tone tone, Sound sound) {
        if (playedOf.filter(d -> d == g.di()).isEmpty() || played.size() >= PLAYED) played.clear();
        playedOf = Optional.of(g.di());
        played.put(tone, sound);
    }

    private void heard(Ground g, Sound sound) {
        if (desk.bench().get() != Bench.PERFORM) return;
        desk.hearMine(g.caseId(), sound, g.startS());
        desk.player().choose(Source.MINE);
        if (!desk.player().playing().get()) desk.player().toggle();
    }

    /** Chooses a sound without playing it. */
    public void choose(String name) {
        chosen.set(name);
    }

    /** Turns a control of a variant to what was typed on the player's own scale. */
    public void turn(String name, ControlPlace place, String typed) {
        Optional<Ground> ground = Ground.of(desk);
        Optional<Tone> now = ground.map(g -> toneOf(name, g));
        Optional<Block> block = now.flatMap(t -> t.find(place.block()));
        Optional<Control> control = block.flatMap(b -> b.model().find(place.control()));
        if (control.isEmpty()) return;
        Control c = control.get();
        if (c.isChoice()) {
            int at = c.choices().indexOf(typed.strip());
            if (at >= 0) turn(name, place, at);
            else said.set(c.name() + " is one of " + String.join(", ", c.choices()) + ".");
            return;
        }
        ScaleEntry entry = ScaleEntry.read(typed, block.orElseThrow(), c, desk.rig().get());
        if (entry.value().isPresent()) turn(name, place, entry.value().getAsDouble());
        else said.set(place + ": " + entry.fault() + ".");
    }

    /** Turns a control of a variant, in the control's own unit. */
    public void turn(String name, ControlPlace place, double value) {
        change(name, t -> t.find(place.block()).map(b -> t.with(b.with(place.control(), value))).orElse(t));
    }

    /** Switches a block of a variant on or off. */
    public void toggle(String name, String block, boolean on) {
        change(name, t -> t.find(block).map(b -> t.with(b.switched(on))).orElse(t));
    }

    private void change(String name, UnaryOperator<Tone> how) {
        Optional<Ground> ground = Ground.of(desk);
        if (ground.isEmpty() || name.isBlank()) return;
        Tone base = ground.get().tone();
        Variant next = Variant.between(name.strip(), base, how.apply(toneOf(name.strip(), ground.get())));
        desk.book().performances().keep(ground.get().caseId(), next);
        said.set("");
        desk.refresh();
        if (chosen.get().equals(next.name())) hear(next.name());
    }

    private Tone toneOf(String name, Ground g) {
        return find(name).map(v -> v.on(g.tone())).orElse(g.tone());
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
        Optional<Variant> now = find(chosen.get());
        if (now.isPresent()) return new NoticedWords(chosenRow(), base()).heading(now.get().name());
        int n = variants.get().size();
        if (n == 0) return "One sound so far: the tone itself.";
        return n == 1 ? "The tone and one variant." : "The tone and " + n + " variants.";
    }

    private Optional<VariantMatrix.Row> base() {
        return matrix.get().map(m -> m.rows().getFirst());
    }

    /** What was read of the chosen sound; empty while it is being played. */
    public Optional<VariantMatrix.Row> chosenRow() {
        return row(chosen.get());
    }

    /** What was read of a sound by its name; of the tone where the name is empty. */
    public Optional<VariantMatrix.Row> row(String name) {
        if (name.isEmpty()) return base();
        return matrix.get().flatMap(m -> m.rows().stream().skip(1).filter(r -> r.name().equals(name)).findFirst());
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

    /** Calls back whenever the sounds, what was read of them or the chosen one change. */
    void changed(Runnable then) {
        variants.subscribe(_ -> then.run());
        matrix.subscribe(_ -> then.run());
        chosen.subscribe(_ -> then.run());
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

    /** The variant that is looked at and heard as mine; empty: the tone. */
    public ReadOnlyStringProperty chosen() {
        return chosen.getReadOnlyProperty();
    }

    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
