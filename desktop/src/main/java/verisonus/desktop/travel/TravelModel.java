package verisonus.desktop.travel;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleObjectProperty;
import verisonus.casebook.exchange.ResponseCsv;
import verisonus.casebook.exchange.ResponseWav;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.travel.Journey;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.sweep.ExponentialSweep;
import verisonus.core.travel.sweep.SweepReport;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.trim.Trim;
import verisonus.core.travel.trim.TrimSolver;
import verisonus.core.travel.trim.TrimWords;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.CaseAsItStands;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.HeardOn;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Piece;
import verisonus.desktop.desk.SavedFile;
import verisonus.desktop.desk.Sounds;
import verisonus.desktop.record.Inputs;
import verisonus.desktop.record.SweepRecorder;

/** Mine on every playback system, at a listening level; worked out anew when either changes. What to turn there, and what is heard. */
public final class TravelModel {
    public static final double SOFTEST_DB_SPL = 40;
    public static final double LOUDEST_DB_SPL = 105;
    private static final int SWEEP_RUNS = 3;

    private final Desk desk;
    private final SweepRecorder sweeps;
    private final DoubleProperty levelDbSpl = new SimpleDoubleProperty(Journey.WORKING_LEVEL_DB_SPL);
    private final ReadOnlyObjectWrapper<List<Travelled>> travelled = new ReadOnlyObjectWrapper<>(List.of());
    private final ObjectProperty<Optional<String>> chosen = new SimpleObjectProperty<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Map<String, Trim>> trims = new ReadOnlyObjectWrapper<>(Map.of());
    private final ReadOnlyObjectWrapper<Map<String, String>> notes = new ReadOnlyObjectWrapper<>(Map.of());
    private final ReadOnlyObjectWrapper<Optional<Trim>> forAll = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private final ObjectProperty<Optional<PlaybackSystem>> listenedOn = new SimpleObjectProperty<>(Optional.empty());
    private final BooleanProperty matched = new SimpleBooleanProperty(true);
    private final BooleanProperty noise = new SimpleBooleanProperty();
    private final VersionsModel versions;
    private Optional<Measured> measured = Optional.empty();

    /** What the controls of a tone do, kept as long as the tone and the level stay. */
    private record Measured(Tone tone, double levelDbSpl, TrimSolver solver) {}

    public TravelModel(Desk desk, Inputs inputs) {
        this.desk = desk;
        this.sweeps = new SweepRecorder(inputs);
        desk.sounds().subscribe(_ -> work());
        desk.open().subscribe(_ -> read());
        desk.changes().subscribe(_ -> read());
        levelDbSpl.subscribe(_ -> work());
        versions = new VersionsModel(desk, this);
    }

    /** Other versions of the tone on the same systems. */
    public VersionsModel versions() {
        return versions;
    }

    private void read() {
        Optional<Long> id = desk.open().get().map(c -> c.entry().id());
        trims.set(id.map(i -> desk.book().travels().trims(i)).orElse(Map.of()));
        notes.set(id.map(i -> desk.book().travels().notes(i)).orElse(Map.of()));
    }

    private void work() {
        Optional<Sound> mine = desk.sounds().get().mine();
        forAll.set(Optional.empty());
        if (mine.isEmpty()) {
            travelled.set(List.of());
            return;
        }
        double level = levelDbSpl.get();
        List<PlaybackSystem> systems = desk.book().travels().systems();
        Sounds sounds = desk.sounds().get();
        Optional<Tone> tone = desk.open().get().flatMap(OpenCase::tone).map(DerivedTone::tone);
        desk.forCase("Taking mine to other systems", _ -> {
            Journey journey = new Journey(mine.get(), sounds.reference(), sounds.backing(), level);
            return tone.map(journey::withSettings).orElse(journey).to(systems);
        })
                .show(found -> {
                    // Another sound or level has come meanwhile: its own journey follows.
                    if (desk.sounds().get() == sounds && levelDbSpl.get() == level) travelled.set(found);
                });
    }

    /** The tone on the chosen system; the one that changes it most where none was chosen. */
    public Optional<Travelled> shown() {
        List<Travelled> all = travelled.get();
        return chosen.get().flatMap(id -> all.stream().filter(t -> t.system().id().equals(id)).findFirst())
                .or(() -> Journey.worst(all));
    }

    /** The trim kept for a system, and whether it was solved for the tone as it is now. */
    public Optional<Trim> trim(PlaybackSystem s) {
        return Optional.ofNullable(trims.get().get(s.id()));
    }

