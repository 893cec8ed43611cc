package verisonus.desktop.record;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleIntegerProperty;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Medium;
import verisonus.core.advise.TakeChoice;
import verisonus.core.evidence.notes.TempoEstimator;
import verisonus.core.evidence.study.InputCheck;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.work.Figures;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.player.ListeningLevel;

/** Recording a dry take of the open case. */
public final class RecordModel implements AutoCloseable {
    /** A take with what was found of it, and the case that it was played for. */
    public record Take(long caseId, Sound sound, TakeChoice.Judged judged, boolean best) {}

    private static final double LISTEN_S = 4;
    private static final double UNKNOWN_BPM = 100;

    private final Desk desk;
    private final Inputs inputs;
    private final IntegerProperty wanted = new SimpleIntegerProperty(2);
    private final BooleanProperty doubling = new SimpleBooleanProperty();
    private final ReadOnlyStringWrapper checked = new ReadOnlyStringWrapper("");
    private final ReadOnlyObjectWrapper<List<Take>> takes = new ReadOnlyObjectWrapper<>(List.of());
    private List<Take> played = List.of();
    private final LivePlaying live;
    private final ReadOnlyBooleanWrapper playingLive = new ReadOnlyBooleanWrapper();
    private int latencyFrames;

    public RecordModel(Desk desk, Inputs inputs) {
        this.desk = desk;
        this.inputs = inputs;
        live = new LivePlaying(inputs, e -> desk.work().onWindow(() -> liveFailed(e)));
        desk.player().levelDb().subscribe(v -> live.setLevelDb(v.doubleValue()));
        desk.open().subscribe(_ -> {
            followTone();
            showTakes();
        });
    }

    private void showTakes() {
        Optional<Long> here = desk.open().get().map(o -> o.entry().id());
        List<Take> mine = played.stream().filter(t -> here.equals(Optional.of(t.caseId))).toList();
        if (!mine.equals(takes.get())) takes.set(mine);
    }

    /** Plays the input through the open case's tone, or stops. The listening level goes down to where playback starts. */
    public void toggleLive() {
        Optional<Tone> tone = tone();
        if (playingLive.get() || tone.isEmpty()) {
            live.pause();
            playingLive.set(false);
            if (tone.isEmpty()) checked.set("Derive a tone first: it is what you play through.");
            return;
        }
        desk.player().stop();
        desk.player().levelDb().set(Math.min(desk.player().levelDb().get(), ListeningLevel.START_DB));
        live.play(tone.get());
        playingLive.set(true);
        double card = 1000.0 * latencyFrames / Sound.WORKING_RATE_HZ;
        checked.set(Figures.of(latencyFrames > 0
                ? "Live: about %.0f ms from string to ear. It starts low: raise the listening level."
                : "Live: %.0f ms from string to ear and what the card adds (measure the latency to know it). It starts low: raise the listening level.",
                live.latencyMs() + card));
    }

    /** A tone that is turned while one plays through it is heard at once. */
    private void followTone() {
        if (!playingLive.get()) return;
        Optional<Tone> tone = tone();
        if (tone.isPresent()) {
            live.play(tone.get());
        } else {
            live.pause();
            playingLive.set(false);
        }
    }

    /** The card was pulled out, or another program has taken it. */
    private void liveFailed(RuntimeException e) {
        playingLive.set(false);
        desk.work().tell(e);
    }

    private Optional<Tone> tone() {
        return desk.open().get().flatMap(OpenCase::tone).map(DerivedTone::tone);
    }

    private void hush() {
        desk.player().stop();
        live.pause();
        playingLive.set(false);
    }

    /** Ends playing live. */
    @Override
    public void close() {
        live.close();
    }

    public ReadOnlyBooleanProperty playingLive() {
        return playingLive.getReadOnlyProperty();
    }

    /** Level, noise and tuning of the input. */
    public void check() {
        hush();
        desk.forBook("Listening to the input", p -> {
            try (Inputs.Open open = inputs.open()) {
                return InputCheck.of(open.recorder().listen(LISTEN_S, p));
            }
        }).show(c -> checked.set(c.words()));
    }

