package verisonus.desktop.trial;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.random.RandomGenerator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleObjectProperty;
import verisonus.casebook.exchange.ImpulseFolder;
import verisonus.casebook.store.ListeningShelf.Kept;
import verisonus.core.compare.GapAttribute;
import verisonus.core.feel.FairSwap;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.trial.rate.Picking;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.HeardOn;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.player.PlayerModel;

/** Nameless picking among what is owned, the rest of the tone as it is: each is kept or passed, what was kept steers what comes. */
final class PickingModel {
    private static final int MOST = 16;
    private static final double PHRASE_S = 4;

    private final Desk desk;
    private final RandomGenerator seeds;
    private final Slots slots;
    private final ReadOnlyBooleanWrapper running = new ReadOnlyBooleanWrapper();
    private final ReadOnlyObjectWrapper<Optional<Kept<Picking>>> current = new ReadOnlyObjectWrapper<>(
            Optional.empty());
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private final ObjectProperty<Among> among = new SimpleObjectProperty<>(Among.LOUDSPEAKERS);
    private List<Candidate> sounds = List.of();
    private PlayerModel.Span span = new PlayerModel.Span(0, 0);
    private Optional<Path> folder = Optional.empty();
    private int now;
    /** The case whose tone is picked from. */
    private long asked = -1;

    /** What is picked among. */
    enum Among {
        LOUDSPEAKERS("loudspeakers and microphones"),
        AMPS("amps"),
        DRIVES("drives"),
        RESPONSES("impulse responses of a folder");

        private final String words;

        Among(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }

    PickingModel(Desk desk, RandomGenerator seeds) {
        this.desk = desk;
        this.seeds = seeds;
        this.slots = new Slots(desk);
        desk.open().subscribe(_ -> read());
        desk.changes().subscribe(_ -> read());
        desk.bench().subscribe(_ -> pause());
    }

    private Optional<Long> caseId() {
        return desk.open().get().map(o -> o.entry().id());
    }

    private void read() {
        List<Kept<Picking>> all = caseId().map(id -> desk.book().listening().pickings(id)).orElse(List.of());
        if (running.get() && !caseId().equals(Optional.of(asked))) stop();
        if (running.get() && all.stream().noneMatch(k -> k.id() == current.get().map(Kept::id).orElse(-1L))) stop();
        current.set(all.stream().findFirst());
    }

    /** Plays everything that is owned in the place of the tone's, then asks. */
    void begin() {
        Optional<Tone> tone = desk.open().get().flatMap(OpenCase::tone).map(d -> d.tone());
        Optional<Sound> di = desk.sounds().get().di();
        if (tone.isEmpty() || di.isEmpty()) {
            said.set("Derive a tone first: what it is made of is picked.");
            return;
        }
        double start = desk.sounds().get().diStartS();
        LoudestPart part = LoudestPart.of(di.get(), PHRASE_S);
        Optional<Kept<Picking>> left = current.get().filter(k -> !k.value().isEnded());
        Ground ground = new Ground(tone.get(), di.get(), desk.sounds().get().second(), part, among.get(), folder,
                desk.rig().get(), desk.heardOn().get());
        long caseId = caseId().orElseThrow();
        Bench here = desk.bench().get();
        desk.forTone("Playing what may be picked", progress -> played(ground, progress)).show(all -> {
            // Nothing is asked of somebody who went elsewhere meanwhile.
            if (desk.bench().get() != here) return;
            span = new PlayerModel.Span(start + part.fromS(), start + part.toS());
            asked = caseId;
            lay(all, left);
        });
    }

    /** What a picking is made of, as it was when it was asked for. */
    private record Ground(Tone tone, Sound di, Optional<Sound> second, LoudestPart part, Among among,
            Optional<Path> folder, Rig rig, Optional<HeardOn> through) {}

    private static List<Candidate> played(Ground g, Progress progress) {
        List<Tone> all = variants(g, progress);
        if (all.size() < 3)
            throw new InputFault("picking", "fewer than three " + g.among.words() + " are owned or in the tone",
                    "count what you own in My gear, or pick among something else");
        List<Candidate> out = new ArrayList<>();
        for (Tone t : all) {
            progress.step((double) out.size() / all.size(), "playing " + t.name());
            Sound played = g.part.cut(Renderer.render(t, g.di, g.second, Quality.FINAL, Progress.NONE));
            out.add(new Candidate(t.name(), g.through.map(h -> h.of(played)).orElse(played)));
        }
        return MatchedSounds.of(out).candidates();
    }

    private static List<Tone> variants(Ground g, Progress progress) {
        return switch (g.among) {
            case LOUDSPEAKERS -> loudspeakers(g);
            case AMPS -> exchanged(g, GearKind.AMP);
            case DRIVES -> exchanged(g, GearKind.DRIVE);
            case RESPONSES -> responses(g, progress);
        };
    }

    /** Every response of the chosen folder in the place of loudspeaker and microphone, which are in it already. */
    private static List<Tone> responses(Ground g, Progress progress) {
        Tone tone = g.tone;
        Optional<Block> cabinet = tone.first(GearKind.CABINET).filter(Block::on);
        if (cabinet.isEmpty() || g.folder.isEmpty()) return List.of();
        Tone bare = tone;
        for (Block b : tone.main()) if (b.model().kind() == GearKind.MICROPHONE) bare = bare.with(b.switched(false));
        Model slot = Rig.everything().owned(GearKind.CABINET).stream()
                .filter(m -> m.voice() == Voice.Cabinet.IMPULSE_RESPONSE).findFirst().orElseThrow();
        List<Tone> out = new ArrayList<>();
        for (ImpulseFolder.Entry e : ImpulseFolder.read(g.folder.get(), progress).entries()) {
            if (out.size() == MOST) break;
            out.add(bare.with(cabinet.get().exchangedFor(slot).with(ImpulseFolder.impulse(e.file()))).named(e.name()));
        }
        return out;
    }

