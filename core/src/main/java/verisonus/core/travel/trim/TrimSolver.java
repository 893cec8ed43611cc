package verisonus.core.travel.trim;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.travel.EqualLoudness;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.PassageSpectra;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.work.Progress;

/**
 * What is the least to turn so that a tone sounds on a system as it did where it was made? Each control is measured once on the
 * tone; then controls are chosen one by one, each having to earn its price, all of them turned together by coordinate descent;
 * the trimmed tone is rendered and measured, and corrected once by what it came out differently. Several systems at once are
 * served by the mean of their squares.
 */
public final class TrimSolver {
    private static final int MOST_STEPS = 4;
    private static final int ROUNDS = 6;
    /** Part of the take that is played; more changes no colour. */
    private static final double PLAYED_S = 8;
    private static final double ENOUGH_DB = 1.0;
    private static final double OFF_DB = 1.5;
    private static final double NEAR_DB = 2.0;
    /** Third octaves weigh less than the bands that players speak of. */
    private static final double THIRDS_WEIGHT = 0.25;
    /** Lows that a system cannot play need no bringing back, and highs neither. */
    private static final double MOST_COUNTED_DB = 20;
    private static final double DB = Math.log(10) / 10;
    /** Six decibels under its middle a loudspeaker is at its edge. */
    private static final double WEAK = 0.25;
    private static final double MOST_STRAIN_DB = 4;

    /** The named band of each third octave. */
    private static final NamedBand[] BAND_OF = Arrays.stream(PassageSpectra.BANDS.centresHz())
            .mapToObj(hz -> Arrays.stream(NamedBand.values()).filter(n -> n.holds(hz)).findFirst()
                    .orElse(NamedBand.HIGHS))
            .toArray(NamedBand[]::new);

    private final Tone tone;
    private final Sound di;
    private final double levelDbSpl;
    private final SpaceTrim space;
    private final boolean equalizer;
    private final Starting whole;
    private final Optional<Starting> withoutCabinet;

    /** A tone from which trims start, and what its controls do. */
    private record Starting(Tone tone, List<String> off, double[] mid, double[] both, List<Turnable> turnables) {
        double[] power(PlaybackSystem s) {
            return s.loudspeakers() == 1 ? mid : both;
        }
    }

    /**
     * What the tone is on a system and should be.
     *
     * @param gain what the system does to the power of each third octave at this level
     * @param made the tone where it was made
     */
    private record Goal(PlaybackSystem system, double[] gain, double[] made, Set<NamedBand> counted) {
        double[] heard(double[] power) {
            double[] out = power.clone();
            for (int b = 0; b < out.length; b++) out[b] *= gain[b];
            return out;
        }

        double[] heard(double[] mid, double[] both) {
            return heard(system.loudspeakers() == 1 ? mid : both);
        }
    }

    /** What is turned, and to which of its values; below 0: where it stands. */
    private record Turned(Turnable what, int at) {
        double value() {
            return at < 0 ? what.from() : what.values()[at];
        }
    }

    /**
     * Measures the controls of a tone; a second or two.
     *
     * @param di dry take the tone is played with
     * @param equalizer whether an equalizer can be put at the chain's end
     */
    public TrimSolver(Tone tone, Sound di, double levelDbSpl, boolean equalizer, Progress progress) {
        this.tone = tone;
        this.di = played(di);
        this.levelDbSpl = levelDbSpl;
        this.space = new SpaceTrim(this.di, levelDbSpl);
        this.equalizer = equalizer && tone.find(Trim.EQUALIZER_ID).isEmpty();
        List<String> cabinet = tone.blocks().stream().filter(b -> b.on()
                && (b.model().kind() == GearKind.CABINET || b.model().kind() == GearKind.MICROPHONE)).map(Block::id)
                .toList();
        this.whole = starting(tone, List.of(), progress, 0, cabinet.isEmpty() ? 1 : 0.6);
        this.withoutCabinet = cabinet.isEmpty()
                ? Optional.empty()
                : Optional.of(starting(switchedOff(tone, cabinet), cabinet, progress, 0.6, 0.4));
    }

    private static Sound played(Sound di) {
        if (di.durationS() <= PLAYED_S) return di;
        double best = -1;
        double at = 0;
        for (double from = 0; from + PLAYED_S <= di.durationS(); from += PLAYED_S / 2) {
            double rms = di.slice(from, from + PLAYED_S).rms();
            if (rms > best * 1.02) {
                best = rms;
                at = from;
            }
        }
        return di.slice(at, at + PLAYED_S);
    }

