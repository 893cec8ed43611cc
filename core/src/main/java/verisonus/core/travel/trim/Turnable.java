package verisonus.core.travel.trim;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.simulate.EqualizerCurve;
import verisonus.core.sound.Sound;
import verisonus.core.travel.PassageSpectra;

/**
 * Something that the player can turn, and what it does to each third octave at every value that a hand would set.
 *
 * @param place which control
 * @param from where it stands
 * @param price what turning it costs, in dB of change that it has to bring back at least
 * @param fixed what else must be set for it, as a filter's frequency
 * @param values that can be chosen
 * @param effectDb change of each third octave, by value
 */
record Turnable(ControlPlace place, double from, double price, List<TrimStep> fixed, double[] values,
        double[][] effectDb) {
    static final double KNOB_PRICE_DB = 0.3;
    private static final double FILTER_PRICE_DB = 0.45;
    private static final double[] PEAKS_HZ = {90, 130, 190, 280, 400, 560, 800, 1150, 1650, 2400, 3400, 4800, 7000};
    /** An equalizer at the place is turned by this much at most: what needs more is another tone. */
    private static final double MOST_EQUALIZER_DB = 9;
    private static final int VALUES = 25;
    private static final double STEP = 0.1;

    /** Filters of an equalizer at the chain's end; what they do needs no render. */
    static List<Turnable> equalizer() {
        Block flat = Block.of("parametric equalizer").named(Trim.EQUALIZER_ID);
        List<Turnable> out = new ArrayList<>();
        out.add(filter(flat, ControlNames.LOW_CUT, FILTER_PRICE_DB, 20, 200));
        out.add(filter(flat, ControlNames.HIGH_CUT, FILTER_PRICE_DB, 4500, 20000));
        out.add(filter(flat, ControlNames.LOW_SHELF, FILTER_PRICE_DB, -MOST_EQUALIZER_DB, MOST_EQUALIZER_DB));
        out.add(filter(flat, ControlNames.HIGH_SHELF, FILTER_PRICE_DB, -MOST_EQUALIZER_DB, MOST_EQUALIZER_DB));
        for (double hz : PEAKS_HZ) {
            Block at = flat.with(ControlNames.peakFrequency(1), hz);
            Turnable peak = filter(at, ControlNames.peak(1), FILTER_PRICE_DB, -MOST_EQUALIZER_DB, MOST_EQUALIZER_DB);
            out.add(new Turnable(peak.place, 0, peak.price,
                    List.of(new TrimStep(ControlPlace.of(flat, ControlNames.peakFrequency(1)),
                            flat.get(ControlNames.peakFrequency(1)), hz)),
                    peak.values, peak.effectDb));
        }
        return out;
    }

    private static Turnable filter(Block flat, String control, double price, double low, double high) {
        double[] values = grid(low, high);
        double[][] effect = new double[values.length][];
        for (int i = 0; i < values.length; i++) effect[i] = curve(flat.with(control, values[i]));
        return new Turnable(ControlPlace.of(flat, control), flat.get(control), price, List.of(), values, effect);
    }

    private static double[] curve(Block equalizer) {
        double[] hz = PassageSpectra.BANDS.centresHz();
        double[] out = new double[hz.length];
        for (int b = 0; b < hz.length; b++)
            out[b] = EqualizerCurve.gainDb(equalizer, hz[b], Sound.WORKING_RATE_HZ);
        return out;
    }

    /** Values as a hand sets them: tenths, or two figures of a frequency. */
    private static double[] grid(double low, double high) {
        boolean logarithmic = low > 0 && high / low >= 4;
        double[] out = new double[VALUES];
        for (int i = 0; i < VALUES; i++) {
            double p = (double) i / (VALUES - 1);
            double v = logarithmic ? low * Math.pow(high / low, p) : low + p * (high - low);
            double step = logarithmic ? Math.pow(10, Math.floor(Math.log10(v)) - 1) : STEP;
            out[i] = Math.clamp(step * Math.rint(v / step), low, high);
        }
        return out;
    }

    /** Whether a control of a block belongs to what is turned for a place: the amp's colour, the microphone's position. */
    static boolean isTurned(Block b, Control c) {
        if (!b.on() || c.isChoice()) return false;
        return switch (b.model().kind()) {
            case AMP -> switch (c.name()) {
                case ControlNames.BASS, ControlNames.MID, ControlNames.TREBLE, ControlNames.PRESENCE,
                        ControlNames.TREBLE_CUT ->
                    true;
                default -> false;
            };
            case MICROPHONE -> c.name().equals(ControlNames.POSITION) || c.name().equals(ControlNames.DISTANCE);
            default -> false;
        };
    }

    /** Values at which a control is tried: where it stands and a good way to both sides. */
    static double[] tried(Control c, double from) {
        double position = c.position(from);
        return new double[]{c.valueAt(Math.max(0, position - 0.25)), from, c.valueAt(Math.min(1, position + 0.25))};
    }

    /** From thirds measured at three values: straight between them. */
    static Turnable measured(Block b, Control c, double[] tried, double[][] thirdsDb) {
        double[] values = grid(tried[0], tried[2]);
        double[][] effect = new double[values.length][thirdsDb[1].length];
        for (int v = 0; v < values.length; v++) {
            int side = values[v] < tried[1] ? 0 : 1;
            double span = tried[side + 1] - tried[side];
            double share = span == 0 ? 0 : (values[v] - tried[side]) / span;
            for (int i = 0; i < effect[v].length; i++) {
                effect[v][i] = (1 - share) * thirdsDb[side][i] + share * thirdsDb[side + 1][i] - thirdsDb[1][i];
            }
        }
        return new Turnable(ControlPlace.of(b, c.name()), b.get(c.name()), KNOB_PRICE_DB, List.of(), values, effect);
    }

    boolean isPeak() { return place.block().equals(Trim.EQUALIZER_ID) && place.control().startsWith("peak"); }

    /** The same filter in another of the equalizer's places. */
    Turnable asPeak(int number) {
        List<TrimStep> moved = fixed.stream().map(s -> new TrimStep(
                new ControlPlace(Trim.EQUALIZER_ID, ControlNames.peakFrequency(number)), s.from(), s.to())).toList();
        return new Turnable(new ControlPlace(Trim.EQUALIZER_ID, ControlNames.peak(number)), from, price, moved, values,
                effectDb);
    }
}
