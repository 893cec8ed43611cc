package verisonus.bench.band;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.LongStream;
import verisonus.bench.Distances;
import verisonus.bench.Tally;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.search.Derivation;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.ToneSearch;
import verisonus.core.take.Pairing;
import verisonus.core.work.Progress;

/** Which effects of a guitar stand in the tone that is derived from a whole song, and which were invented ({@link EffectSong}). */
final class BandEffectsReport {
    private static final double RIGHT_TIME = 0.03;

    private BandEffectsReport() {}

    /** @param args first and last seed */
    public static void main(String[] args) {
        Tally tally = new Tally();
        try (ExecutorService workers = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
            LongStream.rangeClosed(Long.parseLong(args[0]), Long.parseLong(args[1]))
                    .forEach(seed -> one(EffectSong.of(seed), tally, workers));
        }
        System.out.print(tally.text());
    }

    private static void one(EffectSong s, Tally tally, ExecutorService workers) {
        Derivation d = new ToneSearch(s.mix(), s.take(), SearchOptions.defaults(), workers, Progress.NONE).run();
        boolean replayed = d.pairing() == Pairing.PLAYED_AGAIN;
        tally.share("taken for a replay", replayed);
        tally.share("company found", d.reference().circumstances().company().probability() > 0.5);
        double distance = Distances.spectrogramDb(s.target(), d.render());
        tally.error("distance, dB", distance);
        Optional<Double> ms = d.tone().first(GearKind.ECHO).map(b -> b.get(ControlNames.TIME));
        if (s.kind().echoes()) {
            boolean right = s.echo().filter(e -> ms.isPresent() && Math.abs(ms.get() / e.timeMs() - 1) < RIGHT_TIME)
                    .isPresent();
            tally.share("echo in the tone at its time", right);
            tally.share("echo at another time", ms.isPresent() && !right);
        } else {
            tally.share("echo invented", ms.isPresent());
        }
        Finding<EchoReading> said = d.reference().echo();
        said.value().ifPresent(e -> tally.stated("echo is there", said.confidence(), s.echo()
                .filter(o -> Math.abs(e.timeMs() / o.timeMs() - 1) < RIGHT_TIME).isPresent()));
        if (said.presence() == Presence.ABSENT)
            tally.stated("no echo is there", said.confidence(), !s.kind().echoes());
        boolean hall = s.kind() == EffectSong.Kind.HALL || s.kind() == EffectSong.Kind.ECHO_AND_HALL;
        tally.share(hall ? "space in the tone" : "space invented", d.tone().first(GearKind.REVERB).isPresent());
        boolean moves = s.kind() == EffectSong.Kind.TREMOLO || s.kind() == EffectSong.Kind.CHORUS;
        tally.share(moves ? "movement in the tone" : "movement invented",
                d.tone().first(GearKind.MODULATION).isPresent());
        tally.share("gate invented", d.tone().first(GearKind.GATE).isPresent());
        tally.share("verdict near", d.verdict().near());
        System.out.printf(Locale.ROOT, "%3d %-13s %-9s %4.1f s %.2f dB true %s found %s %s%n", s.seed(), s.kind(),
                d.pairing(), d.seconds(), distance, s.echo().map(e -> Math.round(e.timeMs()) + " ms").orElse("-"),
                ms.map(t -> Math.round(t) + " ms").orElse("-"), words(d.tone().blocks()));
    }

    private static List<String> words(List<Block> blocks) {
        return blocks.stream().filter(b -> b.model().kind() != GearKind.CABINET)
                .filter(b -> b.model().kind() != GearKind.MICROPHONE).map(b -> b.model().name()).toList();
    }
}
