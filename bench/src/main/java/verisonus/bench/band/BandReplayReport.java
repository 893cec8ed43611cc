package verisonus.bench.band;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.LongStream;
import verisonus.bench.Distances;
import verisonus.bench.Effects;
import verisonus.bench.MatchedEqualizer;
import verisonus.bench.Tally;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.search.Derivation;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.ToneSearch;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.work.Progress;

/** How near a tone comes that is derived from a record in which the guitar never stands alone ({@link BandMix}), and what it holds. */
final class BandReplayReport {
    private static final double GUITAR_DB = -3;
    private static final double SLIP_S = 0.2;
    private static final double RIGHT_TIME = 0.03;

    private BandReplayReport() {}

    /**
     * @param args first and last seed; after them "told" where the player says where the take begins, up to a fifth of a second off, or
     *     "other" where the take plays something else
     */
    public static void main(String[] args) {
        Tally tally = new Tally();
        boolean told = args.length > 2 && args[2].equals("told");
        boolean other = args.length > 2 && args[2].equals("other");
        try (ExecutorService workers = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
            LongStream.rangeClosed(Long.parseLong(args[0]), Long.parseLong(args[1]))
                    .forEach(seed -> {
                        BandMix m = BandMix.of(seed, GUITAR_DB);
                        if (other) {
                            covered(m, tally, workers);
                            return;
                        }
                        one(m, told
                                ? OptionalDouble.of(SLIP_S * (2 * new SplittableRandom(seed).nextDouble() - 1))
                                : OptionalDouble.empty(), tally, workers);
                    });
        }
        System.out.print(tally.text());
    }

    private static void one(BandMix m, OptionalDouble told, Tally tally, ExecutorService workers) {
        Derivation d = new ToneSearch(m.mix(), m.take(), SearchOptions.defaults(), workers, Progress.NONE)
                .laidAt(told).run();
        double app = Distances.spectrogramDb(m.target(), d.render());
        double eq = Distances.spectrogramDb(m.target(),
                Sound.mono(MatchedEqualizer.of(m.mix().mid(), m.take().mid()), Effects.RATE_HZ));
        double floor = Distances.spectrogramDb(m.target(),
                Sound.mono(MatchedEqualizer.of(m.guitar().mid(), m.floor().mid()), Effects.RATE_HZ));
        tally.error("laid off, s", d.diStartS());
        tally.share("taken for a replay", d.pairing() == Pairing.PLAYED_AGAIN);
        tally.share("nearer than a matched equalizer", app < eq);
        tally.share("verdict near", d.verdict().near());
        tally.error("distance to the target, dB", app);
        tally.error("distance of a matched equalizer, dB", eq);
        tally.error("distance of the floor, dB", floor);
        tally.error("distance over the floor's", app / floor);
        List<String> words = d.tone().blocks().stream()
                .filter(b -> b.model().kind() != GearKind.CABINET && b.model().kind() != GearKind.MICROPHONE)
                .map(BandReplayReport::word).toList();
        Optional<Block> echo = d.tone().first(GearKind.ECHO);
        if (m.echo().isPresent()) {
            tally.share("echo in the tone", echo.isPresent());
            tally.share("its time right", echo
                    .filter(b -> Math.abs(b.get(ControlNames.TIME) / m.echo().get().timeMs() - 1) < RIGHT_TIME)
                    .isPresent());
        } else {
            tally.share("echo invented", echo.isPresent());
        }
        tally.share(m.hall() ? "space in the tone" : "space invented", d.tone().first(GearKind.REVERB).isPresent());
        tally.share("movement invented", d.tone().first(GearKind.MODULATION).isPresent());
        tally.share("gate invented", d.tone().first(GearKind.GATE).isPresent());
        System.out.printf(Locale.ROOT, "%3d %-7s %-8s %4.1f s %-9s %.2f (eq %.2f, floor %.2f) %s%s %s%n", m.seed(),
                m.place(), m.style(), d.seconds(), d.pairing(), app, eq, floor, m.echo().isPresent() ? "echo " : "",
                m.hall() ? "hall " : "", words);
    }

    /** The tone is derived with other playing; how good it is is heard on the phrase. */
    private static void covered(BandMix m, Tally tally, ExecutorService workers) {
        Derivation d = new ToneSearch(m.mix(), m.other(), SearchOptions.defaults(), workers, Progress.NONE).run();
        double app = Distances.spectrogramDb(m.target(), Sound.mono(Renderer.renderMono(d.tone(), m.take().mid(),
                Quality.FINAL), Effects.RATE_HZ));
        double eq = Distances.spectrogramDb(m.target(),
                Sound.mono(MatchedEqualizer.of(m.mix().mid(), m.take().mid()), Effects.RATE_HZ));
        double dry = Distances.spectrogramDb(m.target(), m.take());
        double lows = lowsDb(Renderer.renderMono(d.tone(), m.take().mid(), Quality.FINAL)) - lowsDb(m.target().mid());
        tally.share("taken for a replay", d.pairing() == Pairing.PLAYED_AGAIN);
        tally.share("nearer than the dry take", app < dry);
        tally.share("nearer than a matched equalizer", app < eq);
        tally.share("verdict near", d.verdict().near());
        tally.error("distance to the target, dB", app);
        tally.error("distance of the dry take, dB", dry);
        tally.error("distance of a matched equalizer, dB", eq);
        tally.error("under 250 Hz, dB", lows);
        System.out.printf(Locale.ROOT, "%3d %-7s %-8s %4.1f s %-9s %.2f (dry %.2f, eq %.2f) lows %+.1f %s%n", m.seed(),
                m.place(), m.style(), d.seconds(), d.pairing(), app, dry, eq, lows,
                d.tone().blocks().stream().map(BandReplayReport::word).toList());
    }

    /** Power under 250 Hz against that up to 4 kHz, dB. */
    private static double lowsDb(float[] x) {
        Bands bands = Bands.thirds(50, 4000);
        double[] power = bands.longTermPower(x, Effects.RATE_HZ);
        double low = 0;
        double all = 0;
        for (int b = 0; b < power.length; b++) {
            all += power[b];
            if (bands.centresHz()[b] < 250) low += power[b];
        }
        return 10 * Math.log10(low / all + 1e-12);
    }

    private static String word(Block b) {
        return b.model().name() + b.model().find(ControlNames.GAIN)
                .map(_ -> String.format(Locale.ROOT, " %.1f", b.get(ControlNames.GAIN))).orElse("");
    }
}
