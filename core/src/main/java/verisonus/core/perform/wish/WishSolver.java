package verisonus.core.perform.wish;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.function.DoubleUnaryOperator;
import verisonus.core.advise.Move;
import verisonus.core.advise.NextMoves;
import verisonus.core.advise.SaidWord;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.words.Trait;
import verisonus.core.evidence.words.Word;
import verisonus.core.perform.PlayedReading;
import verisonus.core.perform.SolvedVariant;
import verisonus.core.perform.VariantGoal;
import verisonus.core.perform.VariantSolver;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.MeasuredBlocks;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.ToneEvidence;
import verisonus.core.search.colour.BandWeights;
import verisonus.core.search.colour.EmptyBands;
import verisonus.core.search.colour.EqualizerFit;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * Moves a tone to a wish where no record says how it shall sound. The tone as it is stands for what is not asked: words find the moves that
 * help most and harm it least, a recording gives one respect of itself, dirt is sought on the clipper's gain and loudness is set last.
 * Everything is measured again on the player's own take when it is set.
 */
public final class WishSolver {
    /** A word is met when its figures moved by a step on the mean: about what is clearly heard. */
    private static final double A_STEP = 1;
    private static final double NEARLY = 0.8;
    private static final int MOST_MOVES = 3;
    private static final double DIRT_JUST_HEARD = 0.03;
    /** Under this nothing is held back that could be heard. */
    private static final double CLEAN = 0.02;
    private static final double LOUDNESS_JUST_HEARD_LU = 0.5;
    private static final double INDEX_JUST_HEARD = 0.06;
    private static final double EQUALIZER_RIDGE = 0.02;
    private static final int PASSES = 2;
    private static final int HALVINGS = 7;
    /** So long a part of the take tells it. */
    private static final double HEARD_S = 12;
    /** Bands that differ by less are alike, dB RMS. */
    private static final double COLOUR_ALIKE_DB = 2;

    private static final double LEAST_GAIN = 0.05;
    /** The last of an equalizer's four peaks is taken where it is free. */
    private static final int FREE_PEAK = 4;
    private static final double MOST_FILTER_DB = 9;
    /** Middle of the first octave that colour is read in, Hz; the others follow by octaves. */
    private static final double LOWEST_BAND_HZ = 113;
    private static final Set<Trait> BANDS = EnumSet.of(Trait.LOWS, Trait.LOW_MIDS, Trait.BOX, Trait.HONK, Trait.BITE,
            Trait.PRESENCE, Trait.AIR);
    private static final Set<Trait> WHOLE = EnumSet.of(Trait.TILT, Trait.CENTRE);

    private final Rig rig;
    private final Sound take;
    private final ExecutorService workers;

    /** @param take dry, of the player's own */
    public WishSolver(Rig rig, Sound take, ExecutorService workers) {
        Sound working = take.atRate(Sound.WORKING_RATE_HZ);
        this.rig = rig;
        this.take = working.durationS() > HEARD_S ? working.slice(0, HEARD_S) : working;
        this.workers = workers;
    }

    /**
     * Solves.
     *
     * @throws InputFault where nothing is wished, or the recording has not what is asked of it
     */
    public Granted granted(Tone tone, Wish wish, Progress progress) {
        if (wish.isEmpty())
            throw new InputFault("the wish", "nothing is asked for",
                    "say it in words, in loudness or dirt, or name a recording that it shall be like");
        List<Granted.Part> parts = new ArrayList<>();
        List<String> against = new ArrayList<>();
        Tone now = tone;
        Set<Trait> asked = EnumSet.noneOf(Trait.class);
        Evidence before = heard(tone);
        if (wish.like().isPresent()) now = like(now, wish.like().get(), parts, asked);
        for (SaidWord w : wish.words()) {
            progress.step(0.3, w.word().name());
            now = worded(now, w, parts, asked, progress);
        }
        progress.step(0.8, "dirt and loudness");
        now = played(tone, now, wish, parts, against, asked);
        if (wish.words().stream().anyMatch(w -> contradicts(w, wish.words())))
            against.add("two of the words ask for opposites: the later one stands");
        against.addAll(moved(before, heard(now), asked));
        progress.step(1, "done");
        return new Granted(now.named(tone.name()), parts, against, changes(tone, now));
    }

    private static boolean contradicts(SaidWord w, List<SaidWord> all) {
        return all.stream().anyMatch(o -> o != w && o.more() != w.more() && o.word().name().equals(w.word().name()));
    }

