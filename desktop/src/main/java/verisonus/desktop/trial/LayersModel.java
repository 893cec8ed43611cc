package verisonus.desktop.trial;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.travel.MonoLoss;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.layers.LayerMasking;
import verisonus.core.trial.layers.SecondChain;
import verisonus.core.trial.layers.TakesApart;
import verisonus.core.trial.open.Bed;
import verisonus.core.trial.open.InTheMix;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.CaseAsItStands;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Sounds;

/** Mine among other parts: who hides whom, how far two takes lie apart, and a second chain for the other side. */
final class LayersModel {
    private static final int MOST_CHAINS = 3;

    private final Desk desk;
    private final Candidates candidates;
    private final List<Candidate> brought = new ArrayList<>();
    private final ReadOnlyObjectWrapper<Optional<Found>> found = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<List<SecondChain>> chains = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<List<String>> parts = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private long caseId = -1;

    /**
     * What was found.
     *
     * @param parts that were laid over each other
     * @param hidden who hides whom
     * @param takes of two takes, where there are two
     * @param mono what their sum loses
     */
    record Found(List<String> parts, List<LayerMasking> hidden, Optional<TakesApart> takes, List<MonoLoss> mono) {}

    LayersModel(Desk desk, Candidates candidates) {
        this.desk = desk;
        this.candidates = candidates;
        desk.sounds().subscribe(_ -> read());
    }

    private void read() {
        long now = desk.open().get().map(o -> o.entry().id()).orElse(-1L);
        if (now != caseId) brought.clear();
        caseId = now;
        found.set(Optional.empty());
        chains.set(List.of());
        said.set("");
        name();
    }

    private void name() {
        List<String> out = new ArrayList<>();
        Sounds s = desk.sounds().get();
        if (s.mine().isPresent()) out.add("mine");
        if (s.backing().isPresent()) out.add("the band");
        else if (s.mine().isPresent() && candidates.tempo().isPresent()) out.add("a made bed");
        brought.forEach(c -> out.add(c.name()));
        parts.set(List.copyOf(out));
    }

    /** A part from a file, as bass, keys or a voice, that begins with the record. */
    void bring(Path file) {
        String name = String.valueOf(file.getFileName());
        desk.forCase("Reading " + name, _ -> SoundReader.read(file).sound().atRate(Sound.WORKING_RATE_HZ)).show(s -> {
            brought.add(new Candidate(name, s));
            found.set(Optional.empty());
            name();
        });
    }

    /** Lays all parts over each other, over all that both last: where the guitar is studied it often stands alone. */
    void find() {
        Optional<Passage> p = Passage.whole(desk);
        Sounds s = desk.sounds().get();
        if (p.isEmpty() || s.mine().isEmpty() || parts.get().size() < 2) {
            said.set("Bring another part first: bass, keys or a voice that begins with the record.");
            return;
        }
        List<Candidate> more = List.copyOf(brought);
        Optional<Sound> second = s.second();
        Optional<Tone> tone = desk.open().get().flatMap(OpenCase::tone).map(d -> d.tone());
        Optional<Double> tempo = candidates.tempo();
        Passage whole = p.get();
        desk.forTone("Laying the parts over each other", progress -> {
            progress.step(0.2, "who hides whom");
            List<Candidate> layers = new ArrayList<>();
            Sound played = whole.ofTake("mine", whole.asHeard(s.mine().get()));
            Optional<Sound> band = s.backing().map(b -> whole.ofRecord(whole.asHeard(b)));
            Sound mine = band.map(b -> InTheMix.asInTheRecord(played, b,
                    whole.ofRecord(whole.asHeard(s.reference().orElseThrow())))).orElse(played);
            layers.add(new Candidate("mine", mine));
            band.ifPresent(b -> layers.add(new Candidate("the band", b)));
            if (band.isEmpty())
                tempo.ifPresent(bpm -> layers.add(new Candidate("a made bed", new Bed(bpm, 0).under(mine))));
            for (Candidate c : more) layers.add(new Candidate(c.name(), whole.ofRecord(c.sound())));
            List<LayerMasking> hidden = LayerMasking.of(layers);
            progress.step(0.7, "two takes");
            Optional<TakesApart> takes = second.flatMap(t -> s.di().map(d -> TakesApart.of(d, t)));
            List<MonoLoss> mono = tone.flatMap(t -> second.flatMap(
                    two -> s.di().map(d -> MonoLoss.of(sides(t, d, two))))).orElse(List.of());
            return new Found(layers.stream().map(Candidate::name).toList(), hidden, takes, mono);
        }).show(f -> {
            found.set(Optional.of(f));
            said.set("");
        });
    }

    private static Sound sides(Tone tone, Sound di, Sound second) {
        Sound left = Renderer.render(tone, di, Optional.of(second), Quality.SEARCH, Progress.NONE);
        Sound right = Renderer.render(tone, second, Optional.of(di), Quality.SEARCH, Progress.NONE).withFrames(left
                .frames());
        return Sound.stereo(left.mid(), right.mid(), left.rateHz());
    }

    /** Looks for another cabinet, microphone or place for the other side. */
    void findChain() {
        Optional<Tone> tone = desk.open().get().flatMap(OpenCase::tone).map(d -> d.tone());
        Optional<Sound> di = desk.sounds().get().di();
        if (tone.isEmpty() || di.isEmpty()) {
            said.set("Derive a tone first: the second chain stands beside it.");
            return;
        }
        Optional<Sound> second = desk.sounds().get().second();
        Rig rig = desk.rig().get();
        desk.forTone("Looking for a second chain", progress -> SecondChain.of(tone.get(), rig, di.get(), second,
                SecondChain.Limits.USUAL, progress)).show(all -> {
                    chains.set(List.copyOf(all.subList(0, Math.min(MOST_CHAINS, all.size()))));
                    said.set(all.isEmpty()
                            ? "Nothing that you own lies within the limits: 1.5 to 4 dB of colour from the first."
                            : second.isPresent()
                                    ? ""
                                    : "Solved on the one take: play the part again for the other side, a copy does not widen.");
                });
    }

    /** Hears the first chain at the left and the second at the right. */
    void hear(SecondChain chain) {
        CaseAsItStands here = desk.asItStands().orElseThrow();
        Tone tone = here.tone().orElseThrow().tone();
        Sound di = here.sounds().di().orElseThrow();
        Sound second = here.sounds().second().orElse(di);
        double start = here.sounds().diStartS();
        desk.forTone("Playing both sides", _ -> {
            Sound left = Renderer.render(tone, di, Optional.of(second), Quality.FINAL, Progress.NONE);
            Sound right = Renderer.render(chain.tone(), second, Optional.of(di), Quality.FINAL, Progress.NONE)
                    .withFrames(left.frames()).gained(chain.gainDb());
            Sound both = Sound.stereo(left.mid(), right.mid(), left.rateHz());
            desk.hearMine(here.caseId(), both, start);
            return both;
        }).show(both -> {
            candidates.bring("mine and " + String.join(", ", chain.changed()), both);
            said.set(Figures.read("Mine now has %s at the right, %+.1f dB; it stands above among what can be compared.",
                    String.join(", ", chain
                            .changed()),
                    chain.gainDb()));
        });
    }

    /** What would be laid over each other. */
    ReadOnlyObjectProperty<List<String>> parts() {
        return parts.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<Optional<Found>> found() {
        return found.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<List<SecondChain>> chains() {
        return chains.getReadOnlyProperty();
    }

    ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
