package verisonus.casebook.sheet;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.rig.Block;
import verisonus.core.rig.Branch;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.rig.Ways;
import verisonus.core.search.Tolerance;
import verisonus.core.work.Figures;

/**
 * A tone as somebody sets it: a row a control in the order of the device, a row a filter of an equalizer, frequencies to what can
 * be set by hand. What is not heard stands in one line for all.
 */
final class SettingRows {
    /** A range is shown where it is narrower than this share of the control's way. */
    private static final double WORTH_SAYING = 0.6;
    private static final double AUDIBLE_FILTER_DB = 0.5;
    private static final double NARROW_Q = 2;
    private static final double WIDE_Q = 0.8;

    private final DerivedTone derived;
    private final Rig rig;
    private final List<DeviceScale> scales;
    private final List<String> unheard = new ArrayList<>();

    SettingRows(DerivedTone derived, Rig rig) {
        this(derived, rig, List.of());
    }

    /** @param scales on which what turns from 0 to 10 is said as well */
    SettingRows(DerivedTone derived, Rig rig, List<DeviceScale> scales) {
        this.derived = derived;
        this.rig = rig;
        this.scales = scales;
    }

    /** Device, control, value, the same on the other scales, range. */
    List<List<String>> rows() {
        List<List<String>> rows = new ArrayList<>();
        for (Block b : derived.tone().blocks()) {
            if (!b.on()) continue;
            List<List<String>> own = b.model().voice() == Voice.Equalizer.PARAMETRIC ? filters(b) : controls(b);
            if (own.isEmpty()) own = List.of(List.of("", "", "as it is", ""));
            String name = placed(derived.tone(), b);
            for (int i = 0; i < own.size(); i++) {
                List<String> row = new ArrayList<>(own.get(i));
                row.set(0, i == 0 ? name : "");
                while (row.size() < scales.size() + 4) row.add(row.size() - 1, "");
                rows.add(row);
            }
        }
        return rows;
    }

    /** Controls that are not heard here, after {@link #rows}. */
    Optional<String> unheard() {
        return unheard.isEmpty()
                ? Optional.empty()
                : Optional.of("Not heard here, leave as usual: " + String.join(", ", unheard) + ".");
    }

    private Optional<Tolerance> tolerance(Block b, Control c) {
        return derived.tolerances().stream().filter(x -> x.block().equals(b.id()) && x.control().equals(c.name()))
                .findFirst();
    }

    private List<List<String>> controls(Block b) {
        List<List<String>> out = new ArrayList<>();
        for (Control c : b.model().turnable()) {
            if (!b.settings().containsKey(c.name()) || ToneSheet.isUnused(b, c)) continue;
            Optional<Tolerance> t = tolerance(b, c);
            if (t.isPresent() && !t.get().isHeard(c) && !derived.locked().holds(b.id(), c.name())) {
                unheard.add(b.model().name() + " " + rig.label(b, c.name()));
                continue;
            }
            boolean isLevel = c.unit().equals("dB") && Math.abs(b.get(c.name())) < AUDIBLE_FILTER_DB;
            if (isLevel && t.isEmpty() || c.isChoice() && b.get(c.name()) == c.defaultValue()) continue;
            List<String> row = new ArrayList<>(
                    List.of("", rig.label(b, c.name()), rig.display(b.model(), c, tidy(b, c))));
            for (DeviceScale s : scales) row.add(on(s, b, c));
            row.add(range(b, c, t));
            out.add(row);
        }
        return out;
    }

    private String on(DeviceScale scale, Block b, Control c) {
        return c.unit().equals("0-10") ? scale.display(c, rig.position(b.model(), c, b.get(c.name()))) : "";
    }

    /** Nobody sets a frequency or a time to three figures by ear. */
    private static double tidy(Block b, Control c) {
        double v = b.get(c.name());
        if (!c.unit().equals("Hz") || b.model().kind() == GearKind.MODULATION) return v;
        double step = Math.pow(10, Math.floor(Math.log10(v)) - 1);
        return c.clamp(step * Math.rint(v / step));
    }

    private String range(Block b, Control c, Optional<Tolerance> t) {
        if (derived.locked().holds(b.id(), c.name())) return "locked by you";
        if (t.isEmpty()) return "";
        double way = c.position(t.get().high()) - c.position(t.get().low());
        return way > WORTH_SAYING ? "" : rig.displayRange(b.model(), c, t.get().low(), t.get().high());
    }