    /** Whether a trim was solved for the tone as it is now. */
    public boolean isCurrent(Trim t) {
        return desk.open().get().flatMap(OpenCase::tone).map(DerivedTone::tone).filter(t::isFor).isPresent();
    }

    /** Finds and keeps what to turn on a system. */
    public void findTrim(PlaybackSystem s) {
        solve("Finding what to turn on the " + s.name(), solver -> solver.on(s),
                (caseId, found) -> desk.book().travels().keepTrim(caseId, s, found),
                found -> said.set("On the " + s.name() + ": " + TrimWords.of(found, desk.rig().get()) + "."));
    }

    /** Finds and keeps what to turn on every system. */
    public void findTrims() {
        List<PlaybackSystem> systems = travelled.get().stream().map(Travelled::system).toList();
        solve("Finding what to turn on every system", solver -> {
            Map<PlaybackSystem, Trim> out = new LinkedHashMap<>();
            for (PlaybackSystem s : systems) out.put(s, solver.on(s));
            return out;
        }, (caseId, found) -> found.forEach((s, t) -> desk.book().travels().keepTrim(caseId, s, t)),
                found -> said.set(Figures.of("%d of %d systems are within 2 dB once it is turned so.",
                        found.values().stream().filter(t -> t.within2Db() > 0).count(), found.size())));
    }

    /** One setting for all systems that are no guitar cabinet: there the simulated one is off. */
    public void findOneForAll() {
        List<PlaybackSystem> systems = travelled.get().stream().map(Travelled::system)
                .filter(s -> !s.guitarCabinet()).toList();
        solve("Finding one setting for all systems", solver -> solver.on(systems), (_, _) -> {}, t -> {
            forAll.set(Optional.of(t));
            said.set(Figures.of(t.isEmpty()
                    ? "No one setting helps: as it is, %d of %d systems are within 2 dB."
                    : TrimWords.of(t, desk.rig().get()) + ": within 2 dB on %d of %d.", t.within2Db(),
                    systems.size()));
        });
    }

    private interface Solving<T> {
        T with(TrimSolver solver);
    }

    /** @param keep writes it to the case that it was solved for @param then says what came of it */
    private <T> void solve(String title, Solving<T> solving, BiConsumer<Long, T> keep, Consumer<T> then) {
        Optional<CaseAsItStands> here = desk.asItStands();
        Optional<Tone> tone = here.flatMap(CaseAsItStands::tone).map(DerivedTone::tone);
        Optional<Sound> di = here.flatMap(c -> c.sounds().di());
        if (tone.isEmpty() || di.isEmpty()) {
            said.set("Derive a tone first: then it can be trimmed.");
            return;
        }
        double level = levelDbSpl.get();
        boolean equalizer = !desk.rig().get().owned(GearKind.EQUALIZER).isEmpty();
        Optional<Measured> known = measured.filter(m -> m.tone().equals(tone.get()) && m.levelDbSpl() == level);
        record Result<T>(TrimSolver solver, T value) {}
        desk.forTone(title, progress -> {
            TrimSolver solver = known.map(Measured::solver)
                    .orElseGet(() -> new TrimSolver(tone.get(), di.get(), level, equalizer, progress));
            return new Result<>(solver, solving.with(solver));
        }).keep(r -> {
            measured = Optional.of(new Measured(tone.get(), level, r.solver()));
            keep.accept(here.get().caseId(), r.value());
        }).otherwise(why -> {
            if (why == Piece.Unfinished.OVERTAKEN)
                said.set("The tone has changed meanwhile, so nothing was kept: ask again.");
        }).show(r -> then.accept(r.value()));
    }

    public void dropTrim(PlaybackSystem s) {
        desk.book().travels().dropTrim(caseId(), s);
        if (desk.heardOn().get().flatMap(HeardOn::trim).isPresent()) hear(Optional.of(s), false);
        read();
    }

    private long caseId() {
        return desk.open().get().orElseThrow().entry().id();
    }

    /** Keeps what was heard on a system, and says where the figures do not bear it out. */
    public void note(PlaybackSystem s, String text) {
        if (desk.open().get().isEmpty() || text.strip().equals(notes.get().getOrDefault(s.id(), ""))) return;
        desk.book().travels().keepNote(caseId(), s, text);
        read();
        travelled.get().stream().filter(t -> t.system().id().equals(s.id())).findFirst()
                .flatMap(t -> HeardWords.doubt(text, t)).ifPresent(said::set);
    }

    /** Hears everything on a system; as it is where none is named. */
    public void hear(Optional<PlaybackSystem> system, boolean trimmed) {
        desk.hearOn(system.map(s -> new HeardOn(s, listenedOn.get().filter(l -> !l.id().equals(s.id())),
                levelDbSpl.get(), matched.get(), trimmed ? trim(s) : Optional.empty())));
    }