    /** Every owned model in the place of the tone's, brought to the same dirt and loudness, so that its own character is left. */
    private static List<Tone> exchanged(Ground g, GearKind kind) {
        Tone tone = g.tone;
        Optional<Block> there = tone.first(kind).filter(Block::on);
        if (there.isEmpty()) return List.of();
        FairSwap fair = new FairSwap(g.di);
        List<Tone> out = new ArrayList<>(List.of(tone.named(there.get().model().name())));
        for (Model m : g.rig.owned(kind)) {
            if (m.voice().equals(there.get().model().voice())) continue;
            out.add(fair.balanced(tone, tone.with(there.get().exchangedFor(m)), there.get().id()).named(m.name()));
        }
        return out.subList(0, Math.min(MOST, out.size()));
    }

    private static List<Tone> loudspeakers(Ground g) {
        Tone tone = g.tone;
        List<Tone> out = new ArrayList<>();
        Optional<Block> cabinet = tone.first(GearKind.CABINET).filter(b -> b.on() && b.impulse().isEmpty());
        Optional<Block> microphone = tone.first(GearKind.MICROPHONE).filter(Block::on);
        for (Model c : choices(g.rig, cabinet, GearKind.CABINET)) {
            Tone with = cabinet.map(b -> tone.with(b.exchangedFor(c))).orElse(tone);
            for (Model m : choices(g.rig, microphone, GearKind.MICROPHONE)) {
                Tone t = microphone.map(b -> with.with(b.exchangedFor(m))).orElse(with);
                out.add(t.named(c.name() + ", " + m.name()));
            }
            if (microphone.isEmpty()) out.add(with.named(c.name()));
        }
        if (cabinet.isEmpty())
            for (Model m : choices(g.rig, microphone, GearKind.MICROPHONE))
                out.add(microphone.map(b -> tone.with(b.exchangedFor(m))).orElse(tone).named(m.name()));
        return out.subList(0, Math.min(MOST, out.size()));
    }

    private static List<Model> choices(Rig rig, Optional<Block> there, GearKind kind) {
        return there.isEmpty()
                ? List.of()
                : rig.owned(kind).stream().filter(m -> m.voice() != Voice.Cabinet.IMPULSE_RESPONSE)
                        .toList();
    }

    private void lay(List<Candidate> all, Optional<Kept<Picking>> left) {
        List<String> names = all.stream().map(Candidate::name).toList();
        boolean same = left.filter(k -> k.value().candidates().stream().map(Picking.Measured::name).toList().equals(
                names)).isPresent();
        sounds = all;
        List<String> features = GapAttribute.BANDS.stream().map(GapAttribute::playersWords).toList();
        Kept<Picking> p = same
                ? left.orElseThrow()
                : desk.book().listening().begin(asked, Picking.begin(all.stream()
                        .map(c -> new Picking.Measured(c.name(), measures(c.sound()))).toList(), features,
                        seeds
                                .nextLong()));
        current.set(Optional.of(p));
        said.set("");
        running.set(true);
        next();
    }

    /** Level of each band of the sound against all of it, dB. */
    private static double[] measures(Sound s) {
        Bands thirds = Bands.thirds(80, 8000);
        double[] power = thirds.longTermPower(s.mid(), s.rateHz());
        double[] hz = thirds.centresHz();
        double whole = 1e-20;
        for (double p : power) whole += p;
        double[] out = new double[GapAttribute.BANDS.size()];
        for (int i = 0; i < out.length; i++) {
            double in = 1e-20;
            for (int b = 0; b < hz.length; b++)
                if (hz[b] >= GapAttribute.BANDS.get(i).fromHz() && hz[b] < GapAttribute.BANDS.get(i).toHz())
                    in += power[b];
            out[i] = 10 * Math.log10(in / whole);
        }
        return out;
    }

    private void next() {
        now = current.get().orElseThrow().value().next();
        slots.lay(new MatchedSounds(List.of(sounds.get(now)), 0, Optional.empty()), span, true);
        slots.hear(0);
    }

    /** Keeps what plays, or passes it. */
    void answer(boolean keep) {
        if (!running.get()) return;
        Kept<Picking> next = desk.book().listening().said(asked, current.get().orElseThrow(), now,
                keep);
        current.set(Optional.of(next));
        if (next.value().isEnded()) {
            stop();
            desk.refresh();
        } else {
            next();
        }
    }

    void pause() {
        if (!running.get()) return;
        stop();
        said.set("Left as it stands; begin again to go on.");
    }

    void giveUp() {
        Optional<Kept<Picking>> p = current.get().filter(k -> !k.value().isEnded());
        stop();
        p.ifPresent(k -> desk.book().listening().drop(caseId().orElseThrow(), k));
        desk.refresh();
        read();
    }

    private void stop() {
        if (!running.get()) return;
        running.set(false);
        slots.clear();
    }

    /** Where the responses lie. */
    void chooseFolder(Path wanted) {
        folder = Optional.of(wanted);
    }

    ObjectProperty<Among> among() {
        return among;
    }

    ReadOnlyBooleanProperty running() {
        return running.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<Optional<Kept<Picking>>> current() {
        return current.getReadOnlyProperty();
    }

    ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }

    Desk desk() {
        return desk;
    }
}
