package verisonus.desktop.trial;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.evidence.guided.GuidedIsolation;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.sound.SoundReader;
import verisonus.core.take.MatchedTake;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.trial.open.Bed;
import verisonus.core.trial.open.InTheMix;
import verisonus.core.work.InputFault;
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
            out.add(new Offer("the record", true, p -> p.ofRecord(desk.asHeard(record))));
        }
        s.mine().ifPresent(m -> out.add(new Offer("mine", false, p -> p.ofTake("mine", desk.asHeard(m)))));
        s.di().ifPresent(d -> {
            out.add(new Offer("the dry take", false, p -> p.ofTake("the dry take", d)));
            open.flatMap(OpenCase::tone).ifPresent(t -> tones(out, open.get(), t, d));
        });
        out.addAll(brought);
        all.set(List.copyOf(out));
    }

    private void tones(List<Offer> out, OpenCase open, DerivedTone t, Sound di) {
        long id = open.entry().id();
        for (ToneVersions.Version v : ToneVersions.variants(desk, id, t.tone()))
            out.add(played(v.name(), v.tone(), di));
        desk.secondTake().ifPresent(second -> out.add(new Offer("mine, a take a side", false, p -> sides(t.tone(), di,
                second, p))));
        List<ToneVersions.Version> earlier = ToneVersions.earlier(desk, id, t.tone());
        for (ToneVersions.Version v : earlier) out.add(played(v.name(), v.tone(), di));
        Tone neutral = neutral(t.tone());
        boolean known = neutral.equals(t.tone()) || earlier.stream().anyMatch(v -> v.tone().equals(neutral));
        if (!known) out.add(played("the neutral start", neutral, di));
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

    private Offer played(String name, Tone tone, Sound di) {
        return new Offer(name, false, p -> p.ofTake(name, desk.asHeard(Renderer.render(tone, di, desk.secondTake(),
                Quality.FINAL, Progress.NONE))));
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
        desk.work().run("Reading " + name, _ -> SoundReader.read(file).sound().atRate(Sound.WORKING_RATE_HZ), s -> {
            brought.add(new Offer(name, false, p -> p.ofTake(name, s)));
            read();
        });
    }

    /** A tone to be heard beside the others, as a rig of fewer parts; one of the same name is replaced. */
    void bring(String name, Tone tone) {
        Optional<Sound> di = desk.sounds().get().di();
        brought.removeIf(o -> o.name().equals(name));
        di.ifPresent(d -> brought.add(played(name, tone, d)));
        read();
    }

    /** A sound that begins with the take, as both sides of two chains; one of the same name is replaced. */
    void bring(String name, Sound played) {
        brought.removeIf(o -> o.name().equals(name));
        brought.add(new Offer(name, false, p -> p.ofTake(name, desk.asHeard(played))));
        read();
    }

    /** Offers of the case at hand by name, in the order in which they stand. */
    List<Offer> named(java.util.Collection<String> names) {
        if (stale) read();
        return all.get().stream().filter(o -> names.contains(o.name())).toList();
    }

    /** Makes offers sound, as loud as the first; off the window's thread. */
    MatchedSounds matched(List<Offer> offers, Passage passage, Around around, Progress progress) {
        List<Candidate> sounds = new ArrayList<>();
        for (Offer o : offers) {
            progress.step((double) sounds.size() / offers.size(), "playing " + o.name());
            sounds.add(new Candidate(o.name(), o.passage().apply(passage)));
        }
        return around(sounds, offers, passage, around);
    }

    /** The same with something round it: the band for what has none, or a bed under all. */
    private MatchedSounds around(List<Candidate> sounds, List<Offer> offers, Passage passage, Around around) {
        MatchedSounds alone = MatchedSounds.of(sounds);
        return switch (around) {
            case ALONE -> alone;
            case BAND -> desk.sounds().get().backing().map(b -> withBand(sounds, offers, passage, desk.asHeard(b)))
                    .orElse(alone);
            case REST -> desk.sounds().get().di().map(d -> withBand(sounds, offers, passage, rest(d))).orElse(alone);
            case BED -> tempo().map(bpm -> withBed(alone, bpm)).orElse(alone);
        };
    }

    private static MatchedSounds withBand(List<Candidate> sounds, List<Offer> offers, Passage passage, Sound band) {
        Sound record = sounds.getFirst().sound();
        Sound rest = passage.ofRecord(band);
        List<Candidate> out = new ArrayList<>();
        for (int i = 0; i < sounds.size(); i++) {
            Candidate c = sounds.get(i);
            out.add(offers.get(i).band()
                    ? c
                    : new Candidate(c.name(), InTheMix.of(InTheMix.asInTheRecord(c.sound(), rest, record), rest, 0)));
        }
        return MatchedSounds.of(out);
    }

    /** The record without what the take says is the guitar's, on the record's time axis. */
    private Sound rest(Sound di) {
        Sound record = desk.sounds().get().reference().orElseThrow();
        MatchedTake laid = desk.matched(record, di);
        if (!laid.same())
            throw new InputFault("the take", "it plays something else than the record, so nothing tells what is the"
                    + " guitar's", "play the record's phrase, or add the band as a file");
        return desk.asHeard(GuidedIsolation.rest(laid.reference(), laid.sound()).atRate(Sound.WORKING_RATE_HZ));
    }

    private static MatchedSounds withBed(MatchedSounds alone, double bpm) {
        Sound under = new Bed(bpm, 0).under(alone.first());
        return MatchedSounds.of(alone.candidates().stream()
                .map(c -> new Candidate(c.name(), InTheMix.of(c.sound(), under, 0))).toList());
    }

    /** The case's tempo, as the player set it. */
    Optional<Double> tempo() {
        return desk.open().get().flatMap(o -> desk.book().performances().tempo(o.entry().id())).map(t -> t.bpm());
    }
}