    private List<List<String>> filters(Block b) {
        List<List<String>> out = new ArrayList<>();
        cut(b, ControlNames.LOW_CUT, out);
        shelf(b, ControlNames.LOW_SHELF, ControlNames.LOW_CORNER, out);
        Map<Double, Integer> peaks = new LinkedHashMap<>();
        for (int p = 1; p <= 4; p++)
            if (Math.abs(b.get(ControlNames.peak(p))) >= AUDIBLE_FILTER_DB)
                peaks.put(b.get(ControlNames.peakFrequency(p)) + p * 1e-9, p);
        peaks.keySet().stream().sorted().map(peaks::get).forEach(p -> {
            Control frequency = b.model().control(ControlNames.peakFrequency(p));
            Control gain = b.model().control(ControlNames.peak(p));
            double q = b.get(ControlNames.peakWidth(p));
            String width = q >= NARROW_Q ? "narrow" : q <= WIDE_Q ? "wide" : "medium";
            out.add(List.of("", "at " + DeviceScale.TENS.display(frequency, tidy(b, frequency)),
                    Figures.of("%s, %s (Q %.1f)", gain.display(b.get(gain.name())), width, q),
                    range(b, gain, tolerance(b, gain))));
        });
        shelf(b, ControlNames.HIGH_SHELF, ControlNames.HIGH_CORNER, out);
        cut(b, ControlNames.HIGH_CUT, out);
        Control level = b.model().control(ControlNames.LEVEL);
        if (Math.abs(b.get(level.name())) >= AUDIBLE_FILTER_DB)
            out.add(List.of("", level.name(), level.display(b.get(level.name())), ""));
        return out;
    }

    private static void cut(Block b, String name, List<List<String>> out) {
        Control c = b.model().control(name);
        if (Math.abs(b.get(name) - c.defaultValue()) < 1e-6) return;
        out.add(List.of("", name, c.display(tidy(b, c)), ""));
    }

    private void shelf(Block b, String gain, String corner, List<List<String>> out) {
        if (Math.abs(b.get(gain)) < AUDIBLE_FILTER_DB) return;
        Control g = b.model().control(gain);
        Control c = b.model().control(corner);
        out.add(List.of("", (gain.equals(ControlNames.LOW_SHELF) ? "below " : "above ") + c.display(tidy(b, c)),
                g.display(b.get(gain)), range(b, g, tolerance(b, g))));
    }

    /** A block's model, and its way where it is not the main one. */
    static String placed(Tone tone, Block b) {
        String way = Ways.of(tone, b.id());
        return b.model().name()
                + (way.equals(Ways.MAIN) ? "" : way.equals(Ways.LOOP) ? ", in the loop" : ", on " + way);
    }

    static String branch(Branch b) {
        String level = Figures.read("%+.1f dB", b.levelDb());
        String side = b.pan() == 0
                ? ""
                : Figures.of(", %.0f %% to the %s", Math.abs(b.pan()),
                        b.pan() < 0 ? "left" : "right");
        return "The branch " + b.name() + " leaves behind " + b.after() + " and comes back before " + b.before()
                + ", at " + level + side + (b.turned() ? ", its phase turned." : ".");
    }

    /** What each part of the sound decided, the control with the tightest bracket first. */
    List<List<String>> reasons() {
        Map<String, List<String>> by = new LinkedHashMap<>();
        for (Block b : derived.tone().blocks()) {
            for (Control c : b.model().turnable()) {
                Optional<Tolerance> t = tolerance(b, c).filter(x -> x.isHeard(c));
                if (!b.on() || t.isEmpty() || t.get().why().isBlank() || ToneSheet.isUnused(b, c)) continue;
                if (b.model().kind() == GearKind.EQUALIZER && !isGain(c)) continue;
                by.computeIfAbsent(t.get().why(), _ -> new ArrayList<>())
                        .add(b.id() + " " + rig.label(tidied(b), c.name()));
            }
        }
        return by.entrySet().stream().map(e -> List.of(e.getKey(), String.join(", ", e.getValue()))).toList();
    }

    /** The block with frequencies that can be set. */
    private static Block tidied(Block b) {
        Block out = b;
        for (Control c : b.model().turnable())
            if (c.unit().equals("Hz")) out = out.with(c.name(), tidy(b, c));
        return out;
    }

    private static boolean isGain(Control c) {
        return c.unit().equals("dB");
    }
}
