package verisonus.core.trial.layers;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import verisonus.core.compare.HeardChange;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.PassageSpectra;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * A second chain for the other side: another cabinet, microphone or position, near enough to the first to blend with it and far enough
 * to widen, within stated limits, with as few parts changed as that takes.
 *
 * @param tone the second chain
 * @param changed what differs from the first, in words
 * @param colourDb how far its colour lies from the first's, RMS over third octaves, loudness taken out
 * @param monoDb the deepest fall of a band when both come out of one loudspeaker, against the first chain on both sides; 0 or less
 * @param gainDb what makes it as loud as the first
 */
public record SecondChain(Tone tone, List<String> changed, double colourDb, double monoDb, double gainDb) {
    private static final double PART_S = 4;
    private static final double[] PLACES = {0.15, 0.4, 0.65, 0.9};
    private static final double[] DISTANCES_CM = {3, 10};

    /**
     * What counts as near and as far.
     *
     * @param nearestDb colour must differ by this at least, or it does not widen
     * @param furthestDb and by this at most, or it is heard as another guitar
     * @param monoDb no band may fall further in mono
     */
    public record Limits(double nearestDb, double furthestDb, double monoDb) {
        /** Over one just-noticeable step in most bands, and under what makes another sound of it. */
        public static final Limits USUAL = new Limits(1.5, 4, -3);

        public Limits {
            if (!(nearestDb >= 0 && furthestDb > nearestDb && monoDb < 0))
                throw new IllegalArgumentException(nearestDb + " to " + furthestDb + " dB, " + monoDb + " dB");
        }
    }

    public boolean isWithin(Limits l) {
        return colourDb >= l.nearestDb && colourDb <= l.furthestDb && monoDb >= l.monoDb;
    }

    public String words() {
        return Figures.of("%s: colour %.1f dB from the first, in mono a band loses %.1f dB at most by it",
                String.join(", ", changed), colourDb, Math.max(0, -monoDb));
    }