    private static Tone switchedOff(Tone tone, List<String> ids) {
        Tone out = tone;
        for (String id : ids) out = out.with(out.find(id).orElseThrow().switched(false));
        return out;
    }

    private Starting starting(Tone from, List<String> off, Progress progress, double done, double share) {
        List<Turnable> out = new ArrayList<>(equalizer ? Turnable.equalizer() : List.of());
        PassageSpectra now = render(from);
        List<Block> blocks = from.main();
        int n = 0;
        for (Block b : blocks) {
            n++;
            for (Control c : b.model().turnable()) {
                if (!Turnable.isTurned(b, c)) continue;
                progress.step(done + share * n / (blocks.size() + 1.0), "trying " + b.label(c.name()));
                double[] values = Turnable.tried(c, b.get(c.name()));
                double[][] thirds = new double[3][];
                for (int i = 0; i < 3; i++) {
                    PassageSpectra p = i == 1 || values[i] == values[1]
                            ? now
                            : render(from.with(b.with(c.name(), values[i])));
                    thirds[i] = decibels(p.power(2));
                }
                out.add(Turnable.measured(b, c, values, thirds));
            }
        }
        return new Starting(from, off, now.power(1), now.power(2), out);
    }

    private PassageSpectra render(Tone t) {
        return PassageSpectra.of(Renderer.render(t, di, Quality.SEARCH, Progress.NONE));
    }

    private static double[] decibels(double[] power) {
        return Arrays.stream(power).map(p -> 10 * Math.log10(p + 1e-20)).toArray();
    }

    /** The least change for one system. */
    public Trim on(PlaybackSystem system) {
        return on(List.of(system));
    }

    /** One change for several systems at once. */
    public Trim on(List<PlaybackSystem> systems) {
        return withLessSpace(systems, colour(systems));
    }

    /** With what the tone's own echoes and spaces are turned down by, after its colour was brought back. */
    private Trim withLessSpace(List<PlaybackSystem> systems, Trim trim) {
        List<TrimStep> less = space.on(systems, trim.tone());
        if (less.isEmpty()) return trim;
        List<TrimStep> all = new ArrayList<>(trim.steps());
        all.addAll(less);
        Tone turned = trim.tone();
        for (TrimStep s : less)
            turned = turned.with(turned.find(s.place().block()).orElseThrow().with(s.place().control(), s.to()));
        return new Trim(trim.systems(), all, trim.off(), turned, trim.beforeDb(), trim.afterDb(), trim.left(),
                trim.within2Db());
    }

    private Trim colour(List<PlaybackSystem> systems) {
        List<Goal> goals = systems.stream().map(this::goal).toList();
        Trim best = solved(goals, whole);
        boolean real = systems.stream().allMatch(PlaybackSystem::guitarCabinet);
        if (real && withoutCabinet.isPresent()) {
            Trim other = solved(goals, withoutCabinet.get());
            if (other.afterDb() < best.afterDb() + Turnable.KNOB_PRICE_DB * 2) return other;
        }
        return best;
    }

    private Goal goal(PlaybackSystem s) {
        double[] hz = PassageSpectra.BANDS.centresHz();
        double[] gain = new double[hz.length];
        for (int b = 0; b < hz.length; b++)
            gain[b] = s.curve().meanPower(PassageSpectra.BANDS.lowHz(b), PassageSpectra.BANDS.highHz(b)) * Math.pow(10,
                    EqualLoudness.changeDb(hz[b], PlaybackSystem.WORKING_LEVEL_DB_SPL, levelDbSpl) / 10);
        Goal all = new Goal(s, gain, whole.both(), EnumSet.noneOf(NamedBand.class));
        Set<NamedBand> counted = EnumSet.noneOf(NamedBand.class);
        double[] heard = all.heard(whole.mid(), whole.both());
        for (NamedBand n : NamedBand.values()) {
            // What lies under a guitar's lowest string is left to the bass player.
            if (n == NamedBand.SUB || PassageSpectra.isEmpty(n, whole.both())) continue;
            if (bandDb(n, heard, whole.both()) - loudness(heard, whole.both()) > NamedBand.GONE_DB) counted.add(n);
        }
        return new Goal(s, gain, whole.both(), counted);
    }

