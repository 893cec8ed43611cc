package verisonus.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.replay.ReplayExamination;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.study.AloneBars;
import verisonus.core.evidence.study.Excerpt;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Placement;
import verisonus.core.rig.Tone;
import verisonus.core.search.Derivation;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.ToneSearch;
import verisonus.core.search.Wishes;
import verisonus.core.search.rests.RestLevels;
import verisonus.core.search.unexplained.RestRows;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;

/**
 * How near derived tones come on a phrase played again by other hands on another guitar ({@link ReplayCase}), and what of the record's
 * effects stands in them. Arguments: first seed, last seed. Even seeds were looked at while the search was made, odd ones were not.
 */
public final class ReplayReport {
    private static final double RIGHT_TIME = 0.03;
    private static final double RIGHT_RATE = 0.1;
    private static final double RIGHT_DECAY = 0.4;

    private static final String LEFT_OUT = "left out";
    private static final Set<String> OF_EFFECTS = Set.of("rest", "echo", "reverb", "modulation");

    private ReplayReport() {}

    /**
     * Prints a line a case and the tally. Arguments: first and last seed; after them "rests" for pairs with noise and a gate, "twice" for
     * two takes used together, "places" for effects before the record's chain and behind it, "ledger" for what the ledger says of the
     * right tone and of one without the record's effects, "band" for records in which a band comes in after some seconds.
     */
    public static void main(String[] args) {
        long from = args.length > 0 ? Long.parseLong(args[0]) : 0;
        long to = args.length > 1 ? Long.parseLong(args[1]) : 59;
        Tally tally = new Tally();
        try (ExecutorService workers = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
            if (args.length > 2 && args[2].equals("rests")) {
                LongStream.rangeClosed(from, to).forEach(seed -> resting(seed, tally, workers));
            } else if (args.length > 2 && args[2].equals("band")) {
                LongStream.rangeClosed(from, to).forEach(seed -> banded(ReplayCase.of(seed), tally, workers));
            } else if (args.length > 2 && args[2].equals("ledger")) {
                LongStream.rangeClosed(from, to).forEach(seed -> ledger(ReplayCase.laid(seed), tally, workers));
            } else if (args.length > 2 && args[2].equals("places")) {
                LongStream.rangeClosed(from, to).forEach(seed -> placed(seed, tally, workers));
            } else {
                boolean twice = args.length > 2 && args[2].equals("twice");
                LongStream.rangeClosed(from, to).forEach(seed -> one(ReplayCase.of(seed),
                        twice ? List.of(ReplayCase.anotherTake(seed)) : List.of(), tally, workers));
            }
        }
        System.out.print(tally.text());
    }

    /** What stands in the rests: a gate where the record is silent and the take hisses, none where both are alike. */
    private static void resting(long seed, Tally tally, ExecutorService workers) {
        for (ReplayCase.Rests r : ReplayCase.Rests.values()) {
            ReplayCase c = ReplayCase.resting(seed, r);
            Derivation d = new ToneSearch(c.reference(), c.take(), SearchOptions.defaults(), workers, Progress.NONE)
                    .run();
            Optional<Block> gate = d.tone().first(GearKind.GATE);
            RestLevels wanted = RestLevels.of(c.reference());
            double off = wanted.distanceDb(RestLevels.of(d.render()));
            // Where strings ring on throughout, there is no rest to hear a gate in.
            boolean audible = wanted.distanceDb(RestLevels.of(c.core())) > 2;
            tally.share("gate in the tone: " + r + (audible ? ", rests differ" : ", rests alike"), gate.isPresent());
            tally.error("rests off, dB: " + r, off);
            System.out.printf(Locale.ROOT, "%3d %-12s %-8s rests off %.2f  %s%n", seed, r, c.style(), off,
                    words(d.tone()));
        }
    }

    /** The same record with and without a band that comes in; derived from where the guitar is found to stand alone. */
    private static void banded(ReplayCase c, Tally tally, ExecutorService workers) {
        SplittableRandom r = new SplittableRandom(c.seed() * 31 + 7);
        double aloneS = 3 + 5 * r.nextDouble();
        double bandDb = -6 + 6 * r.nextDouble();
        Sound song = c.inBand(aloneS, bandDb);
        Optional<Excerpt> alone = AloneBars.of(song).worthStudying();
        tally.share("band: a stretch alone found", alone.isPresent());
        if (alone.isEmpty()) return;
        tally.share("band: and nobody else in it", alone.get().toS() < aloneS + 0.3);
        Derivation bare = new ToneSearch(c.reference(), c.take(), SearchOptions.defaults(), workers, Progress.NONE)
                .run();
        Derivation d = new ToneSearch(alone.get().cut(song), c.take(), SearchOptions.defaults(), workers, Progress.NONE)
                .run();
        List<String> said = effects(c, d, tally);
        double without = distance(c, bare);
        double with = distance(c, d);
        tally.error("band: distance over the same record's without it", with / without);
        boolean missing = said.stream().anyMatch(w -> w.startsWith("missing"));
        tally.share("band: verdict near while an effect is missing", d.verdict().near() && missing);
        System.out.printf(Locale.ROOT,
                "%3d %-16s %-8s alone %.1f s, taken %.1f to %.1f  without %.2f with %.2f  %s %s%n",
                c.seed(), c.group(), c.style(), aloneS, alone.get().fromS(), alone.get().toS(), without, with,
                words(d.tone()), said);
    }

