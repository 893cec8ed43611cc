package verisonus.core.travel;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import verisonus.core.compare.JndScale;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.Protection;
import verisonus.core.work.Figures;

/**
 * How does a tone change from one playback system to another? The tone's third octaves, moment by moment, go through each
 * system's response, its sum of channels, what it holds back when loud, and the ear's change of sensitivity with level
 * ({@link EqualLoudness}); what is left after matching loudness is the change of colour. The room is part of the response.
 */
public final class Journey {
    /** Level at which a tone counts as made where nothing else is said, dB SPL. */
    public static final double WORKING_LEVEL_DB_SPL = PlaybackSystem.WORKING_LEVEL_DB_SPL;

    static final double AUDIBLE_DB = 1.5;
    /** More than two things to turn at once is advice nobody follows. */
    private static final int MOST_ADVICE = 2;
    private static final double FLOOR_DB = -80;
    /** What is 20 dB down is as good as gone; further does not make it worse. */
    private static final double MOST_COUNTED_DB = 20;

    /** Share of a band's power that has to be newly covered before the band counts as gone under. */
    private static final double MOSTLY = 0.5;

    private final PassageSpectra tone;
    private final Optional<PassageSpectra> reference;
    private final Optional<MonoLoss.Cause> cause;
    private final BandBed bed;
    private final double levelDbSpl;
    private final Optional<Tone> settings;

    /**
     * @param tone the recording that travels
     * @param reference the wanted sound, where the difference to it should travel along
     * @param levelDbSpl how loud it is heard
     */
    public Journey(Sound tone, Optional<Sound> reference, double levelDbSpl) {
        this(tone, reference, Optional.empty(), levelDbSpl);
    }

    /** @param backing bass and drums round the tone; a plain bed of both where there is none */
    public Journey(Sound tone, Optional<Sound> reference, Optional<Sound> backing, double levelDbSpl) {
        this.tone = PassageSpectra.of(tone);
        this.reference = reference.map(PassageSpectra::of);
        this.cause = tone.isStereo() ? Optional.of(SideBySide.causeOf(tone)) : Optional.empty();
        this.bed = backing.map(b -> BandBed.of(b, tone)).orElseGet(BandBed::plain);
        this.levelDbSpl = levelDbSpl;
        this.settings = Optional.empty();
    }

    private Journey(Journey other, Tone settings) {
        tone = other.tone;
        reference = other.reference;
        cause = other.cause;
        bed = other.bed;
        levelDbSpl = other.levelDbSpl;
        this.settings = Optional.of(settings);
    }

    /** The same journey of a tone whose settings are known, so that what to turn is said of them as they stand. */
    public Journey withSettings(Tone itsSettings) {
        return new Journey(this, itsSettings);
    }

    /** Centres of the third octaves of {@link Travelled#thirdsDb}. */
    public static double[] thirdsHz() {
        return PassageSpectra.BANDS.centresHz();
    }

    /** On each system, in the order asked for. */
    public List<Travelled> to(List<PlaybackSystem> systems) {
        return systems.stream().map(this::on).toList();
    }

    /** The system that changes a tone most. */
    public static Optional<Travelled> worst(List<Travelled> travelled) {
        return travelled.stream().max(Comparator.comparingDouble(Travelled::changeDb));
    }

    /** A recording as it is at the ear: third octaves, and how loud and soft run. */
    private record AtEar(double[] power, double spreadDb) {}