    /**
     * Chains within the limits, the one with the fewest changes first, then the one nearest the middle of the limits.
     *
     * @param first take for the first side
     * @param second take for the other side; empty: none was played yet, and the first stands in for it
     */
    public static List<SecondChain> of(Tone tone, Rig rig, Sound first, Optional<Sound> second, Limits limits,
            Progress progress) {
        LoudestPart part = LoudestPart.of(first, PART_S);
        Sound a = part.cut(first).atRate(Sound.WORKING_RATE_HZ);
        Sound b = second.map(part::cut).map(s -> s.atRate(Sound.WORKING_RATE_HZ)).orElse(a);
        List<Tone> all = variants(tone, rig);
        if (all.isEmpty())
            throw new InputFault("the tone", "it has no cabinet and no microphone that could be another one",
                    "count a second cabinet or microphone in My gear");
        Sound heard = played(tone, a);
        // Colour is judged on the same playing, mono on what will sound together.
        HeardChange.Moments own = HeardChange.Moments.of(heard);
        double[] twice = mono(heard, second.isEmpty() ? heard : played(tone, b));
        List<SecondChain> out = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            progress.step((double) i / all.size(), "trying " + String.join(", ", changes(tone, all.get(i))));
            Sound other = played(all.get(i), a);
            HeardChange c = HeardChange.between(own, HeardChange.Moments.of(other));
            if (c.colourDb() < limits.nearestDb || c.colourDb() > limits.furthestDb) continue;
            Sound beside = second.isEmpty() ? other : played(all.get(i), b);
            double gain = loudness(heard) - loudness(beside);
            SecondChain s = new SecondChain(all.get(i), changes(tone, all.get(i)), c.colourDb(),
                    deepest(mono(heard, beside.gained(gain)), twice), gain);
            if (s.isWithin(limits)) out.add(s);
        }
        double middle = (limits.nearestDb + limits.furthestDb) / 2;
        out.sort(Comparator.comparingInt((SecondChain s) -> s.changed.size())
                .thenComparingDouble(s -> Math.abs(s.colourDb - middle)));
        return out;
    }

    private static Sound played(Tone t, Sound di) {
        return Renderer.render(t, di, Optional.of(di), Quality.SEARCH, Progress.NONE);
    }

    private static double loudness(Sound s) {
        return LoudnessMeter.integratedLufs(s)
                .orElseThrow(() -> new InputFault("the take", "it is too soft to be heard",
                        "give a take with the guitar turned up"));
    }

    /** Each other cabinet, microphone and place of it alone, then two at once. */
    private static List<Tone> variants(Tone tone, Rig rig) {
        List<Tone> single = new ArrayList<>();
        List<Tone> places = new ArrayList<>();
        for (Block b : tone.main()) {
            GearKind k = b.model().kind();
            if (!b.on() || k != GearKind.CABINET && k != GearKind.MICROPHONE || b.impulse().isPresent()) continue;
            for (Model m : rig.owned(k)) {
                if (m.voice().equals(b.model().voice()) || m.voice() == Voice.Cabinet.IMPULSE_RESPONSE) continue;
                single.add(tone.with(b.exchangedFor(m)));
            }
            places.addAll(places(tone, b));
        }
        List<Tone> out = new ArrayList<>(places);
        out.addAll(single);
        for (Tone t : single)
            for (Block b : t.main())
                if (b.model().kind() == GearKind.MICROPHONE)
                    out.addAll(places(t,
                            b));
        return out;
    }

    private static List<Tone> places(Tone t, Block microphone) {
        List<Tone> out = new ArrayList<>();
        Optional<Control> c = microphone.model().find(ControlNames.POSITION);
        if (c.isPresent()) {
            for (double p : PLACES) {
                double v = c.get().valueAt(p);
                if (Math.abs(v - microphone.get(ControlNames.POSITION)) > 0.1 * (c.get().maximum() - c.get().minimum()))
                    out.add(t.with(microphone.with(ControlNames.POSITION, v)));
            }
        }
        if (microphone.model().find(ControlNames.DISTANCE).isPresent()) {
            for (double cm : DISTANCES_CM) {
                if (Math.abs(cm - microphone.get(ControlNames.DISTANCE)) > 2)
                    out.add(t.with(microphone.with(ControlNames.DISTANCE, cm)));
            }
        }
        return out;
    }

    private static List<String> changes(Tone from, Tone to) {
        List<String> out = new ArrayList<>();
        for (Block b : to.blocks()) {
            Block was = from.find(b.id()).orElseThrow();
            if (!was.model().equals(b.model())) out.add(b.model().name() + " for " + was.model().name());
            for (String c : List.of(ControlNames.POSITION, ControlNames.DISTANCE)) {
                if (b.model().find(c).isEmpty() || was.model().find(c).isEmpty() || was.get(c) == b.get(c)) continue;
                out.add(Figures.of("microphone %s %.1f instead of %.1f %s", c, b.get(c), was.get(c),
                        b.model().control(c).unit()));
            }
        }
        return out;
    }

    /** Change of each band when the two sides are summed, dB against the mean of the sides; 0 where there is next to nothing. */
    private static double[] mono(Sound left, Sound right) {
        float[] l = left.mid();
        float[] r = java.util.Arrays.copyOf(right.mid(), l.length);
        PassageSpectra s = PassageSpectra.of(Sound.stereo(l, r, left.rateHz()));
        double[] sum = s.power(1);
        double[] sides = s.power(2);
        double[] out = new double[NamedBand.values().length];
        for (NamedBand n : NamedBand.values()) {
            if (PassageSpectra.isEmpty(n, sides)) continue;
            out[n.ordinal()] = 10 * Math.log10(PassageSpectra.bandPower(n, sum) / PassageSpectra.bandPower(n, sides));
        }
        return out;
    }

    /** Two takes never add as one does; only what the other chain costs on top is its own. */
    private static double deepest(double[] other, double[] twice) {
        double out = 0;
        for (int i = 0; i < other.length; i++) out = Math.min(out, other[i] - Math.min(0, twice[i]));
        return out;
    }
}