    /** Reads the response of a playback system from a file and keeps it in the casebook. */
    public void importSystem(Path file) {
        desk.forBook("Reading " + file.getFileName(),
                _ -> String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT).endsWith(".wav")
                        ? ResponseWav.system(file)
                        : ResponseCsv.system(file))
                .keep(desk.book().travels()::keep).show(this::kept);
    }

    /** Plays a sweep, hears it with a microphone, three times, and keeps what it measured. */
    public void measure(String name) {
        double gain = desk.player().levelDb().get();
        desk.player().stop();
        double level = levelDbSpl.get();
        desk.forBook("Measuring " + name, progress -> measured(name, gain, level, progress))
                .keep(desk.book().travels()::keep).show(this::kept);
    }

    private PlaybackSystem measured(String name, double gain, double level, Progress progress) {
        List<SweepReport.Run> runs = sweeps.runs(SWEEP_RUNS, gain, progress);
        progress.step(1, "reading it");
        if (runs.isEmpty()) throw new InputFault(name, "no run was finished", "measure again");
        SweepReport report = SweepReport.of(ExponentialSweep.STANDARD, runs, Optional.empty());
        PlaybackSystem base = PlaybackSystem.measured(name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-"),
                name, report.curve());
        String notes = "measured by " + report.used() + " sweeps through " + sweeps.source()
                + (report.remarks().isEmpty() ? "" : "; " + String.join("; ", report.remarks()));
        return new PlaybackSystem(base.id(), name, base.curve(), base.protection(), base.room(),
                base.loudspeakers(), false, level, notes);
    }

    private void kept(PlaybackSystem s) {
        said.set("Kept " + s.name() + (s.notes().isEmpty() ? "." : ": " + s.notes() + "."));
        chosen.set(Optional.of(s.id()));
        work();
    }

    /** Writes a system's response as CSV. */
    public void export(PlaybackSystem s, Path file) {
        desk.forBook("Writing " + file.getFileName(), _ -> {
            SavedFile.write(file, ResponseCsv.write(s).getBytes(StandardCharsets.UTF_8));
            return file;
        }).show(f -> said.set("Written to " + f + "."));
    }

    /** Takes one of the player's own systems out of the casebook. */
    public void remove(PlaybackSystem s) {
        desk.book().travels().remove(s);
        chosen.set(Optional.empty());
        desk.refresh();
        work();
    }

    public boolean isOwn(PlaybackSystem s) {
        return desk.book().travels().own().contains(s);
    }

    /** Plays a steady noise, at the level of everything else, for a meter at the listener's ear; once more: ends it. */
    public void toggleNoise() {
        if (noise.get()) {
            noise.set(false);
            desk.player().stop();
            desk.hearBeside(Optional.empty());
            return;
        }
        noise.set(true);
        desk.hearNoise(SteadyNoise.make());
        said.set("Start low. Hold a sound-level meter at your ear (dBA, slow), then type what it reads.");
    }

    /** Takes over what the meter reads. */
    public void measuredLevel(String reading) {
        try {
            desk.player().measured(Double.parseDouble(reading.strip().replace(',', '.')));
            said.set("The level at your ear is measured now, and kept for this computer.");
        } catch (NumberFormatException e) {
            said.set("“" + reading.strip() + "” is no number: type what the meter shows, such as 72.");
        } catch (InputFault e) {
            desk.work().tell(e);
        }
    }

    /** Whether the noise for the meter plays. */
    public BooleanProperty noise() {
        return noise;
    }

    public Desk desk() {
        return desk;
    }

    public DoubleProperty levelDbSpl() {
        return levelDbSpl;
    }

    /** Id of the system looked at. */
    public ObjectProperty<Optional<String>> chosen() {
        return chosen;
    }

    public ReadOnlyObjectProperty<List<Travelled>> travelled() {
        return travelled.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Map<String, Trim>> trims() {
        return trims.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Map<String, String>> notes() {
        return notes.getReadOnlyProperty();
    }

    /** One setting for all systems, once it was asked for. */
    public ReadOnlyObjectProperty<Optional<Trim>> forAll() {
        return forAll.getReadOnlyProperty();
    }

    /** What the player listens on, to be taken out of what is heard. */
    public ObjectProperty<Optional<PlaybackSystem>> listenedOn() {
        return listenedOn;
    }

    /** Whether systems are heard at one loudness, or as loud as they would be. */
    public BooleanProperty matched() {
        return matched;
    }

    /** What came of the last thing that was asked for. */
    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
