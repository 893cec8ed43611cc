package verisonus.bench.stated;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.LongStream;
import verisonus.bench.ReplayCase;
import verisonus.bench.Tally;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.PairedExamination;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.take.MatchedTake;
import verisonus.core.work.Progress;

/**
 * Of what is stated at some confidence, how much is right? Asked topic by topic, yes and no apart, of the records of
 * {@link ReplayCase}: by the recording alone, and with the player's take. A yes is right where its main value is: the time within 2 %,
 * the decay within 25 %, the rate within 8 %. Arguments: first and last seed.
 */
public final class StatedReport {
    private static final double TIME = 0.02;
    private static final double DECAY = 0.25;
    private static final double RATE = 0.08;

    private final Tally tally = new Tally();

    private StatedReport() {}

    public static void main(String[] args) {
        long from = args.length > 0 ? Long.parseLong(args[0]) : 0;
        long to = args.length > 1 ? Long.parseLong(args[1]) : 59;
        StatedReport report = new StatedReport();
        LongStream.rangeClosed(from, to).parallel().forEach(seed -> report.ask(ReplayCase.laid(seed)));
        System.out.print(report.tally.text());
    }

    private void ask(ReplayCase c) {
        Evidence alone = Examination.of(c.reference(), Progress.NONE);
        MatchedTake take = MatchedTake.of(c.reference(), c.take());
        count("alone", c, alone);
        if (!take.same()) return;
        count("with a take", c, PairedExamination.of(alone, take.reference(), take.sound()).evidence());
    }

    private void count(String way, ReplayCase c, Evidence e) {
        ReplayCase.Truth t = c.truth();
        Optional<EchoReading> echo = e.echo().value();
        stated(way + ", echo", c, e.echo(), t.echo().isPresent(), echo.isPresent() && t.echo()
                .filter(x -> near(echo.get().timeMs(), x.timeMs(), TIME)).isPresent());
        Optional<ReverbReading> space = e.reverb().value();
        stated(way + ", space", c, e.reverb(), t.decayS().isPresent(), space.isPresent() && t.decayS().isPresent()
                && near(space.get().decayS(), t.decayS().getAsDouble(), DECAY));
        Optional<ModulationReading> movement = e.modulation().value();
        stated(way + ", movement", c, e.modulation(), !t.movement().isEmpty(), movement.isPresent()
                && !t.movement().isEmpty() && movement.get().rateHz().isPresent()
                && near(movement.get().rateHz().getAsDouble(), t.rateHz(), RATE));
    }

    private static boolean near(double has, double wanted, double share) {
        return Math.abs(has / wanted - 1) < share;
    }

    /** @param there whether it is on the record */
    private void stated(String topic, ReplayCase c, Finding<?> f, boolean there, boolean right) {
        List<String> answers = List.of("found", "not told", "denied");
        for (String a : answers) {
            boolean hit = switch (a) {
                case "found" -> f.isPresent();
                case "not told" -> f.presence() == Presence.UNKNOWN;
                default -> f.presence() == Presence.ABSENT;
            };
            tally.share(topic + (there ? ", where there is one: " : ", where none: ") + a, hit);
        }
        if (f.presence() == Presence.UNKNOWN) return;
        boolean yes = f.isPresent();
        tally.stated(topic + (yes ? ", yes" : ", no"), f.confidence(), yes ? right : !there);
        if (yes && !right || !yes && there && f.confidence() > 0.85) {
            System.out.printf(Locale.ROOT, "%d %s %s: %s at %.2f %s%n", c.seed(), c.group(), topic, yes ? "yes" : "no",
                    f.confidence(), yes ? f.value() : "");
        }
    }
}
