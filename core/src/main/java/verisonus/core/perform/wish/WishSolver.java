package verisonus.core.perform.wish;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import verisonus.core.advise.Move;
import verisonus.core.advise.NextMoves;
import verisonus.core.advise.SaidWord;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
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
import verisonus.core.search.ToneEvidence;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * Moves a tone to a wish where no record says how it shall sound. The tone as it is stands for what is not asked: words find the moves that
 * help most and harm it least, a recording gives one respect of itself ({@link OneRespect}), dirt is sought on the clipper's gain and
 * loudness is set last.
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
    private static final int HALVINGS = 7;
    /** So long a part of the take tells it. */
    private static final double HEARD_S = 12;

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
        if (wish.like().isPresent()) {
            OneRespect.Taken taken = new OneRespect(rig, take).taken(now, wish.like().get());
            now = taken.tone();
            parts.add(taken.part());
            asked.addAll(taken.moved());
        }
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

    private static Tone equalized(Tone t, Block eq) {
        return t.find(eq.id()).isPresent() ? t.with(eq) : t.insertedInOrder(eq);
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
            if (Math.abs(by) > t.step()) out.add(named(t) + Figures.read(" moved along, by %+.1f ", by) + t.unit());
        }
        return out;
    }

    /** A band by its name: an octave in hertz alone says nothing to a player. */
    private static String named(Trait t) {
        return BANDS.contains(t)
                ? t.name().toLowerCase(Locale.ROOT).replace('_', ' ') + " (" + t.words() + ")"
                : t.words();
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