    private static double loudness(double[] after, double[] before) {
        return 10 * Math.log10(PassageSpectra.weighted(after) / PassageSpectra.weighted(before));
    }

    private static double bandDb(NamedBand n, double[] after, double[] before) {
        return 10 * Math.log10((PassageSpectra.bandPower(n, after) + 1e-20)
                / (PassageSpectra.bandPower(n, before) + 1e-20));
    }

    private Trim solved(List<Goal> goals, Starting start) {
        double before = changeDb(goals, whole.mid(), whole.both());
        double[] bias = new double[PassageSpectra.BANDS.count()];
        Trim best = asItIs(goals, start, before);
        for (int pass = 0; pass < 2; pass++) {
            List<Turned> chosen = chosen(goals, start, bias);
            if (chosen.isEmpty()) break;
            Tone trimmed = turned(start.tone(), chosen);
            PassageSpectra made = render(trimmed);
            double[] mid = made.power(1);
            double[] both = made.power(2);
            double after = changeDb(goals, mid, both);
            if (after < best.afterDb() - Turnable.KNOB_PRICE_DB / 2)
                best = new Trim(ids(goals), steps(chosen), start.off(), trimmed, before, after, left(goals, mid, both),
                        within(goals, mid, both));
            double[] predicted = decibels(applied(start.both(), sumDb(chosen, new double[bias.length])));
            double[] is = decibels(both);
            for (int b = 0; b < bias.length; b++) bias[b] = is[b] - predicted[b];
        }
        return best;
    }

    private Trim asItIs(List<Goal> goals, Starting start, double before) {
        return new Trim(ids(goals), List.of(), start.off(), start.tone(), before,
                changeDb(goals, start.mid(), start.both()), left(goals, start.mid(), start.both()),
                within(goals, start.mid(), start.both()));
    }

    private static List<String> ids(List<Goal> goals) {
        return goals.stream().map(g -> g.system().id()).toList();
    }

    private static List<TrimStep> steps(List<Turned> chosen) {
        List<TrimStep> out = new ArrayList<>();
        for (Turned t : chosen) {
            out.add(new TrimStep(t.what().place(), t.what().from(), t.value()));
            out.addAll(t.what().fixed());
        }
        return out;
    }

    private static Tone turned(Tone from, List<Turned> chosen) {
        Tone out = from;
        Map<String, Double> filters = new LinkedHashMap<>();
        for (TrimStep s : steps(chosen)) {
            if (s.place().block().equals(Trim.EQUALIZER_ID)) {
                filters.put(s.place().control(), s.to());
            } else {
                out = out.with(out.find(s.place().block()).orElseThrow().with(s.place().control(), s.to()));
            }
        }
        if (filters.isEmpty()) return out;
        Block equalizer = Block.of("parametric equalizer").named(Trim.EQUALIZER_ID);
        for (Map.Entry<String, Double> f : filters.entrySet()) equalizer = equalizer.with(f.getKey(), f.getValue());
        return out.inserted(equalizer, out.blocks().size());
    }

    /** The controls worth turning, each at its best with the others. */
    private List<Turned> chosen(List<Goal> goals, Starting start, double[] bias) {
        List<Turned> now = List.of();
        double error = error(goals, start, now, bias);
        while (now.size() < MOST_STEPS && error > ENOUGH_DB) {
            List<Turned> best = now;
            double least = error;
            for (Turnable t : start.turnables()) {
                if (isTaken(now, t)) continue;
                List<Turned> with = new ArrayList<>(now);
                with.add(new Turned(t.isPeak() ? t.asPeak(1 + (int) peaks(now)) : t, -1));
                with = descended(goals, start, with, bias);
                double e = error(goals, start, with, bias) + t.price();
                if (e < least) {
                    least = e;
                    best = with;
                }
            }
            if (best == now) break;
            now = best;
            error = error(goals, start, now, bias);
        }
        return now.stream().filter(t -> Math.abs(t.value() - t.what().from()) > 1e-9).toList();
    }

    private static long peaks(List<Turned> chosen) {
        return chosen.stream().filter(t -> t.what().isPeak()).count();
    }

    private static boolean isTaken(List<Turned> chosen, Turnable t) {
        return chosen.stream().anyMatch(c -> c.what().effectDb() == t.effectDb()
                || !t.isPeak() && c.what().place().equals(t.place()));
    }

