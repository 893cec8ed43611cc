package verisonus.core.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import verisonus.core.evidence.dirt.SaturationEstimator;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.echo.BlockResponse;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.movement.ModulationEstimator;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.space.ReverbEstimator;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.evidence.space.TailFit;
import verisonus.core.sound.Resampler;
import verisonus.core.sound.Sound;
import verisonus.core.take.PairedResponse;
import verisonus.core.take.TakeAlignment;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;

/**
 * Examines a region with the dry take of the same performance beside it: the way from take to recording shows repeats and a
 * tail that the recording alone hides, and the absence of both. Where the take is of another performance, nothing is gained.
 *
 * @param evidence what was found
 * @param gained topics that the take answers where the recording alone could not, or answers more surely
 */
public record PairedExamination(Evidence evidence, List<String> gained) {
    /** A tail must explain the levels this much better than none does, mean dB; between the two it cannot be told. */
    private static final double TAIL_SURE_DB = 0.15;
    private static final double TAIL_DOUBTFUL_DB = 0.05;
    /** A tail longer than any hall's stands for strings that ring on. */
    private static final double LONGEST_TAIL_S = 6;
    /** A shorter one is not told from how fingers leave the strings, or from a movement. */
    private static final double SHORTEST_TAIL_S = 0.35;

    /** Standard deviations by which a repeat stands out of the rest; under the lower none is there. */
    private static final double STANDS_OUT = 6.8;
    private static final double NOT_THERE = 5.6;
    private static final double STANDS_CLEAR = 7.4;
    private static final double STANDS_FAR_OUT = 9.5;
    private static final double LATE_S = 0.8;
    private static final double SHORTEST_MOVEMENT_S = 3;
    /** What the other reading is called where two are weighed. */
    public static final String ALONE = "the recording alone";

    public PairedExamination {
        gained = List.copyOf(gained);
    }

    public static PairedExamination of(Sound region, Sound take, Progress progress) {
        return of(Examination.of(region, progress), region, take);
    }

    /** The same where the region has been examined alone. */
    public static PairedExamination of(Evidence alone, Sound region, Sound take) {
        return of(alone, region, take, () -> movement(region, take));
    }

    /** What sways, by the take; empty where it plays something else or the region is too short. */
    public static Optional<Finding<ModulationReading>> movement(Sound region, Sound take) {
        return TakeAlignment.of(low(region), low(take)).flatMap(a -> movement(region, take, a));
    }

    private static Optional<Finding<ModulationReading>> movement(Sound region, Sound take, TakeAlignment laid) {
        return region.durationS() < SHORTEST_MOVEMENT_S
                ? Optional.empty()
                : Optional.of(ModulationEstimator.estimate(region.withoutEmptySide(), take, laid.lagS()));
    }

    /** What was found alone, with space and movement as the take shows them; the same where it plays something else. */
    public static Evidence effects(Evidence alone, Sound region, Sound take) {
        Sound heard = low(region);
        Sound played = low(take);
        return TakeAlignment.of(heard, played).map(a -> alone.with(alone.echo(),
                alone.reverb().weighedWith(reverb(heard, played, a.lagS(), alone.echo()), ALONE),
                alone.echo().isPresent()
                        ? alone.modulation()
                        : movement(region, take, a).map(m -> alone.modulation().weighedWith(m, ALONE))
                                .orElse(alone.modulation()),
                alone.saturation())).orElse(alone);
    }

    /** @param movement asked for only where no echo hides it; it may have been worked out beside the first examination */
    public static PairedExamination of(Evidence alone, Sound region, Sound take,
            Supplier<Optional<Finding<ModulationReading>>> movement) {
        Sound heard = low(region);
        Sound played = low(take);
        Optional<TakeAlignment> alignment = TakeAlignment.of(heard, played);
        if (alignment.isEmpty()) return new PairedExamination(alone, List.of());
        double lagS = alignment.get().lagS();
        List<String> gained = new ArrayList<>();
        Finding<EchoReading> echo = echo(alone.echo(), heard, played, lagS);
        surer(alone.echo(), echo, "echo", gained);
        Finding<ReverbReading> reverb = alone.reverb().weighedWith(reverb(heard, played, lagS, echo), ALONE);
        surer(alone.reverb(), reverb, "reverb", gained);
        Finding<ModulationReading> modulation = alone.modulation();
        if (!echo.isPresent()) {
            modulation = movement.get().map(m -> alone.modulation().weighedWith(m, ALONE)).orElse(modulation);
            surer(alone.modulation(), modulation, "modulation", gained);
        }
        Sound moved = take.slice(Math.max(0, -lagS), region.durationS() - lagS);
        Finding<SaturationReading> saturation = SaturationEstimator.estimate(region, moved);
        surer(alone.saturation(), saturation, "saturation", gained);
        return new PairedExamination(alone.with(echo, reverb, modulation, saturation), gained);
    }