    private Evidence heard(Tone t) {
        return Examination.of(render(t), Examination.Depth.TONE, Progress.NONE);
    }

    private Sound render(Tone t) {
        return Renderer.render(t, take, Quality.SEARCH, Progress.NONE);
    }

    /** Moves that help a word, one after the other, until it is met or nothing helps. */
    private Tone worded(Tone from, SaidWord said, List<Granted.Part> parts, Set<Trait> asked, Progress progress) {
        Evidence start = heard(from);
        said.word().conditions().forEach(c -> asked.add(c.trait()));
        // Slope and centre of the whole follow from any band.
        if (BANDS.stream().anyMatch(asked::contains)) asked.addAll(WHOLE);
        Tone now = from;
        double best = 0;
        for (int i = 0; i < MOST_MOVES && best < A_STEP; i++) {
            ToneEvidence own = new ToneEvidence(heard(now), Optional.of(take), Pairing.SAME_PERFORMANCE);
            List<Move> moves = new NextMoves(new NextMoves.Question(own, take, now, rig, Locks.NONE, Set.of()), workers,
                    Progress.NONE).towards(said.word(), said.more(), progress);
            Optional<Tone> next = Optional.empty();
            for (Move m : moves) {
                double reached = help(said, start, heard(m.tone()));
                if (Math.abs(reached - A_STEP) > Math.abs(best - A_STEP) - LEAST_GAIN) continue;
                best = reached;
                next = Optional.of(m.tone());
            }
            if (next.isEmpty()) break;
            now = next.get();
        }
        if (best < NEARLY) {
            Tone filtered = filtered(now, said, start);
            double reached = help(said, start, heard(filtered));
            if (reached > best + LEAST_GAIN) {
                now = filtered;
                best = reached;
            }
        }
        parts.add(new Granted.Part((said.more() ? "more " : "less ") + said.word().name(), A_STEP, best,
                "steps of hearing", best >= NEARLY));
        return now;
    }

    /** One band of an equalizer that was at rest, where the word's own band lies. */
    private Tone filtered(Tone t, SaidWord said, Evidence start) {
        Optional<Word.Condition> band = said.word().conditions().stream().filter(c -> BANDS.contains(c.trait()))
                .findFirst();
        boolean room = t.first(GearKind.EQUALIZER).isPresent() || t.blocks().size() < rig.mostBlocks();
        if (band.isEmpty() || !room || !rig.holds(Gear.model("parametric equalizer"))) return t;
        Block eq = t.first(GearKind.EQUALIZER).orElseGet(() -> rig.device(Gear.model("parametric equalizer")));
        if (eq.model().find(ControlNames.peak(FREE_PEAK)).isEmpty() || eq.get(ControlNames.peak(FREE_PEAK)) != 0)
            return t;
        double hz = LOWEST_BAND_HZ * Math.pow(2, band.get().trait().ordinal());
        Block placed = eq.with(ControlNames.peakFrequency(FREE_PEAK), Math.rint(hz));
        double sign = band.get().above() == said.more() ? 1 : -1;
        double low = 0;
        double high = MOST_FILTER_DB;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            Tone tried = equalized(t, placed.with(ControlNames.peak(FREE_PEAK), sign * middle));
            if (help(said, start, heard(tried)) < A_STEP) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return equalized(t, placed.with(ControlNames.peak(FREE_PEAK), sign * Math.rint(5 * (low + high)) / 10));
    }

    private static double help(SaidWord said, Evidence before, Evidence after) {
        Map<Trait, Double> was = Trait.of(before);
        Map<Trait, Double> is = Trait.of(after);
        double sum = 0;
        for (Word.Condition c : said.word().conditions()) {
            double moved = is.getOrDefault(c.trait(), 0.0) - was.getOrDefault(c.trait(), 0.0);
            sum += (c.above() == said.more() ? moved : -moved) / c.trait().step() / said.word().conditions().size();
        }
        return sum;
    }