    private AtEar at(PassageSpectra passage, PlaybackSystem system) {
        double[] hz = PassageSpectra.BANDS.centresHz();
        double[] curve = new double[hz.length];
        for (int b = 0; b < hz.length; b++)
            curve[b] = system.curve().meanPower(PassageSpectra.BANDS.lowHz(b), PassageSpectra.BANDS.highHz(b));
        float[][] frames = passage.on(system.loudspeakers());
        double[] sum = new double[hz.length];
        double[] levels = new double[frames.length];
        double[] mean = PassageSpectra.mean(frames);
        for (int b = 0; b < hz.length; b++) mean[b] *= curve[b];
        double whole = PassageSpectra.weighted(mean);
        Optional<Protection> holding = system.protection();
        for (int t = 0; t < frames.length; t++) {
            double broad = 1e-30;
            for (int b = 0; b < hz.length; b++) broad += frames[t][b] * curve[b];
            double level = levelDbSpl + 10 * Math.log10(broad / whole);
            double gain = holding.isEmpty() ? 0 : holding.get().gainDbAt(level);
            levels[t] = level + gain;
            double g = Math.pow(10, gain / 10);
            for (int b = 0; b < hz.length; b++) sum[b] += frames[t][b] * curve[b] * g / frames.length;
        }
        return new AtEar(sum, PassageSpectra.spreadDb(levels));
    }

    private static AtEar asMade(PassageSpectra passage) {
        float[][] frames = passage.on(2);
        double[] levels = new double[frames.length];
        for (int t = 0; t < frames.length; t++) {
            double broad = 1e-30;
            for (float p : frames[t]) broad += p;
            levels[t] = 10 * Math.log10(broad);
        }
        return new AtEar(PassageSpectra.mean(frames), PassageSpectra.spreadDb(levels));
    }

    /** What the ear's sensitivity makes of powers at this level against the level at which the tone was made. */
    private double[] sensed(double[] power) {
        double[] hz = PassageSpectra.BANDS.centresHz();
        double[] out = new double[hz.length];
        for (int b = 0; b < hz.length; b++)
            out[b] = power[b] * Math.pow(10, EqualLoudness.changeDb(hz[b], WORKING_LEVEL_DB_SPL, levelDbSpl) / 10);
        return out;
    }

    private Travelled on(PlaybackSystem system) {
        AtEar made = asMade(tone);
        AtEar here = at(tone, system);
        double[] before = made.power();
        double[] after = sensed(here.power());
        double loudness = 10 * Math.log10(PassageSpectra.weighted(after) / PassageSpectra.weighted(before));
        boolean silent = PassageSpectra.weighted(before) < 1e-20;
        if (silent) loudness = 0;
        List<BandChange> bands = new ArrayList<>();
        for (NamedBand n : NamedBand.values()) {
            double change = silent ? 0 : ratioDb(n, after, before) - loudness;
            bands.add(new BandChange(n.words(), n.fromHz(), n.toHz(), change));
        }
        List<Double> thirds = new ArrayList<>();
        for (int b = 0; b < before.length; b++)
            thirds.add(silent ? 0 : 10 * Math.log10((after[b] + 1e-20) / (before[b] + 1e-20)) - loudness);
        double spread = here.spreadDb() - made.spreadDb();
        List<MonoLoss> mono = system.loudspeakers() == 1 ? mono() : List.of();
        List<GapHeard> gaps = reference.map(r -> gaps(r, here, system)).orElse(List.of());
        List<TravelFinding> found = new ArrayList<>();
        List<NamedBand> ranked = ranked(bands, before);
        for (NamedBand n : ranked) found.add(bandFinding(n, bands.get(n.ordinal()).changeDb()));
        if (Math.abs(spread) >= JndScale.SPREAD_DB) found.add(dynamics(spread));
        for (MonoLoss m : mono) if (m.changeDb() < -AUDIBLE_DB - 2) found.add(mono(m));
        coverings(found, bands, made.power(), here.power(), before);
        found.sort(Comparator.comparingDouble(f -> -f.jnd()));
        for (GapHeard g : gaps) found.add(gap(g));
        // What is gone cannot be turned back; it is said last.
        List<String> advice = ranked.stream()
                .sorted(Comparator.comparing(n -> bands.get(n.ordinal()).changeDb() < NamedBand.GONE_DB))
                .flatMap(n -> TravelAdvice.of(n, bands.get(n.ordinal()).changeDb(), settings).stream())
                .limit(MOST_ADVICE).toList();
        return new Travelled(system, bands, thirds, underTop(after, after), reference.map(r -> underTop(after,
                sensed(at(r, system).power()))).orElse(List.of()), loudness, spread, mono, gaps, found, advice,
                size(bands, before));
    }