    /** A topic is gained where the take answers what was open, answers otherwise, or answers with more confidence. */
    private static <T> void surer(Finding<T> before, Finding<T> after, String topic, List<String> gained) {
        boolean answered = after.presence() != Presence.UNKNOWN;
        if (answered && (after.presence() != before.presence() || after.confidence() > before.confidence())) {
            gained.add(topic);
        }
    }

    private static Sound low(Sound sound) {
        return Resampler.quick(sound.rateHz(), ReverbEstimator.RATE_HZ)
                .resample(Sound.mono(sound.mid(), sound.rateHz()));
    }

    private static Finding<EchoReading> echo(Finding<EchoReading> alone, Sound region, Sound take, double lagS) {
        if (region.durationS() < 2) return alone;
        BlockResponse r = BlockResponse.of(region, take, lagS);
        Finding<EchoReading> first = first(alone, r, region, take);
        // Another echo that the first one's repeats do not explain.
        return first.map(e -> e.second().isPresent()
                ? e
                : e.with(e.character(), r.strongestBesideS(e.timeMs() / 1000).flatMap(at -> reading(r, at))));
    }

    /** What block responses say of a repeat at a lag; empty where its level cannot be read. */
    private static Optional<EchoReading> reading(BlockResponse r, double at) {
        return r.levelDb(at).map(level -> {
            double again = r.levelDb(2 * at).orElse(Double.NEGATIVE_INFINITY);
            return new EchoReading(1000 * at, Math.min(100, 100 * Math.pow(10, (again - level) / 20)), level, false);
        });
    }

    private static Finding<EchoReading> first(Finding<EchoReading> alone, BlockResponse r, Sound region, Sound take) {
        if (alone.isPresent()) {
            double standing = r.standingAt(alone.value().orElseThrow().timeMs() / 1000);
            if (standing > STANDS_OUT) {
                return new Finding<>(alone.presence(), alone.value(), 0.98,
                        alone.reason() + "; the dry take shows it too", alone.plot());
            }
            if (standing > NOT_THERE || alone.confidence() > 0.9) return alone;
        }
        double at = r.strongestS();
        double standing = r.standingAt(at);
        if (standing < NOT_THERE) {
            return Finding.absent(0.95, "of what the dry take plays nothing comes back later");
        }
        // Where the recording alone is sure of none, and for late lags of which few blocks speak, more is asked.
        double asked = alone.presence() == Presence.ABSENT ? at > LATE_S ? STANDS_FAR_OUT : STANDS_CLEAR : STANDS_OUT;
        if (standing < asked) {
            return Finding.unknown("something may come back of what the dry take plays, too faint to say");
        }
        Optional<EchoReading> read = reading(r, at);
        if (read.isEmpty()) return Finding.unknown("something comes back, but its level cannot be read");
        Optional<PairedResponse> sharp = PairedResponse.of(region, take).filter(p -> p.isSharpAt(1000 * at));
        double timeMs = sharp.map(p -> p.peakMs(1000 * at)).orElse(1000 * at);
        double level = sharp.map(p -> p.levelDb(timeMs)).orElse(read.get().levelDb());
        return Finding.present(new EchoReading(timeMs, read.get().feedbackPercent(), level, false,
                new EchoReading.Character(0, sharp.isPresent()), Optional.empty()), 0.93,
                Figures.of("what the dry take plays comes back %.0f ms later%s", timeMs,
                        sharp.isPresent() ? "" : ", swaying"));
    }

    private static Finding<ReverbReading> reverb(Sound region, Sound take, double lagS, Finding<EchoReading> echo) {
        TailFit fit = TailFit.of(region, take, lagS, echo.value());
        boolean open = fit.gainDb() < TAIL_SURE_DB || fit.decayS() > LONGEST_TAIL_S || fit.decayS() < SHORTEST_TAIL_S;
        if (open && fit.gainDb() > TAIL_DOUBTFUL_DB) {
            return Finding.unknown("a tail would explain the levels hardly better than none");
        }
        if (fit.gainDb() <= TAIL_DOUBTFUL_DB) {
            return Finding.absent(0.95, "what the dry take plays explains the levels between notes without a tail");
        }
        return Finding.present(
                new ReverbReading(fit.decayS(), OptionalDouble.of(fit.preDelayMs()), OptionalDouble.of(fit.levelDb()),
                        fit.octavesS()),
                Math.clamp(0.8 + 0.15 * fit.gainDb(), 0, 0.97),
                Figures.of("with a tail behind it the dry take explains the levels %.1f dB better than without",
                        fit.gainDb()));
    }
}