    private static double distance(ReplayCase c, Derivation d) {
        return Distances.spectrogramDb(c.target(), Renderer.render(d.tone(), c.take(), Quality.FINAL, Progress.NONE));
    }

    /** What the ledger says of the right tone, and of the right tone without the record's effects, both as nearly as they can be had. */
    private static void ledger(ReplayCase c, Tally tally, ExecutorService workers) {
        Sound dry = Sound.mono(MatchedEqualizer.of(c.reference().mid(), c.core().mid()), Effects.RATE_HZ);
        // The floor is one channel: what is wide about the right tone is not in it.
        if (c.group() != ReplayCase.Group.WIDE_CHORUS) {
            GapRow top = topRow(c, c.floor(), dry, true, workers);
            tally.share("right tone: no row over 1.2 JND", top.audibility() <= 1.2);
            System.out.printf(Locale.ROOT, "%3d %-16s right    %.2f %s%n", c.seed(), c.group(), top.audibility(),
                    top.attribute());
        }
        if (c.group() == ReplayCase.Group.NOTHING) return;
        GapRow top = topRow(c, dry, dry, false, workers);
        tally.share("effect left out: a row of 2 JND or more", top.audibility() >= 2);
        tally.share("effect left out: a row of its own of 2 JND or more: " + c.group(),
                top.audibility() >= 2 && OF_EFFECTS.contains(top.stage()));
        System.out.printf(Locale.ROOT, "%3d %-16s left out %.2f %s%n", c.seed(), c.group(), top.audibility(),
                top.attribute());
    }

    /** @param tone what stands in the candidate of the record's effects: all as they are, or none */
    private static GapRow topRow(ReplayCase c, Sound candidate, Sound dry, boolean all, ExecutorService workers) {
        Evidence heard = Examination.of(c.reference(), Examination.Depth.TONE, Progress.NONE);
        ReplayExamination exam = ReplayExamination.of(c.reference(), dry, ReplayExamination.Setting.ALONE);
        Evidence wanted = heard.with(exam.echo(), exam.reverb(), movement(exam));
        Evidence has = Examination.of(candidate, Examination.Depth.TONE, Progress.NONE);
        has = all
                ? has.with(wanted.echo(), wanted.reverb(), wanted.modulation())
                : has.with(Finding.absent(1, LEFT_OUT), Finding.absent(1, LEFT_OUT), Finding.absent(1, LEFT_OUT));
        RestRows.Makes makes = new RestRows.Makes(all && !c.truth().movement().isEmpty(),
                all && (c.truth().echo().isPresent() || c.truth().decayS().isPresent()));
        GapLedger gap = GapLedger.between(wanted, has, Pairing.PLAYED_AGAIN).and(RestRows.of(c.reference(), candidate,
                dry, makes, heard, ReplayExamination.Setting.ALONE, workers));
        return gap.rows().stream().filter(gap::counts).findFirst().orElseThrow();
    }

    private static Finding<ModulationReading> movement(ReplayExamination exam) {
        return Stream.of(exam.level(), exam.sweep(), exam.pitch(), exam.sides()).filter(Finding::isPresent).findFirst()
                .orElse(Finding.unknown(LEFT_OUT));
    }

    /** Where effects are put that sat before the record's chain or behind it. */
    private static void placed(long seed, Tally tally, ExecutorService workers) {
        for (ReplayCase.Seat seat : ReplayCase.Seat.values()) {
            ReplayCase c = ReplayCase.seated(seed, seat);
            Derivation d = new ToneSearch(c.reference(), c.take(), SearchOptions.defaults(), workers, Progress.NONE)
                    .run();
            List<String> said = effects(c, d, tally);
            List<Block> effects = d.tone().blocks().stream().filter(Placement::suits).toList();
            for (Block b : effects) {
                Placement p = Placement.of(d.tone(), b.id());
                tally.share("put before the amp: " + seat + " " + c.group(), p == Placement.BEFORE_AMP);
            }
            double app = Distances.spectrogramDb(c.target(), d.render());
            tally.error("distance over the floor's: " + seat, app / Distances.spectrogramDb(c.target(), c.floor()));
            System.out.printf(Locale.ROOT, "%3d %-6s %-8s %-8s %.2f  %s %s%n", seed, seat, c.group(), c.style(), app,
                    words(d.tone()), said);
        }
    }

