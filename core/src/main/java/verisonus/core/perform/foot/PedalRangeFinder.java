package verisonus.core.perform.foot;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import verisonus.core.compare.Clarity;
import verisonus.core.compare.HeardChange;
import verisonus.core.plan.Repeats;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * From where to where may a foot move a control? The tone is played at places along the control's track: the range begins where the
 * change is first heard against the control's lowest, and ends before the first limit breaks.
 */
public final class PedalRangeFinder {
    private static final int PLACES = 17;
    private static final int ANCHORS = 5;
    private static final double PLAYED_S = 8;
    /** A repeat heard over this after the phrase shows what it does to it. */
    private static final double TAIL_S = 2;
    private static final double JUST_HEARD_JND = 1;
    /** Anchors this near to the plain track need no curve. */
    private static final double EVEN = 0.08;

    private final Tone tone;
    private final Sound phrase;
    private final FootLimits limits;

    public PedalRangeFinder(Tone tone, Sound phrase, FootLimits limits) {
        this.tone = tone;
        Sound dry = phrase.atRate(Sound.WORKING_RATE_HZ);
        Sound part = LoudestPart.of(dry, PLAYED_S).cut(dry);
        this.phrase = part.withFrames(part.frames() + (int) (TAIL_S * part.rateHz()));
        this.limits = limits;
    }

    /** What is known of one place of the track. */
    private record Place(double value, double heardJnd, double stepJnd, String broken) {}

    /** What is played at every place, with a rest behind it. */
    public Sound phrase() {
        return phrase;
    }

    /** @throws InputFault where the tone has no such control, or it cannot be moved by a foot */
    public PedalRange of(ControlPlace at, Progress progress) {
        Block b = tone.find(at.block()).orElseThrow(() -> missing(at));
        Control c = b.model().find(at.control()).orElseThrow(() -> missing(at));
        if (c.isChoice())
            throw new InputFault(at.toString(), "it has positions, a foot cannot sweep it", "put it on a switch");
        List<Place> places = places(b, c, progress);
        double start = b.get(c.name());
        int[] whole = whole(places, c.position(start));
        if (whole[1] < whole[0])
            return useless(at, start, "everywhere " + places.get(PLACES / 2).broken);
        Heel heel = new Heel(played(b.with(c.name(), c.minimum())), loudness(played(b)));
        double high = whole[1] == PLACES - 1
                ? c.maximum()
                : edge(heel, b, c, places.get(whole[1]), places.get(whole[1] + 1));
        String highWhy = whole[1] == PLACES - 1 ? "its own end" : places.get(whole[1] + 1).broken;
        double low = whole[0] == 0 ? c.minimum() : edge(heel, b, c, places.get(whole[0]), places.get(whole[0] - 1));
        String lowWhy = whole[0] == 0 ? "its own beginning" : places.get(whole[0] - 1).broken;
        int first = 0;
        while (first < PLACES && places.get(first).heardJnd < JUST_HEARD_JND) first++;
        if (whole[0] == 0) {
            if (first > whole[1])
                return useless(at, start, first == PLACES
                        ? "nothing that it does is heard on this phrase"
                        : "before it is heard, " + highWhy);
            low = crossing(c, places.get(first - 1), places.get(first));
            lowWhy = "below it the change is not heard";
        }
        List<PedalRange.Anchor> anchors = anchors(b, c, places, low, high);
        return new PedalRange(at, low, high, start, lowWhy, highWhy, anchors, even(c, anchors));
    }

    private static PedalRange useless(ControlPlace at, double start, String why) {
        return new PedalRange(at, start, start, start, why, why, List.of(), true);
    }

    /** The stretch of whole places round where the control stands, or the one nearest to it; the second below the first: none. */
    private static int[] whole(List<Place> places, double start) {
        int at = (int) Math.round(start * (PLACES - 1));
        int nearest = -1;
        for (int i = 0; i < PLACES; i++)
            if (places.get(i).broken.isEmpty() && (nearest < 0 || Math.abs(i - at) < Math.abs(nearest - at)))
                nearest = i;
        if (nearest < 0) return new int[]{0, -1};
        int from = nearest;
        int to = nearest;
        while (from > 0 && places.get(from - 1).broken.isEmpty()) from--;
        while (to + 1 < PLACES && places.get(to + 1).broken.isEmpty()) to++;
        return new int[]{from, to};
    }

    /** What a place is compared with. */
    private record Heel(double clarity, double loudnessLufs) {
        Heel(Sound atHeel, double startLufs) {
            this(Math.max(1e-9, PedalRangeFinder.clarity(atHeel)), startLufs);
        }
    }

    private static InputFault missing(ControlPlace at) {
        return new InputFault(at.toString(), "the tone has no such control",
                "name a block of the tone and its control");
    }

    private List<Place> places(Block b, Control c, Progress progress) {
        List<Place> out = new ArrayList<>();
        Sound heel = played(b.with(c.name(), c.minimum()));
        HeardChange.Moments atHeel = HeardChange.Moments.of(heel);
        HeardChange.Moments before = atHeel;
        double clarity = clarity(heel);
        double start = loudness(played(b));
        for (int i = 0; i < PLACES; i++) {
            progress.step(i / (double) PLACES, "trying " + b.label(c.name()));
            double v = c.valueAt(i / (PLACES - 1.0));
            Block there = b.with(c.name(), v);
            Sound s = i == 0 ? heel : played(there);
            HeardChange.Moments now = HeardChange.Moments.of(s);
            out.add(new Place(v, HeardChange.between(atHeel, now).withLoudnessJnd(),
                    HeardChange.between(before, now).withLoudnessJnd(),
                    broken(there, loudness(s) - start, clarity(s) / Math.max(1e-9, clarity))));
            before = now;
        }
        return out;
    }

