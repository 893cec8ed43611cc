package verisonus.core.feel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.work.Progress;

/**
 * What does a control do on this tone? The same control means little on one tone and much on another, so it is measured where it
 * stands: the take is played with the control at some places between its ends, and colour, dynamics and dirt are compared with the tone
 * as it is, levels matched.
 *
 * @param values where the control was put, in its own unit, least first
 * @param lines what changes where it was heard, the most audible first
 * @param loudnessLu how much louder each place is, as it comes
 */
public record ControlStudy(Block block, Control control, List<Double> values, List<Line> lines,
        List<Double> loudnessLu) {
    /** Places between the ends of a control that has a range; a choice is put to each of its positions. */
    private static final double[] PLACES = {0, 0.25, 0.5, 0.75, 1};
    private static final double LONGEST_S = 8;

    /**
     * How an attribute changes.
     *
     * @param change by place, against the tone as it is
     * @param jnd the same in just-noticeable differences
     */
    public record Line(GapAttribute attribute, String unit, List<Double> change, List<Double> jnd) {
        /** The largest of the changes, in just-noticeable differences. */
        public double mostJnd() {
            return jnd.stream().mapToDouble(Math::abs).max().orElse(0);
        }
    }

    public ControlStudy {
        values = List.copyOf(values);
        lines = List.copyOf(lines);
        loudnessLu = List.copyOf(loudnessLu);
    }

    /** @param di dry take; of a longer one the loudest eight seconds are played */
    public static ControlStudy of(Tone tone, Block block, Control control, Sound di, Progress progress) {
        Sound take = di.atRate(Sound.WORKING_RATE_HZ);
        Sound part = LoudestPart.of(take, LONGEST_S).cut(take);
        Sound now = played(tone, part);
        Evidence before = Examination.of(now, Examination.Depth.CONTROL, Progress.NONE);
        double loud = LoudnessMeter.integratedLufs(now).orElse(0);
        List<Double> values = values(control);
        List<GapLedger> gaps = new ArrayList<>();
        List<Double> louder = new ArrayList<>();
        for (double v : values) {
            progress.step((double) gaps.size() / values.size(), control.name() + " at " + control.display(v));
            Sound there = played(tone.with(block.with(control.name(), v)), part);
            double by = LoudnessMeter.integratedLufs(there).orElse(loud) - loud;
            // What is only louder is no other sound, and the smallest of levels would read as another dirt.
            gaps.add(GapLedger.between(before,
                    Examination.of(there.gained(-by), Examination.Depth.CONTROL, Progress.NONE)));
            louder.add(by);
        }
        return new ControlStudy(block, control, values, lines(gaps), louder);
    }

    private static Sound played(Tone tone, Sound part) {
        return Renderer.render(tone, part, Optional.of(part), Quality.DRAFT, Progress.NONE);
    }

    static List<Double> values(Control control) {
        List<Double> out = new ArrayList<>();
        if (control.isChoice()) {
            for (int i = 0; i < control.choices().size(); i++) out.add((double) i);
        } else {
            for (double p : PLACES) out.add(control.valueAt(p));
        }
        return out;
    }

    private static List<Line> lines(List<GapLedger> gaps) {
        List<Line> out = new ArrayList<>();
        for (GapRow first : gaps.get(0).rows()) {
            if (!first.ofTone()) continue;
            List<Double> change = new ArrayList<>();
            List<Double> jnd = new ArrayList<>();
            for (GapLedger g : gaps) {
                Optional<GapRow> there = g.find(first.attribute());
                change.add(there.map(GapRow::difference).orElse(0.0));
                jnd.add(there.map(r -> r.difference() / r.jnd()).orElse(0.0));
            }
            Line line = new Line(first.attribute(), first.unit(), change, jnd);
            if (line.mostJnd() >= 1) out.add(line);
        }
        out.sort(Comparator.comparingDouble(l -> -l.mostJnd()));
        return out;
    }

    /** What it does in a few words; "nothing that is heard" where it does nothing. */
    public String words() {
        if (lines.isEmpty()) return "On this tone nothing of colour, dynamics or dirt is heard to change.";
        List<String> most = lines.stream().limit(3).map(l -> l.attribute().playersWords()).toList();
        return "Changes " + String.join(", ", most)
                + (lines.size() > 3 ? " and " + (lines.size() - 3) + " more." : ".");
    }
}