    private static void one(ReplayCase c, List<Sound> more, Tally tally, ExecutorService workers) {
        SearchOptions options = SearchOptions.defaults().wishing(Wishes.NONE.alsoPlayed(more));
        Derivation d = new ToneSearch(c.reference(), c.take(), options, workers, Progress.NONE).run();
        double app = Distances.spectrogramDb(c.target(), d.render());
        double eq = Distances.spectrogramDb(c.target(),
                Sound.mono(MatchedEqualizer.of(c.reference().mid(), c.take().mid()), Effects.RATE_HZ));
        double floor = Distances.spectrogramDb(c.target(), c.floor());
        tally.error("distance to the target, dB", app);
        tally.error("distance of the floor, dB", floor);
        tally.error("distance of a matched equalizer, dB", eq);
        tally.error("distance over the floor's", app / floor);
        tally.share("nearer than a matched equalizer", app < eq);
        tally.share("taken for a replay", d.pairing().performance().equals("again"));
        tally.share("an amp control at an end",
                d.tone().first(GearKind.AMP).filter(ReplayReport::isExtreme).isPresent());
        tally.error("equalizer bands in use", bands(d.tone()));
        List<String> said = effects(c, d, tally);
        boolean missing = said.stream().anyMatch(w -> w.startsWith("missing"));
        tally.share("verdict near while an effect is missing", d.verdict().near() && missing);
        if (missing) tally.share("left out: a row of the rest over 2 JND", rest(d) > 2);
        if (!missing) tally.share("nothing left out: rows of the rest under 1.2 JND", rest(d) < 1.2);
        System.out.printf(Locale.ROOT, "%3d %-16s %-8s %4.1f s  %.2f (eq %.2f, floor %.2f)  %-60s %s  rest %.1f%n",
                c.seed(),
                c.group(), c.style(), d.seconds(), app, eq, floor, words(d.tone()), said, rest(d));
    }

    private static double rest(Derivation d) {
        return d.gap().rows().stream().filter(r -> r.stage().equals("rest") && d.gap().counts(r))
                .mapToDouble(r -> r.audibility()).max().orElse(0);
    }

    private static List<String> effects(ReplayCase c, Derivation d, Tally tally) {
        List<String> said = new ArrayList<>();
        ReplayCase.Truth t = c.truth();
        Optional<Block> echo = d.tone().first(GearKind.ECHO);
        judge("echo", t.echo().isPresent(), echo, t.echo()
                .map(e -> near(echo, ControlNames.TIME, e.timeMs(), RIGHT_TIME)).orElse(false), tally, said);
        Optional<Block> space = d.tone().first(GearKind.REVERB);
        judge("space", t.decayS().isPresent(), space, t.decayS().isPresent()
                && near(space, ControlNames.DECAY, t.decayS().getAsDouble(), RIGHT_DECAY), tally, said);
        tally.share("invented: gate", d.tone().first(GearKind.GATE).isPresent());
        Optional<Block> movement = d.tone().first(GearKind.MODULATION);
        judge("movement " + t.movement(), !t.movement().isEmpty(), movement,
                near(movement, ControlNames.RATE, t.rateHz(), RIGHT_RATE), tally, said);
        return said;
    }

    private static void judge(String what, boolean there, Optional<Block> has, boolean right, Tally tally,
            List<String> said) {
        if (there) {
            tally.share("effect stands in the tone: " + what, has.isPresent());
            tally.share("its main value right: " + what, has.isPresent() && right);
            said.add(has.isEmpty() ? "missing " + what : right ? what + " right" : what + " off");
        } else {
            tally.share("invented: " + what.strip(), has.isPresent());
            if (has.isPresent()) said.add("invented " + what);
        }
    }

    private static boolean near(Optional<Block> b, String control, double wanted, double share) {
        return b.filter(x -> x.model().find(control).isPresent())
                .filter(x -> Math.abs(x.get(control) / wanted - 1) < share).isPresent();
    }

    private static boolean isExtreme(Block amp) {
        for (String c : List.of(ControlNames.GAIN, ControlNames.BASS, ControlNames.MID, ControlNames.TREBLE,
                ControlNames.PRESENCE, ControlNames.MASTER))
            if (amp.get(c) < 0.5 || amp.get(c) > 9.5) return true;
        return false;
    }

    private static int bands(Tone t) {
        int n = 0;
        for (Block b : t.blocks()) {
            if (b.model().kind() != GearKind.EQUALIZER) continue;
            for (int p = 1; p <= 4; p++) if (Math.abs(b.get(ControlNames.peak(p))) > 0.4) n++;
            if (Math.abs(b.get(ControlNames.LOW_SHELF)) > 0.4) n++;
            if (Math.abs(b.get(ControlNames.HIGH_SHELF)) > 0.4) n++;
        }
        return n;
    }

    private static String words(Tone t) {
        List<String> out = new ArrayList<>();
        for (Block b : t.blocks()) {
            if (b.model().kind() == GearKind.CABINET || b.model().kind() == GearKind.MICROPHONE) continue;
            out.add(b.model().name() + b.model().find(ControlNames.GAIN).map(_ -> Figures.of(" %.1f",
                    b.get(ControlNames.GAIN))).orElse(""));
        }
        return String.join(", ", out);
    }
}