    private Sound played(Block b) {
        return Renderer.render(tone.with(b.switched(true)), phrase, Quality.DRAFT, Progress.NONE);
    }

    /** What comes after the phrase clouds nothing. */
    private static double clarity(Sound s) {
        return Clarity.depth(s.slice(0, s.durationS() - TAIL_S));
    }

    private static double loudness(Sound s) {
        return LoudnessMeter.integratedLufs(s).orElse(-70);
    }

    /** The first limit that is broken, in words; empty where none is. */
    private String broken(Block b, double loudnessLu, double clarity) {
        MixLaw law = MixLaw.of(b);
        Optional<Control> mix = b.model().find(ControlNames.MIX);
        boolean beside = b.model().kind() == GearKind.ECHO || b.model().kind() == GearKind.REVERB;
        if (beside && mix.isPresent() && 20 * Math.log10(Math.max(1e-6, law.dry(b.get(ControlNames.MIX)))) < -limits
                .mostDryLossDb())
            return "the dry sound falls away";
        if (b.model().kind() == GearKind.ECHO) {
            OptionalInt n = repeats(b);
            double seconds = n.isPresent() ? n.getAsInt() * b.get(ControlNames.TIME) / 1000 : Double.POSITIVE_INFINITY;
            if (seconds > limits.longestRepeatsS())
                return Figures.of("the repeats go on for more than %.0f s", limits.longestRepeatsS());
        }
        if (clarity < limits.leastClarity()) return "the phrase is clouded";
        if (Math.abs(loudnessLu) > limits.loudnessLu())
            return Figures.of("it gets %.0f LU %s", limits.loudnessLu(),
                    loudnessLu > 0 ? "louder" : "softer");
        return "";
    }

    private static OptionalInt repeats(Block echo) {
        double level = MixLaw.of(echo).wetDb(echo.get(ControlNames.MIX));
        return new Repeats(level, Repeats.DEFAULT_FLOOR_DB).audible(echo.get(ControlNames.FEEDBACK));
    }

    private static double crossing(Control c, Place under, Place over) {
        double share = (JUST_HEARD_JND - under.heardJnd) / Math.max(1e-9, over.heardJnd - under.heardJnd);
        double from = c.position(under.value);
        return c.valueAt(from + Math.clamp(share, 0, 1) * (c.position(over.value) - from));
    }

    /** Between a whole place and the broken one beside it, to a sixteenth of the step. */
    private double edge(Heel heel, Block b, Control c, Place whole, Place beside) {
        double inside = c.position(whole.value);
        double outside = c.position(beside.value);
        for (int i = 0; i < 4; i++) {
            double middle = (inside + outside) / 2;
            Block there = b.with(c.name(), c.valueAt(middle));
            Sound s = played(there);
            if (broken(there, loudness(s) - heel.loudnessLufs, clarity(s) / heel.clarity).isEmpty()) inside = middle;
            else outside = middle;
        }
        return c.valueAt(inside);
    }

    /** Equal ways of the foot, equal changes to the ear. */
    private static List<PedalRange.Anchor> anchors(Block b, Control c, List<Place> places, double low, double high) {
        List<double[]> way = new ArrayList<>();
        double sum = 0;
        for (int i = 0; i < places.size(); i++) {
            sum += i == 0 ? 0 : places.get(i).stepJnd;
            way.add(new double[]{c.position(places.get(i).value), sum, places.get(i).heardJnd});
        }
        double from = interpolated(way, c.position(low), 0, 1);
        double to = interpolated(way, c.position(high), 0, 1);
        List<PedalRange.Anchor> out = new ArrayList<>();
        for (int i = 0; i < ANCHORS; i++) {
            double travel = i / (ANCHORS - 1.0);
            double wanted = from + travel * (to - from);
            double position = i == 0
                    ? c.position(low)
                    : i == ANCHORS - 1 ? c.position(high) : interpolated(way, wanted, 1, 0);
            double v = c.valueAt(position);
            Block there = b.with(c.name(), v);
            boolean echo = b.model().kind() == GearKind.ECHO;
            OptionalInt n = echo ? repeats(there) : OptionalInt.empty();
            out.add(new PedalRange.Anchor(travel, v, interpolated(way, position, 0, 2), n.orElse(-1),
                    n.isPresent() ? n.getAsInt() * there.get(ControlNames.TIME) / 1000 : -1));
        }
        return out;
    }

    private static double interpolated(List<double[]> way, double x, int in, int out) {
        for (int i = 1; i < way.size(); i++) {
            double[] a = way.get(i - 1);
            double[] b = way.get(i);
            if (x <= b[in] || i == way.size() - 1) {
                double span = b[in] - a[in];
                double share = span < 1e-12 ? 1 : Math.clamp((x - a[in]) / span, 0, 1);
                return a[out] + share * (b[out] - a[out]);
            }
        }
        return way.getLast()[out];
    }

    private static boolean even(Control c, List<PedalRange.Anchor> anchors) {
        if (anchors.isEmpty()) return true;
        double low = c.position(anchors.getFirst().value());
        double span = c.position(anchors.getLast().value()) - low;
        return anchors.stream().allMatch(a -> Math.abs(c.position(a.value()) - low - a.travel() * span) <= EVEN * span);
    }
}
