package verisonus.core.perform.song;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import verisonus.core.perform.Ringing;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/**
 * Which variant stands where in a song, what the feet have to do between, and what is lost on the way.
 *
 * @param parts in order
 * @param changes between each and the next
 */
public record SongMap(List<Part> parts, List<Change> changes) {
    private static final double GAP_HEARD_MS = 10;
    private static final double TAIL_HEARD_S = 0.3;

    /** A section and what is played in it; the tone's own name stands for the tone as it is. */
    public record Part(Section section, String variant) {}

    /**
     * From one part to the next.
     *
     * @param moves how often a foot comes down
     * @param steps what it does, in words
     * @param tailCutS how much of the old variant's repeats and space is cut off
     * @param gapMs silence while it changes
     * @param stopsLoop whether a loop that plays would stop or change colour
     */
    public record Change(int moves, List<String> steps, double tailCutS, double gapMs, boolean stopsLoop) {
        public Change {
            steps = List.copyOf(steps);
        }
    }

    public SongMap {
        parts = List.copyOf(parts);
        changes = List.copyOf(changes);
    }

    /**
     * @param tone the tone whose variants are played
     * @throws InputFault where a section stands twice, overlaps the next or names no variant
     */
    public static SongMap of(List<Part> parts, Tone tone, List<Variant> variants, SwitchWay way) {
        if (parts.isEmpty())
            throw new InputFault("the song map", "it holds no section", "name at least one section and its variant");
        Map<String, Tone> tones = variants.stream().collect(Collectors.toMap(Variant::name, v -> v.on(tone),
                (a, _) -> a));
        check(parts, tone, tones.keySet());
        List<Change> changes = new ArrayList<>();
        for (int i = 1; i < parts.size(); i++) {
            changes.add(change(sounding(parts.get(i - 1), tone, tones), sounding(parts.get(i), tone, tones),
                    parts.get(i), way, tone.name()));
        }
        return new SongMap(parts, changes);
    }

    private static Tone sounding(Part p, Tone tone, Map<String, Tone> tones) {
        return tones.getOrDefault(p.variant, tone);
    }

    private static void check(List<Part> parts, Tone tone, Set<String> known) {
        Set<Double> starts = new HashSet<>();
        double end = -1;
        for (Part p : parts) {
            Section s = p.section;
            if (p.variant.isBlank())
                throw new InputFault(s.name(), "the section has no variant", "name one, or " + tone.name());
            if (!known.contains(p.variant) && !p.variant.equals(tone.name()))
                throw new InputFault(s.name(), "there is no variant \"" + p.variant + "\"",
                        "use " + String.join(", ", known) + (known.isEmpty() ? "" : " or ") + tone.name());
            if (!starts.add(s.fromS()))
                throw new InputFault(s.name(), "the section stands there twice", "take one away");
            if (s.fromS() < end - 1e-6)
                throw new InputFault(s.name(), "it begins before the section in front of it ends",
                        "put the sections in order");
            end = s.toS();
        }
    }

    private static Change change(Tone from, Tone to, Part next, SwitchWay way, String home) {
        Variant differs = Variant.between(next.variant, from, to);
        List<String> steps = new ArrayList<>();
        if (differs.differences() == 0) return new Change(0, steps, 0, 0, false);
        Set<String> turned = new LinkedHashSet<>();
        for (ControlPlace p : differs.settings().keySet()) turned.add(p.block());
        if (way.oneMove()) {
            steps.add(to.name().equals(home) ? "back to the tone" : "to " + next.variant);
        } else {
            differs.switches().forEach((id, on) -> steps.add(id + (on ? " on" : " off")));
            for (String id : turned)
                if (to.find(id).filter(Block::on).isPresent()) steps.add(id + " by hand or pedal");
        }
        boolean loop = from.blocks().stream().anyMatch(b -> b.on() && b.model().kind() == GearKind.LOOPER
                && b.get(ControlNames.LEVEL) > 0) && changesBehindLooper(from, to);
        double cut = way.tailsGoOn() ? 0 : tailLost(from, to);
        return new Change(steps.size(), steps, cut, way.gapMs(), loop);
    }

    private static boolean changesBehindLooper(Tone from, Tone to) {
        boolean behind = false;
        for (Block b : from.main()) {
            Block n = to.find(b.id()).orElseThrow();
            if (b.model().kind() == GearKind.LOOPER) {
                behind = true;
                if (!n.on()) return true;
                continue;
            }
            if (behind && (b.on() != n.on() || !b.settings().equals(n.settings()))) return true;
        }
        return false;
    }

    /** What rings on in blocks that the change switches off. */
    private static double tailLost(Tone from, Tone to) {
        double most = 0;
        for (Block b : from.blocks())
            if (b.on() && !to.find(b.id()).filter(Block::on).isPresent()) most = Math.max(most, Ringing.seconds(b));
        return most;
    }

    /** How often a foot comes down in the whole song. */
    public int moves() {
        return changes.stream().mapToInt(Change::moves).sum();
    }

    /** What is heard going wrong, in words, with the place. */
    public List<String> faults() {
        List<String> out = new ArrayList<>();
        double silentMs = changes.stream().filter(c -> c.moves > 0).mapToDouble(Change::gapMs).max().orElse(0);
        if (silentMs > GAP_HEARD_MS)
            out.add(Figures.of("each change is silent for %.0f ms; change in a rest", silentMs));
        for (int i = 0; i < changes.size(); i++) {
            Change c = changes.get(i);
            String where = "into " + parts.get(i + 1).section.name();
            if (c.tailCutS > TAIL_HEARD_S)
                out.add(Figures.of("%s: %.1f s of repeats or space are cut off; change a beat earlier, or"
                        + " leave them on",
                        where, c.tailCutS));
            if (c.stopsLoop) out.add(where + ": the loop stops or changes colour; put the looper last");
            if (c.moves > 2) out.add(Figures.of("%s: %d moves at once", where, c.moves));
        }
        return out;
    }
}
