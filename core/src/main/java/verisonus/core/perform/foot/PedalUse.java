package verisonus.core.perform.foot;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import verisonus.core.perform.PlayedReading;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.rig.Voice;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * A control under a pedal.
 *
 * @param pedal which pedal, in the player's words
 * @param place the control
 * @param low with the heel down
 * @param high with the toe down; below low where the pedal works the other way
 */
public record PedalUse(String pedal, ControlPlace place, double low, double high) {
    private static final double SILENT_DB = -30;

    public PedalUse {
        if (low == high) throw new IllegalArgumentException(place + " does not move: " + low + " to " + high);
    }

    /** What will go wrong under the foot, in words: with the tone and with the variants that are played with it. */
    public static List<String> faults(List<PedalUse> uses, Tone tone, List<Variant> variants) {
        List<String> out = new ArrayList<>();
        Map<String, List<PedalUse>> byPedal = new LinkedHashMap<>();
        Map<ControlPlace, List<PedalUse>> byPlace = new LinkedHashMap<>();
        for (PedalUse u : uses) {
            byPedal.computeIfAbsent(u.pedal, _ -> new ArrayList<>()).add(u);
            byPlace.computeIfAbsent(u.place, _ -> new ArrayList<>()).add(u);
            if (tone.find(u.place.block()).flatMap(b -> b.model().find(u.place.control())).isEmpty())
                out.add(u.place + " is on " + u.pedal + " and the tone has no such control");
        }
        byPedal.forEach((pedal, on) -> {
            if (on.size() > 1)
                out.add(pedal + " has two jobs: " + String.join(" and ", on.stream().map(u -> u.place.toString())
                        .toList()) + " move together");
        });
        byPlace.forEach((place, by) -> {
            if (by.size() > 1)
                out.add(place + " is moved by " + String.join(" and by ", by.stream().map(PedalUse::pedal).toList()));
        });
        for (PedalUse u : uses) out.addAll(u.jumps(tone, variants));
        for (PedalUse u : uses) u.silences(tone).ifPresent(out::add);
        return out;
    }

    /** A variant that sets the control leaves it elsewhere than the foot stands. */
    private List<String> jumps(Tone tone, List<Variant> variants) {
        List<String> out = new ArrayList<>();
        Control c = tone.find(place.block()).flatMap(b -> b.model().find(place.control())).orElse(null);
        if (c == null) return out;
        for (Variant v : variants) {
            Double set = v.settings().get(place);
            if (set != null && !Objects.equals(set, tone.find(place.block()).orElseThrow().get(place.control())))
                out.add(Figures.of("%s sets %s to %s: it jumps when the variant changes, and again when %s"
                        + " is touched",
                        v.name(), place, c.display(set), pedal));
            if (Boolean.FALSE.equals(v.switches().get(place.block())))
                out.add(pedal + " does nothing in " + v.name() + ": " + place.block() + " is off there");
        }
        return out;
    }

    /** How far the loudness of a phrase moves from heel to toe against the tone as it is, where that is more than it should; else empty. */
    public Optional<String> louder(Tone tone, Sound phrase, double mostLu) {
        Optional<Block> b = tone.find(place.block()).filter(x -> x.model().find(place.control()).isPresent());
        if (b.isEmpty()) return Optional.empty();
        double home = PlayedReading.of(tone, phrase).loudnessLufs();
        double heel = PlayedReading.of(tone.with(b.get().with(place.control(), low)), phrase).loudnessLufs() - home;
        double toe = PlayedReading.of(tone.with(b.get().with(place.control(), high)), phrase).loudnessLufs() - home;
        if (Math.abs(toe - heel) <= mostLu) return Optional.empty();
        return Optional.of(Figures.read("%s on %s goes from %+.1f to %+.1f LU against the tone: that is a volume pedal,"
                + " whatever else it turns", place, pedal, heel, toe));
    }

    private Optional<String> silences(Tone tone) {
        Block b = tone.find(place.block()).orElse(null);
        if (b == null || b.model().voice() != Voice.Utility.VOLUME || !place.control().equals(ControlNames.LEVEL))
            return Optional.empty();
        return Math.min(low, high) <= SILENT_DB
                ? Optional.of("with the heel down " + pedal + " silences the tone: rest it toe down")
                : Optional.empty();
    }
}