    /** With a cable from output to input: the latency, taken out of every take from then on. */
    public void measureLatency() {
        hush();
        desk.forBook("Measuring latency", p -> {
            try (Inputs.Open open = inputs.open()) {
                return open.latency(p);
            }
        }).show(found -> {
            found.ifPresent(f -> latencyFrames = f);
            checked.set(found.isPresent()
                    ? Figures.of("%.1f ms from output to input, taken out of each take",
                            1000.0 * latencyFrames / Sound.WORKING_RATE_HZ)
                    : "nothing came back: join output and input by a cable, at low level, then try again");
        });
    }

    /** Records takes along with the studied region, or with a first take to double it. */
    public void record() {
        Optional<OpenCase> open = desk.open().get();
        Optional<Sound> passage = open.flatMap(OpenCase::region)
                .flatMap(r -> desk.sounds().get().reference().map(s -> s.slice(r.fromS(), r.toS())));
        if (passage.isEmpty()) {
            checked.set("Mark a region first: it is what you play along to.");
            return;
        }
        Optional<Sound> first = doubling.get() ? desk.sounds().get().di() : Optional.empty();
        int many = wanted.get();
        int latency = latencyFrames;
        hush();
        long caseId = open.get().entry().id();
        desk.forBook("Recording", p -> {
            double bpm = TempoEstimator.estimate(passage.get()).value().map(t -> Math.clamp(t.bpm(), 30, 300))
                    .orElse(UNKNOWN_BPM);
            Recorder.Plan plan = new Recorder.Plan(passage.get(), bpm, many, latency,
                    first.map(f -> inTime(passage.get(), f)));
            List<Sound> sounds;
            try (Inputs.Open io = inputs.open()) {
                sounds = io.recorder().takes(plan, p);
            }
            List<Take> out = new ArrayList<>();
            for (TakeChoice.Judged j : TakeChoice.of(plan.passage(), sounds)) {
                out.add(new Take(caseId, sounds.get(j.index()), j, out.isEmpty()));
            }
            return out;
        }).show(found -> {
            // What was played is never lost: it waits with the case that it was played for.
            played = found;
            showTakes();
            checked.set(found.isEmpty() ? "No take was finished." : "");
        });
    }

    /** The first take as it lies under the passage: what comes before the passage is cut, what comes later waits. */
    private static Sound inTime(Sound passage, Sound first) {
        TakeChoice.Judged j = TakeChoice.of(passage, List.of(first)).get(0);
        double lagS = j.samePhrase() ? j.lagMs() / 1000 : 0;
        if (lagS >= 0) return first.slice(Math.min(lagS, first.durationS()), first.durationS());
        float[] x = first.mid();
        int late = (int) Math.round(-lagS * first.rateHz());
        float[] out = new float[late + x.length];
        System.arraycopy(x, 0, out, late, x.length);
        return Sound.mono(out, first.rateHz());
    }

    /** Keeps a take as the dry take of the case; one for doubling is kept beside the first. */
    public void keep(Take take) {
        long there = desk.book().recordings().media(take.caseId).stream().filter(m -> m.role() == Medium.Role.DI)
                .count();
        String name = "take " + (there + 1);
        desk.forCase("Keeping " + name, _ -> SoundWriter.encode(take.sound(), SoundWriter.Format.WAV_24))
                .keep(encoded -> {
                    desk.book().recordings().addMedium(take.caseId, Medium.Role.DI, name + ".wav", encoded);
                    played = played.stream().filter(t -> t != take).toList();
                    showTakes();
                }).begin();
    }

    public IntegerProperty wanted() {
        return wanted;
    }

    /** Whether the take is played to the first one, heard on the other side. */
    public BooleanProperty doubling() {
        return doubling;
    }

    public ReadOnlyStringProperty checked() {
        return checked.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<List<Take>> takes() {
        return takes.getReadOnlyProperty();
    }

    /** What the input is called. */
    public String inputName() {
        return inputs.name();
    }

    public Desk desk() {
        return desk;
    }
}
