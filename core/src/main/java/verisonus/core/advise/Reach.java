package verisonus.core.advise;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.AfterClipping;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
import verisonus.core.take.Pairing;
import verisonus.core.work.Figures;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/**
 * What the rig cannot reach: of the differences that most would hear after a search, which gear that the player has not got would
 * close how much. Cabinets and microphones are judged by their curves, amps and drives are exchanged for, put in, played at three
 * gains and measured.
 */
public final class Reach {
    private static final double HEARD = 1;
    private static final double WORTH_JND = 0.5;
    /** As long a part as it takes to judge gear, and no longer. */
    public static final double LONGEST_S = 20;
    private static final double[] GAINS = {2.5, 5, 7.5};
    /** What an equalizer leaves of a band's difference. */
    private static final double EQUALIZED = 0.35;

    /**
     * One difference that stays.
     *
     * @param attribute of the ledger
     * @param offJnd how audible it is
     * @param gear model that would bring most; empty where nothing that is known would
     * @param gainJnd by how much this difference would become less audible
     */
    public record Unreached(GapAttribute attribute, double offJnd, Optional<Model> gear, double gainJnd) {
        /** "spectrum 80-160 Hz stays 2.1 JND off; a 4×12 closed would bring it down by 1.6". */
        public String words() {
            String stays = Figures.of("%s stays %.1f JND off", attribute.words(), offJnd);
            return gear.map(m -> stays + Figures.of("; a %s (%s) would take about %.1f of it away",
                    m.name(), m.kind().word(), gainJnd))
                    .orElse(stays + "; no gear known here would close it");
        }
    }

    private final Evidence reference;
    private final Sound di;
    private final Pairing pairing;
    private final Tone tone;
    private final Rig rig;
    private final ExecutorService workers;

    /** @param take in time with the reference; what another hand plays otherwise is nothing that gear could reach */
    public Reach(Evidence reference, MatchedTake take, Tone tone, Rig rig, ExecutorService workers) {
        this.reference = reference;
        this.di = take.sound().atRate(Sound.WORKING_RATE_HZ);
        this.pairing = take.pairing();
        this.tone = tone;
        this.rig = rig;
        this.workers = workers;
    }

    /** Differences that stay, the most audible first; empty where all is within hearing. */
    public List<Unreached> of(Progress progress) {
        Evidence now = examined(tone);
        GapLedger gap = gap(now).measured();
        List<GapRow> off = new ArrayList<>(gap.rows().stream().filter(r -> gap.counts(r) && r.audibility() >= HEARD)
                .toList());
        List<Unreached> out = new ArrayList<>(missingUnits(gap));
        off.removeIf(r -> out.stream().anyMatch(u -> u.attribute == r.attribute()));
        if (off.isEmpty()) return out;
        Map<Model, GapLedger> tried = new LinkedHashMap<>();
        curves(now, tried);
        progress.step(0.3, "trying gear that you have not got");
        tried.putAll(played());
        for (GapRow r : off) out.add(best(r, tried, gap.distanceJnd()));
        out.sort(Comparator.comparingDouble((Unreached u) -> -u.offJnd));
        return out;
    }

    private Unreached best(GapRow row, Map<Model, GapLedger> tried, double distance) {
        Optional<Model> model = Optional.empty();
        double gain = WORTH_JND;
        for (Map.Entry<Model, GapLedger> t : tried.entrySet()) {
            double left = t.getValue().find(row.attribute()).map(GapRow::audibility).orElse(row.audibility());
            // What helps here and harms more elsewhere is no help.
            boolean harms = t.getValue().distanceJnd() > distance + 0.3;
            if (row.audibility() - left > gain && !harms) {
                gain = row.audibility() - left;
                model = Optional.of(t.getKey());
            }
        }
        boolean band = row.attribute().isBand();
        if (model.isEmpty() && band && rig.owned(GearKind.EQUALIZER).isEmpty()) {
            return new Unreached(row.attribute(), row.audibility(), Optional.of(Gear.model("parametric equalizer")),
                    (1 - EQUALIZED) * row.audibility());
        }
        return new Unreached(row.attribute(), row.audibility(), model, model.isPresent() ? gain : 0);
    }