    /** A spectrum at mine's loudness, dB under mine's strongest third octave. */
    private static List<Double> underTop(double[] mine, double[] power) {
        double top = 10 * Math.log10(Arrays.stream(mine).max().orElse(0) + 1e-20);
        double apart = 10 * Math.log10(PassageSpectra.weighted(mine) / PassageSpectra.weighted(power));
        return Arrays.stream(power).mapToObj(p -> Math.max(FLOOR_DB, 10 * Math.log10(p + 1e-20) + apart - top))
                .toList();
    }

    private static List<NamedBand> ranked(List<BandChange> bands, double[] before) {
        List<NamedBand> ranked = new ArrayList<>(List.of(NamedBand.values()));
        ranked.removeIf(
                n -> PassageSpectra.isEmpty(n, before) || Math.abs(bands.get(n.ordinal()).changeDb()) < AUDIBLE_DB);
        ranked.sort(Comparator.comparingDouble(n -> -Math.abs(bands.get(n.ordinal()).changeDb())));
        return ranked;
    }

    private static TravelFinding bandFinding(NamedBand n, double change) {
        return new TravelFinding(TravelFinding.Kind.BAND, change,
                Math.min(MOST_COUNTED_DB, Math.abs(change)) / n.jndDb(), say("%s %.1f dB %s", n.words(),
                        Math.abs(change), change < 0 ? "weaker" : "stronger"));
    }

    private static TravelFinding dynamics(double spread) {
        return new TravelFinding(TravelFinding.Kind.DYNAMICS, spread, Math.abs(spread) / JndScale.SPREAD_DB,
                say("loud and soft %.1f dB %s", Math.abs(spread), spread < 0 ? "nearer together" : "further apart"));
    }

    private static TravelFinding mono(MonoLoss m) {
        return new TravelFinding(TravelFinding.Kind.MONO, m.changeDb(),
                -m.changeDb() / m.band().jndDb(),
                m.changeDb() <= MonoLoss.ALL_DB
                        ? say("%s are gone in the sum of both sides: %s", m.band().words(), m.cause().words())
                        : say("%s lose %.1f dB in the sum of both sides: %s", m.band().words(), -m.changeDb(),
                                m.cause().words()));
    }

    private static TravelFinding gap(GapHeard g) {
        return new TravelFinding(TravelFinding.Kind.GAP, g.gapDb(), g.jnd(),
                say("against the reference, %s are %.1f dB %s%s", g.band().words(), Math.abs(g.gapDb()),
                        g.gapDb() < 0 ? "weaker" : "stronger",
                        g.heard() ? ", heard here too" : ", hardly heard here: " + g.why()));
    }

    private static String say(String format, Object... values) {
        return Figures.of(format, values);
    }

    /** What the band's bed, or the tone's own lows, cover here and did not cover where the tone was made. */
    private void coverings(List<TravelFinding> found, List<BandChange> bands, double[] made, double[] here,
            double[] before) {
        double[] hereDb = levels(here, levelDbSpl);
        double[] madeDb = levels(made, WORKING_LEVEL_DB_SPL);
        double[] bedMade = levels(bed.power(), WORKING_LEVEL_DB_SPL + bed.overGuitarLu());
        for (NamedBand n : NamedBand.values()) {
            if (PassageSpectra.isEmpty(n, before) || bands.get(n.ordinal()).changeDb() < NamedBand.GONE_DB) continue;
            double byBed = covered(n, hereDb, bedHere(here, made)) - covered(n, madeDb, masked(bedMade, true));
            if (byBed > MOSTLY) {
                found.add(new TravelFinding(TravelFinding.Kind.COVERED_BY_BAND, 0, 2,
                        n.words() + " go under beside bass and drums"));
                continue;
            }
            double byOwn = covered(n, hereDb, masked(hereDb, false)) - covered(n, madeDb, masked(madeDb, false));
            if (byOwn > MOSTLY)
                found.add(new TravelFinding(TravelFinding.Kind.COVERED_BY_ITSELF, 0, 2,
                        n.words() + " are covered by the tone's own " + strongest(here).words()));
        }
    }

