package verisonus.desktop.gear;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.core.capture.AmpCapture;
import verisonus.core.capture.AmpLearning;
import verisonus.core.capture.CaptureCoverage;
import verisonus.core.rig.Gear;
import verisonus.core.simulate.CaptureSignal;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.work.Figures;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.SavedFile;

/** Capturing a real amp: the signal goes out, recordings come back with where the controls stood, the nearest voicing is found. */
public final class CaptureModel {
    /** A recording with the positions that were typed for it. */
    public record Taken(String name, Sound sound, Map<String, Double> positions) {}

    private final Desk desk;
    private final ReadOnlyObjectWrapper<List<Taken>> taken = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private Optional<Sound> played = Optional.empty();

    public CaptureModel(Desk desk) {
        this.desk = desk;
    }

    /** Writes the test signal. */
    public void saveSignal(Path file) {
        desk.forBook("Writing the test signal", _ -> {
            SavedFile.write(file, SoundWriter.encode(CaptureSignal.make(), SoundWriter.Format.WAV_24));
            return file;
        }).show(f -> said.set("Wrote " + f.getFileName() + ". Connect a loudspeaker or a rated load first, start soft,"
                + " record what comes out at two or more control positions."));
    }

    /** Takes one's own playing in place of the test signal, and says what it does not cover yet. */
    public void play(Path file) {
        desk.forBook("Reading " + file.getFileName(), _ -> SoundReader.read(file).sound()).show(s -> {
            played = Optional.of(s);
            said.set("Your playing: " + CaptureCoverage.of(s).words() + ".");
        });
    }

    /** @param positions "gain=3, treble=5" by the simulated controls' names, 0 to 10 */
    public void add(Path file, String positions) {
        Optional<Map<String, Double>> read = AmpCapture.Recording.positions(positions);
        if (read.isEmpty()) {
            said.set("Write where the controls stood as gain=3, treble=5, each from 0 to 10.");
            return;
        }
        desk.forBook("Reading " + file.getFileName(), _ -> SoundReader.read(file).sound()).show(s -> {
            List<Taken> now = new ArrayList<>(taken.get());
            now.add(new Taken(String.valueOf(file.getFileName()), s, read.get()));
            taken.set(List.copyOf(now));
            said.set("");
        });
    }

    public void remove(Taken t) {
        taken.set(taken.get().stream().filter(x -> x != t).toList());
    }

    /** Finds the voicing that comes nearest to all recordings. */
    public void find() {
        if (taken.get().isEmpty()) {
            said.set("Add a recording of the amp first.");
            return;
        }
        List<AmpCapture.Recording> recordings = recordings();
        desk.forBook("Capturing the amp", p -> AmpCapture.of(recordings, desk.work().helpers(), p))
                .show(c -> said.set(words(c)));
    }

    /** Learns how the amp turns and puts it among the player's gear. @param name of the player's own */
    public void learn(String name) {
        String own = name.strip();
        if (taken.get().isEmpty()) {
            said.set("Add recordings of the amp first, at two positions or more of each control.");
            return;
        }
        if (own.isEmpty() || Gear.find(own).isPresent()) {
            said.set("Give your amp a name of its own first.");
            return;
        }
        List<AmpCapture.Recording> recordings = recordings();
        desk.forBook("Learning " + own, p -> AmpLearning.of(own, recordings, desk.work().helpers(), p))
                .keep(l -> desk.book().keepRig(desk.book().rig().with(l.unit())))
                .show(l -> said.set(words(l)));
    }

    private List<AmpCapture.Recording> recordings() {
        Sound signal = played.orElseGet(CaptureSignal::make);
        return taken.get().stream().map(t -> new AmpCapture.Recording(t.positions, signal, t.sound)).toList();
    }

    private static String words(AmpLearning.Learnt l) {
        String controls = l.unit().turnings().entrySet().stream().map(e -> Figures.of("%s from %.0f to %.0f",
                e.getKey(), e.getValue().places().getFirst().device(), e.getValue().places().getLast().device()))
                .collect(Collectors.joining(", "));
        String with = l.loudspeaker().isEmpty()
                ? ""
                : " It goes with the " + l.loudspeaker().stream().map(b -> b.model().name())
                        .collect(Collectors.joining(" and the ")) + ".";
        return Figures.of("%s is among your gear: %s. %.1f steps off its recordings, %.1f before learning.%s",
                l.unit().name(), controls.isEmpty() ? "no control moved" : controls,
                Arrays.stream(l.apart()).average().orElse(0), Arrays.stream(l.before()).average().orElse(0), with);
    }

    private static String words(AmpCapture.Captured c) {
        StringBuilder out = new StringBuilder(
                Figures.of("Nearest: %s, off by %.1f JND and %.1f dB of spectrum.", c.voicing().name(), c.errorJnd(),
                        c.spectrumDb()));
        c.offsets().forEach(
                (control, v) -> out.append(Figures.read(" Set the simulated %s %+.1f from yours.", control, v)));
        return out.toString();
    }

    public ReadOnlyObjectProperty<List<Taken>> taken() {
        return taken.getReadOnlyProperty();
    }

    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