    private Tone like(Tone t, Wish.Like like, List<Granted.Part> parts, Set<Trait> asked) {
        Evidence wanted = Examination.of(like.recording().atRate(Sound.WORKING_RATE_HZ), Progress.NONE);
        MeasuredBlocks measured = new MeasuredBlocks(wanted, SearchOptions.defaults().withRig(rig));
        return switch (like.aspect()) {
            case ECHO -> {
                asked.add(Trait.ECHO);
                yield taking(t, GearKind.ECHO, measured.echo(), "an echo", parts);
            }
            case SPACE -> {
                asked.add(Trait.ROOM);
                yield taking(t, GearKind.REVERB, measured.space(render(without(t, GearKind.REVERB))), "a space",
                        parts);
            }
            case MOVEMENT -> taking(t, GearKind.MODULATION, measured.movement(), "a movement", parts);
            case COLOUR -> coloured(t, like.recording(), wanted, parts, asked);
            case DIRT -> asDirty(t, wanted, parts, asked);
        };
    }

    private static Tone without(Tone t, GearKind kind) {
        return t.first(kind).map(b -> t.with(b.switched(false))).orElse(t);
    }

    private static Tone taking(Tone t, GearKind kind, Optional<Block> found, String what, List<Granted.Part> parts) {
        Block block = found.orElseThrow(() -> new InputFault("the recording", "it shows no sure sign of " + what
                + " that your gear could make", "name another recording, or own what makes it"));
        parts.add(new Granted.Part("its " + what.substring(what.indexOf(' ') + 1), 1, 1, "found and set", true));
        Optional<Block> there = t.first(kind);
        if (there.isPresent()) return t.with(block.named(there.get().id()));
        int at = 0;
        while (at < t.blocks().size() && t.blocks().get(at).model().kind().compareTo(kind) < 0) at++;
        return t.inserted(block, at);
    }

    /** Four filters, so that the bands stand as in the recording. */
    private Tone coloured(Tone t, Sound recording, Evidence shown, List<Granted.Part> parts, Set<Trait> asked) {
        asked.addAll(BANDS);
        asked.addAll(WHOLE);
        if (!rig.holds(Gear.model("parametric equalizer")))
            throw new InputFault("your gear", "it holds no equalizer with bands to place", "wish for words instead");
        double[] wanted = levels(recording);
        double[] weight = BandWeights.of(shown.spectrum(), wanted);
        EqualizerFit fit = EqualizerFit.ofFew(weight, EQUALIZER_RIDGE, false, EmptyBands.of(levels(take)));
        Tone bare = without(t, GearKind.EQUALIZER);
        double[] has = levels(render(bare));
        Block eq = fit.fit(missing(wanted, has, new double[wanted.length], weight));
        Tone now = equalized(t, eq);
        for (int pass = 1; pass < PASSES; pass++) {
            eq = fit.fit(missing(wanted, levels(render(now)), fit.curve(eq), weight));
            now = equalized(t, eq);
        }
        double off = rms(missing(wanted, levels(render(now)), new double[wanted.length], weight), weight);
        parts.add(new Granted.Part("its colour", 0, off, "dB off", off < COLOUR_ALIKE_DB));
        return now;
    }

    private static double[] levels(Sound s) {
        return Features.of(s.atRate(Sound.WORKING_RATE_HZ).mid(), 0, Sound.WORKING_RATE_HZ).levelDb();
    }

    private static double[] missing(double[] wanted, double[] has, double[] made, double[] weight) {
        double[] out = new double[wanted.length];
        double all = Arrays.stream(weight).sum();
        double mean = 0;
        for (int b = 0; b < out.length; b++) mean += weight[b] * (wanted[b] - has[b]) / all;
        for (int b = 0; b < out.length; b++) out[b] = wanted[b] - has[b] - mean + made[b];
        return out;
    }

    private static double rms(double[] v, double[] weight) {
        double sum = 0;
        for (int b = 0; b < v.length; b++) sum += weight[b] * v[b] * v[b];
        return Math.sqrt(sum / Arrays.stream(weight).sum());
    }

    private Tone equalized(Tone t, Block eq) {
        Block own = rig.own(eq);
        Optional<Block> there = t.first(GearKind.EQUALIZER);
        if (there.isPresent()) return t.with(own.named(there.get().id()));
        int at = 0;
        while (at < t.blocks().size() && t.blocks().get(at).model().kind().compareTo(GearKind.EQUALIZER) < 0) at++;
        return t.inserted(own, at);
    }