    /** Threshold that the bed sets here: it goes through the same system as the tone. */
    private double[] bedHere(double[] here, double[] made) {
        double[] power = bed.power().clone();
        for (int b = 0; b < power.length; b++) power[b] *= (here[b] + 1e-20) / (made[b] + 1e-20);
        double beside = PassageSpectra.weighted(here) / PassageSpectra.weighted(made);
        double[] db = new double[power.length];
        for (int b = 0; b < db.length; b++)
            db[b] = levelDbSpl + bed.overGuitarLu() + 10 * Math.log10(power[b] / beside + 1e-20);
        return masked(db, true);
    }

    private static double[] masked(double[] db, boolean withOwn) {
        return Masking.thresholdDbSpl(PassageSpectra.BANDS.centresHz(), db, withOwn);
    }

    private static double[] levels(double[] power, double loudnessDbSpl) {
        double whole = PassageSpectra.weighted(power);
        return Arrays.stream(power).map(p -> loudnessDbSpl + 10 * Math.log10(p / whole + 1e-20)).toArray();
    }

    /** Share of a band's power that lies under a threshold. */
    private static double covered(NamedBand n, double[] db, double[] threshold) {
        double[] hz = PassageSpectra.BANDS.centresHz();
        double whole = 1e-30;
        double under = 0;
        for (int b = 0; b < hz.length; b++) {
            if (!n.holds(hz[b])) continue;
            double p = Math.pow(10, db[b] / 10);
            whole += p;
            if (db[b] < threshold[b]) under += p;
        }
        return under / whole;
    }

    private static NamedBand strongest(double[] power) {
        return Arrays.stream(NamedBand.values())
                .max(Comparator.comparingDouble(n -> PassageSpectra.bandPower(n, power))).orElseThrow();
    }

    private List<MonoLoss> mono() {
        return cause.map(c -> MonoLoss.of(tone, c)).orElse(List.of());
    }

    private List<GapHeard> gaps(PassageSpectra r, AtEar mine, PlaybackSystem system) {
        double[] theirs = at(r, system).power();
        double offset = 10 * Math.log10(PassageSpectra.weighted(mine.power()) / PassageSpectra.weighted(theirs));
        double[] asMadeTheirs = asMade(r).power();
        double[] threshold = masked(levels(theirs, levelDbSpl), false);
        List<GapHeard> out = new ArrayList<>();
        for (NamedBand n : NamedBand.values()) {
            if (PassageSpectra.isEmpty(n, asMadeTheirs)) continue;
            double gap = ratioDb(n, mine.power(), theirs) - offset;
            double jnd = Math.abs(gap) / n.jndDb();
            if (Math.abs(gap) < AUDIBLE_DB) continue;
            String why = covered(n, levels(theirs, levelDbSpl), threshold) > MOSTLY
                    && covered(n, levels(mine.power(), levelDbSpl), threshold) > MOSTLY
                            ? "covered by the tone's own " + strongest(theirs).words()
                            : PassageSpectra.isEmpty(n, theirs) && PassageSpectra.isEmpty(n, mine.power())
                                    ? "there are next to none here"
                                    : "";
            out.add(new GapHeard(n, gap, jnd, why.isEmpty(), why));
        }
        return out;
    }

    private static double ratioDb(NamedBand n, double[] after, double[] before) {
        return 10 * Math.log10((PassageSpectra.bandPower(n, after) + 1e-20)
                / (PassageSpectra.bandPower(n, before) + 1e-20));
    }

    private static double size(List<BandChange> bands, double[] before) {
        double sum = 0;
        int n = 0;
        for (NamedBand b : NamedBand.values()) {
            if (PassageSpectra.isEmpty(b, before)) continue;
            sum += Math.pow(Math.min(MOST_COUNTED_DB, Math.abs(bands.get(b.ordinal()).changeDb())), 2);
            n++;
        }
        return n == 0 ? 0 : Math.sqrt(sum / n);
    }
}
