package verisonus.desktop.trial;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Sounds;
import verisonus.desktop.session.ToneVersions;

/** What can be heard beside the record: mine, the dry take, variants, earlier tones, the neutral start, recordings brought along. */
final class Candidates {

    /**
     * One of them.
     *
     * @param band whether it has the record's own band in it
     * @param passage makes it sound, cut to the passage; off the window's thread
     */
    record Offer(String name, boolean band, Function<Passage, Sound> passage) {}

    private final Desk desk;
    private final List<Offer> brought = new ArrayList<>();
    private final ReadOnlyObjectWrapper<List<Offer>> all = new ReadOnlyObjectWrapper<>(List.of());
    private long caseId = -1;
    private boolean stale;

    Candidates(Desk desk) {
        this.desk = desk;
        desk.open().subscribe(_ -> readIfSeen());
        desk.sounds().subscribe(_ -> readIfSeen());
        desk.changes().subscribe(_ -> readIfSeen());
        desk.bench().subscribe(_ -> readIfSeen());
    }

    /** Earlier tones are read from the logbook, which takes a while: only where somebody looks. */
    private void readIfSeen() {
        stale = true;
        if (desk.bench().get() == Bench.TRIAL) read();
    }

    ReadOnlyObjectProperty<List<Offer>> all() {
        return all.getReadOnlyProperty();
    }

    private void read() {
        stale = false;
        Optional<OpenCase> open = desk.open().get();
        long now = open.map(o -> o.entry().id()).orElse(-1L);
        if (now != caseId) brought.clear();
        caseId = now;
        Sounds s = desk.sounds().get();
        List<Offer> out = new ArrayList<>();
        if (s.reference().isPresent()) {
            Sound record = s.reference().get();
            out.add(new Offer("the record", true, p -> p.ofRecord(p.asHeard(record))));
        }
        s.mine().ifPresent(m -> out.add(new Offer("mine", false, p -> p.ofTake("mine", p.asHeard(m)))));
        s.di().ifPresent(d -> {
            out.add(new Offer("the dry take", false, p -> p.ofTake("the dry take", d)));
            open.flatMap(OpenCase::tone).ifPresent(t -> tones(out, open.get(), t, d, s.second()));
        });
        out.addAll(brought);
        all.set(List.copyOf(out));
    }

    private void tones(List<Offer> out, OpenCase open, DerivedTone t, Sound di, Optional<Sound> another) {
        long id = open.entry().id();
        for (ToneVersions.Version v : ToneVersions.variants(desk, id, t.tone()))
            out.add(played(v.name(), v.tone(), di, another));
        another.ifPresent(second -> out.add(new Offer("mine, a take a side", false, p -> sides(t.tone(), di,
                second, p))));
        List<ToneVersions.Version> earlier = ToneVersions.earlier(desk, id, t.tone());
        for (ToneVersions.Version v : earlier) out.add(played(v.name(), v.tone(), di, another));
        Tone neutral = neutral(t.tone());
        boolean known = neutral.equals(t.tone()) || earlier.stream().anyMatch(v -> v.tone().equals(neutral));
        if (!known) out.add(played("the neutral start", neutral, di, another));
    }

    /** Every control in the middle of what is useful, in the same chain. */
    static Tone neutral(Tone tone) {
        Tone out = tone;
        for (Block b : tone.blocks()) {
            Block plain = Block.of(b.model()).named(b.id()).switched(b.on());
            out = out.with(b.impulse().map(plain::with).orElse(plain));
        }
        return out;
    }

    private static Offer played(String name, Tone tone, Sound di, Optional<Sound> second) {
        return new Offer(name, false, p -> p.ofTake(name, p.asHeard(Renderer.render(tone, di, second, Quality.FINAL,
                Progress.NONE))));
    }

    private static Sound sides(Tone tone, Sound di, Sound second, Passage p) {
        Sound left = Renderer.render(tone, di, Optional.of(second), Quality.FINAL, Progress.NONE);
        Sound right = Renderer.render(tone, second, Optional.of(di), Quality.FINAL, Progress.NONE).withFrames(left
                .frames());
        return p.ofTake("mine, a take a side", Sound.stereo(left.mid(), right.mid(), left.rateHz()));
    }

    /** A recording from a file, as of the player's own amp, that begins with the take. */
    void bring(Path file) {
        String name = String.valueOf(file.getFileName());
        desk.forCase("Reading " + name, _ -> SoundReader.read(file).sound().atRate(Sound.WORKING_RATE_HZ)).show(s -> {
            brought.add(new Offer(name, false, p -> p.ofTake(name, s)));
            read();
        });
    }

    /** A tone to be heard beside the others, as a rig of fewer parts; one of the same name is replaced. */
    void bring(String name, Tone tone) {
        Optional<Sound> di = desk.sounds().get().di();
        brought.removeIf(o -> o.name().equals(name));
        di.ifPresent(d -> brought.add(played(name, tone, d, desk.sounds().get().second())));
        read();
    }

    /** A sound that begins with the take, as both sides of two chains; one of the same name is replaced. */
    void bring(String name, Sound played) {
        brought.removeIf(o -> o.name().equals(name));
        brought.add(new Offer(name, false, p -> p.ofTake(name, p.asHeard(played))));
        read();
    }

    /** Everything that can be heard of the case at hand. */
    List<Offer> now() {
        if (stale) read();
        return all.get();
    }

    /** Offers of the case at hand by name, in the order in which they stand. */
    List<Offer> named(java.util.Collection<String> names) {
        if (stale) read();
        return all.get().stream().filter(o -> names.contains(o.name())).toList();
    }

    /** What stands round the guitar, as it is now. */
    Surroundings surroundings(Around around) {
        return new Surroundings(around, desk.asItStands(), tempo());
    }

    /** Makes offers sound, as loud as the first; off the window's thread. */
    static MatchedSounds matched(List<Offer> offers, Passage passage, Surroundings around, Progress progress) {
        List<Candidate> sounds = new ArrayList<>();
        for (Offer o : offers) {
            progress.step((double) sounds.size() / offers.size(), "playing " + o.name());
            sounds.add(new Candidate(o.name(), o.passage().apply(passage)));
        }
        return around.round(sounds, offers, passage);
    }

    /** The case's tempo, as the player set it. */
    Optional<Double> tempo() {
        return desk.open().get().flatMap(o -> desk.book().performances().tempo(o.entry().id())).map(t -> t.bpm());
    }
}
