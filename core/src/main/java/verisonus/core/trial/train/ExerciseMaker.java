package verisonus.core.trial.train;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.travel.NamedBand;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/** Makes questions from a tone: what stands in it can be asked about. */
final class ExerciseMaker {
    private static final int CHOICES = 4;
    private static final List<NamedBand> BANDS = List.of(NamedBand.LOWS, NamedBand.LOW_MIDS, NamedBand.MIDS,
            NamedBand.UPPER_MIDS, NamedBand.PRESENCE, NamedBand.HIGHS);
    /** The three amounts between which "how far" asks, in sizes. */
    private static final double[] AMOUNTS = {1, 2, 3};

    private final Tone tone;
    private final List<ControlPlace> controls;

    ExerciseMaker(Tone tone) {
        this.tone = tone;
        controls = controls(tone);
        if (controls.size() < 2)
            throw new InputFault(tone.name(), "it has fewer than two controls that could be asked about",
                    "train on a tone with an amp");
    }

    private static List<ControlPlace> controls(Tone tone) {
        List<ControlPlace> out = new ArrayList<>();
        for (Block b : tone.blocks()) {
            if (!b.on()) continue;
            for (Control c : b.model().turnable()) if (isAsked(b, c)) out.add(ControlPlace.of(b, c.name()));
        }
        return out;
    }

    /** What is only louder is matched away, and what shows in the time of notes alone is no matter of an ear's. */
    private static boolean isAsked(Block b, Control c) {
        if (c.isChoice() || c.rare()) return false;
        return switch (c.moves()) {
            case SATURATION, LOWS, MIDDLE, HIGHS, SPACE, MOVEMENT -> b.model().kind() != GearKind.EQUALIZER
                    && b.model().kind() != GearKind.CABINET;
            case LOUDNESS, DYNAMICS, FEEL, COLOUR, TIME, WIDTH, NOISE -> false;
        };
    }

    List<ControlPlace> controls() {
        return controls;
    }

    /** @param size share of a control's track, or dB of a lifted band */
    Exercise of(Skill skill, double size, long seed) {
        Random random = new Random(seed);
        return switch (skill) {
            case BAND -> band(size, random);
            case CONTROL -> control(size, random);
            case AMOUNT -> amount(size, random);
        };
    }

    private Exercise band(double db, Random random) {
        List<NamedBand> all = new ArrayList<>(BANDS);
        Collections.shuffle(all, random);
        List<NamedBand> choices = new ArrayList<>(all.subList(0, CHOICES));
        NamedBand lifted = choices.getFirst();
        Collections.sort(choices);
        return new Exercise(Skill.BAND, lifted.words(), tone, Optional.of(lifted), db,
                choices.stream().map(NamedBand::words).toList(), choices.indexOf(lifted));
    }

    private Exercise control(double size, Random random) {
        List<ControlPlace> all = new ArrayList<>(controls);
        Collections.shuffle(all, random);
        List<ControlPlace> choices = new ArrayList<>(all.subList(0, Math.min(CHOICES, all.size())));
        ControlPlace turned = choices.getFirst();
        choices.sort(java.util.Comparator.comparingInt(controls::indexOf));
        return new Exercise(Skill.CONTROL, turned.toString(), turned(turned, size, random.nextBoolean()), Optional
                .empty(), size, choices.stream().map(ControlPlace::toString).toList(), choices.indexOf(turned));
    }

    private Exercise amount(double size, Random random) {
        ControlPlace turned = controls.get(random.nextInt(controls.size()));
        int right = random.nextInt(AMOUNTS.length);
        boolean up = up(turned, AMOUNTS[AMOUNTS.length - 1] * size, random.nextBoolean());
        List<String> choices = new ArrayList<>();
        for (double a : AMOUNTS) choices.add(Figures.of("%.0f %% of its way", 100 * a * size));
        return new Exercise(Skill.AMOUNT, turned + (up ? " up" : " down"), turned(turned, AMOUNTS[right] * size, up),
                Optional.empty(), size, choices, right);
    }

    /** The wanted way where there is room for it, else the other. */
    private boolean up(ControlPlace place, double size, boolean wanted) {
        Block b = tone.find(place.block()).orElseThrow();
        double at = b.model().control(place.control()).position(b.get(place.control()));
        if (wanted && at + size > 1) return false;
        return !wanted && at - size < 0 || wanted;
    }

    private Tone turned(ControlPlace place, double size, boolean wanted) {
        Block b = tone.find(place.block()).orElseThrow();
        Control c = b.model().control(place.control());
        double at = c.position(b.get(c.name()));
        double to = at + (up(place, size, wanted) ? size : -size);
        return tone.with(b.with(c.name(), c.valueAt(Math.clamp(to, 0, 1))));
    }
}