    private GapLedger gap(Evidence now) {
        return GapLedger.between(reference, now, pairing);
    }

    private Evidence examined(Tone t) {
        return Examination.of(Renderer.render(t, di, Optional.of(di), Quality.SEARCH, Progress.NONE),
                Examination.Depth.TONE, Progress.NONE);
    }

    /** Echo, space and movement that were found and that nothing owned can make. */
    private List<Unreached> missingUnits(GapLedger gap) {
        List<Unreached> out = new ArrayList<>();
        if (reference.echo().isPresent() && rig.owned(GearKind.ECHO).isEmpty()) {
            double off = gap.find(GapAttribute.ECHO_LEVEL).map(GapRow::audibility).orElse(HEARD);
            out.add(new Unreached(GapAttribute.ECHO_LEVEL, off, Optional.of(Gear.model("clean echo")), off));
        }
        found(reference.reverb(), GearKind.REVERB, GapAttribute.SPACE_LEVEL, "plain hall").ifPresent(out::add);
        found(reference.modulation(), GearKind.MODULATION, GapAttribute.MOVEMENT,
                reference.modulation().value().map(m -> m.kind().words()).orElse("chorus")).ifPresent(out::add);
        return out;
    }

    private Optional<Unreached> found(Finding<?> f, GearKind kind, GapAttribute attribute, String model) {
        if (!f.isPresent() || f.confidence() < 0.6 || !rig.owned(kind).isEmpty()) return Optional.empty();
        Optional<Model> unit = Gear.find(model).or(() -> Gear.of(kind).stream().findFirst());
        // Absent against there: at least as audible as three just-noticeable differences.
        return Optional.of(new Unreached(attribute, 3, unit, 3));
    }

    private List<Model> notOwned(GearKind kind) {
        return Gear.of(kind).stream().filter(m -> !rig.holds(m) && m.voice() != Voice.Cabinet.IMPULSE_RESPONSE)
                .toList();
    }

    private void curves(Evidence now, Map<Model, GapLedger> into) {
        for (GearKind k : List.of(GearKind.CABINET, GearKind.MICROPHONE)) {
            Optional<Block> there = tone.first(k).filter(b -> b.impulse().isEmpty());
            if (there.isEmpty()) continue;
            Block b = there.get();
            for (Model m : notOwned(k)) {
                Block other = b.exchangedFor(m);
                into.put(m, gap(now.coloured(hz -> AfterClipping.gainDb(other, hz) - AfterClipping.gainDb(b, hz))));
            }
        }
    }

    private Map<Model, GapLedger> played() {
        List<Model> models = new ArrayList<>();
        List<Callable<GapLedger>> work = new ArrayList<>();
        for (GearKind k : List.of(GearKind.AMP, GearKind.DRIVE, GearKind.COMPRESSOR)) {
            for (Model m : notOwned(k)) {
                for (double gain : GAINS) {
                    models.add(m);
                    work.add(() -> gap(examined(with(m, gain))));
                }
            }
        }
        List<GapLedger> ledgers = Parallel.all(work, workers);
        Map<Model, GapLedger> out = new LinkedHashMap<>();
        for (int i = 0; i < models.size(); i++) {
            out.merge(models.get(i), ledgers.get(i), (a, b) -> a.distanceJnd() <= b.distanceJnd() ? a : b);
        }
        return out;
    }

    private Tone with(Model m, double gain) {
        Block made = switch (m.kind()) {
            case AMP -> tone.first(GearKind.AMP).orElseThrow().exchangedFor(m).with(ControlNames.GAIN, gain);
            case DRIVE ->
                tone.first(GearKind.DRIVE).map(b -> b.exchangedFor(m)).orElse(Block.of(m)).switched(true)
                        .with(ControlNames.DRIVE, gain);
            default -> Block.of(m).with(ControlNames.THRESHOLD, -20 - 3 * gain).with(ControlNames.RATIO, gain);
        };
        if (tone.find(made.id()).isPresent()) return tone.with(made);
        return tone.insertedInOrder(made);
    }
}