    private static List<Turned> descended(List<Goal> goals, Starting start, List<Turned> from, double[] bias) {
        List<Turned> now = new ArrayList<>(from);
        for (int round = 0; round < (from.size() == 1 ? 1 : ROUNDS); round++) {
            boolean moved = false;
            for (int i = 0; i < now.size(); i++) {
                Turned was = now.get(i);
                Turned best = was;
                double least = error(goals, start, now, bias);
                for (int v = -1; v < was.what().values().length; v++) {
                    now.set(i, new Turned(was.what(), v));
                    double e = error(goals, start, now, bias);
                    if (e < least - 1e-6) {
                        least = e;
                        best = now.get(i);
                    }
                }
                now.set(i, best);
                moved |= best != was;
            }
            if (!moved) break;
        }
        return now;
    }

    private static double[] sumDb(List<Turned> chosen, double[] bias) {
        double[] db = bias.clone();
        for (Turned t : chosen) {
            if (t.at() < 0) continue;
            double[] e = t.what().effectDb()[t.at()];
            for (int b = 0; b < db.length; b++) db[b] += e[b];
        }
        return db;
    }

    private static double[] applied(double[] power, double[] db) {
        double[] out = new double[power.length];
        for (int b = 0; b < out.length; b++) out[b] = power[b] * Math.exp(db[b] * DB);
        return out;
    }

    private static double error(List<Goal> goals, Starting start, List<Turned> chosen, double[] bias) {
        double sum = 0;
        double[] db = sumDb(chosen, bias);
        for (Goal g : goals) {
            double e = whole(g, g.heard(applied(start.power(g.system()), db))) + strain(g, db, bias);
            sum += e * e;
        }
        return Math.sqrt(sum / goals.size());
    }

    /** What raising notes that a loudspeaker can hardly play asks of it. */
    private static double strain(Goal g, double[] db, double[] bias) {
        double out = 0;
        for (int b = 0; b < db.length; b++) {
            double raised = db[b] - bias[b];
            if (g.gain()[b] < WEAK && raised > MOST_STRAIN_DB)
                out = Math.max(out, raised - MOST_STRAIN_DB);
        }
        return out;
    }

    /** Bands and third octaves together. */
    private static double whole(Goal g, double[] heard) {
        double bands = bands(g, heard);
        double loudness = loudness(heard, g.made());
        double sum = 0;
        int n = 0;
        for (int b = 0; b < heard.length; b++) {
            if (!g.counted().contains(BAND_OF[b])) continue;
            double d = 10 * Math.log10((heard[b] + 1e-20) / (g.made()[b] + 1e-20)) - loudness;
            sum += Math.pow(Math.min(MOST_COUNTED_DB, Math.abs(d)), 2);
            n++;
        }
        return Math.sqrt(bands * bands + (n == 0 ? 0 : THIRDS_WEIGHT * sum / n));
    }

    private static double bands(Goal g, double[] heard) {
        double loudness = loudness(heard, g.made());
        double sum = 0;
        for (NamedBand n : g.counted()) {
            double d = Math.min(MOST_COUNTED_DB, Math.abs(bandDb(n, heard, g.made()) - loudness));
            sum += d * d;
        }
        return g.counted().isEmpty() ? 0 : Math.sqrt(sum / g.counted().size());
    }

    private static double changeDb(List<Goal> goals, double[] mid, double[] both) {
        return Math
                .sqrt(goals.stream().mapToDouble(g -> Math.pow(bands(g, g.heard(mid, both)), 2)).average().orElse(0));
    }

    private int within(List<Goal> goals, double[] mid, double[] both) {
        return (int) goals.stream().filter(g -> bands(g, g.heard(mid, both)) <= NEAR_DB).count();
    }

    private List<NamedBand> left(List<Goal> goals, double[] mid, double[] both) {
        Set<NamedBand> out = EnumSet.noneOf(NamedBand.class);
        for (Goal g : goals) {
            double[] heard = g.heard(mid, both);
            double loudness = loudness(heard, g.made());
            for (NamedBand n : NamedBand.values()) {
                if (PassageSpectra.isEmpty(n, g.made())) continue;
                if (Math.abs(bandDb(n, heard, g.made()) - loudness) > OFF_DB) out.add(n);
            }
        }
        return out.stream().sorted(Comparator.naturalOrder()).toList();
    }

    /** The tone that is trimmed. */
    public Tone tone() {
        return tone;
    }
}