    /** As dirty as a recording by its own evidence. */
    private Tone asDirty(Tone t, Evidence wanted, List<Granted.Part> parts, Set<Trait> asked) {
        asked.addAll(EnumSet.of(Trait.DIRT, Trait.SPREAD, Trait.ATTACK, Trait.FALL));
        double aim = wanted.saturation().value().map(SaturationReading::index).orElseThrow(() -> new InputFault(
                "the recording", "how dirty it is cannot be told", "name one in which the guitar stands alone"));
        Block amp = t.sounding(GearKind.AMP).or(() -> t.sounding(GearKind.DRIVE)).orElseThrow(
                () -> new InputFault("the tone", "nothing in it clips", "switch a drive or an amp on"));
        String control = amp.model().kind() == GearKind.AMP ? ControlNames.GAIN : ControlNames.DRIVE;
        Control c = amp.model().control(control);
        DoubleUnaryOperator index = v -> heard(t.with(amp.with(control, v))).saturation().value()
                .map(SaturationReading::index).orElse(0.0);
        double low = c.minimum();
        double high = c.maximum();
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (index.applyAsDouble(middle) < aim) {
                low = middle;
            } else {
                high = middle;
            }
        }
        double value = Math.rint(5 * (low + high)) / 10;
        double reached = index.applyAsDouble(value);
        parts.add(new Granted.Part("its dirt", aim, reached, "index", Math.abs(reached - aim) < INDEX_JUST_HEARD));
        return t.with(amp.with(control, value));
    }

    /** Dirt as asked, and as loud as it was or as asked. */
    private Tone played(Tone first, Tone now, Wish wish, List<Granted.Part> parts, List<String> against,
            Set<Trait> asked) {
        PlayedReading was = PlayedReading.of(first, take);
        PlayedReading is = PlayedReading.of(now, take);
        double louder = wish.louderLu().orElse(0) + was.loudnessLufs() - is.loudnessLufs();
        VariantGoal goal = VariantGoal.NOTHING.louder(Math.clamp(louder, -30, 30));
        double aim = was.dirt() + wish.dirtBy().orElse(0);
        boolean beyond = wish.dirtBy().isPresent() && (aim < CLEAN || aim > 1);
        // A control that is turned to its end for nothing spoils what it was set to.
        if (beyond)
            against.add(Figures.of("its dirt is %.2f of 1 already: there is no more to %s", was.dirt(),
                    aim < CLEAN ? "take away" : "add"));
        if (wish.dirtBy().isPresent() && !beyond) {
            asked.addAll(EnumSet.of(Trait.DIRT, Trait.SPREAD, Trait.ATTACK, Trait.FALL));
            goal = goal.dirtier(Math.clamp(wish.dirtBy().getAsDouble() + was.dirt() - is.dirt(), -1, 1));
        }
        SolvedVariant solved = new VariantSolver(now, take, Optional.empty(), Optional.empty()).solved("wish", goal,
                Progress.NONE);
        PlayedReading after = solved.after();
        against.addAll(solved.amiss());
        wish.dirtBy().ifPresent(d -> parts.add(new Granted.Part("dirt", d, after.dirt() - was.dirt(), "of 1",
                Math.abs(after.dirt() - was.dirt() - d) <= DIRT_JUST_HEARD)));
        double reachedLu = after.loudnessLufs() - was.loudnessLufs();
        wish.louderLu().ifPresent(l -> parts.add(new Granted.Part("loudness", l, reachedLu, "LU",
                Math.abs(reachedLu - l) <= LOUDNESS_JUST_HEARD_LU)));
        return solved.tone();
    }

    /** What nobody asked to move and did, by more than a step. */
    private static List<String> moved(Evidence before, Evidence after, Set<Trait> asked) {
        Map<Trait, Double> was = Trait.of(before);
        Map<Trait, Double> is = Trait.of(after);
        List<String> out = new ArrayList<>();
        for (Trait t : was.keySet()) {
            if (asked.contains(t) || !is.containsKey(t)) continue;
            double by = is.getOrDefault(t, 0.0) - was.getOrDefault(t, 0.0);
            if (Math.abs(by) > t.step()) out.add(t.words() + Figures.read(" moved along, by %+.1f ", by) + t.unit());
        }
        return out;
    }

    private static List<Granted.Change> changes(Tone from, Tone to) {
        List<Granted.Change> out = new ArrayList<>();
        for (Block now : to.blocks()) {
            Optional<Block> was = from.find(now.id()).filter(b -> b.model().equals(now.model()));
            for (Control c : now.model().turnable()) {
                double before = was.map(b -> b.get(c.name())).orElse(c.defaultValue());
                if (Math.abs(before - now.get(c.name())) > 1e-6)
                    out.add(new Granted.Change(ControlPlace.of(now, c.name()), before, now.get(c.name())));
            }
        }
        return out;
    }
}
