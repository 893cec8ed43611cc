package verisonus.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.PairedExamination;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;

/**
 * How right is the evidence? Renders cases of every group with random playing and settings, measures each alone and with its
 * dry take, and prints shares, errors and how far the stated confidence can be believed.
 */
final class AccuracyReport {
    private static final double TIME_MS = 2;

    private final String way;
    private final Tally tally = new Tally();
    private final boolean verbose;

    private AccuracyReport(String way, boolean verbose) {
        this.way = way;
        this.verbose = verbose;
    }

    /** @param args first seed; share of the cases, 1 for all; groups, separated by commas, all where none; "v" lists misses */
    public static void main(String[] args) {
        long first = args.length > 0 ? Long.parseLong(args[0]) : 1000;
        double share = args.length > 1 ? Double.parseDouble(args[1]) : 1;
        List<String> groups = args.length > 2 && !args[2].isEmpty() ? List.of(args[2].split(",")) : List.of();
        boolean verbose = args.length > 3;
        AccuracyReport alone = new AccuracyReport("alone", verbose);
        AccuracyReport paired = new AccuracyReport("with the take", verbose);
        record Job(KnownCase.Group group, long seed) {}
        List<Job> jobs = new ArrayList<>();
        for (KnownCase.Group g : KnownCase.Group.values()) {
            if (!groups.isEmpty() && !groups.contains(g.name())) continue;
            for (int i = 0; i < Math.max(1, Math.round(share * g.cases)); i++) jobs.add(new Job(g, first + i));
        }
        jobs.parallelStream().forEach(j -> {
            KnownCase c = KnownCase.of(j.group, j.seed);
            Evidence e = Examination.of(c.recording(), Progress.NONE);
            alone.count(c, e);
            paired.count(c, PairedExamination.of(e, c.recording(), c.dry()).evidence());
        });
        System.out.printf("%d cases%n%n", jobs.size());
        if (groups.isEmpty() || groups.contains("DRIVE")) System.out.println(new DriveReport(first).text());
        if (groups.isEmpty() || groups.contains("TRUST")) System.out.println(new TrustReport(first).text());
        for (AccuracyReport r : List.of(alone, paired)) System.out.printf("== %s%n%s%n", r.way, r.tally.text());
    }

    private void count(KnownCase c, Evidence e) {
        List<String> wrong = new ArrayList<>();
        echo(c, e.echo(), wrong);
        reverb(c, e.reverb(), wrong);
        movement(c, e.modulation(), wrong);
        pitchAndPulse(c, e);
        if (verbose && !wrong.isEmpty()) {
            System.out.printf("%s %s %d: %s%n", way, c.group(), c.seed(), String.join("; ", wrong));
        }
    }

    private void echo(KnownCase c, Finding<EchoReading> f, List<String> wrong) {
        Optional<Effects.Echo> truth = c.truth().echo();
        if (truth.isEmpty()) {
            tally.share("echo: false alarms", f.isPresent());
            if (f.presence() != Presence.UNKNOWN) tally.stated("echo", f.confidence(), !f.isPresent());
            if (f.isPresent()) wrong.add("false echo " + f.value().get().timeMs());
            return;
        }
        String kind = c.group().name().toLowerCase(Locale.ROOT).replace('_', ' ');
        Optional<EchoReading> r = f.value();
        List<Effects.Echo> echoes = c.truth().second().map(s -> List.of(truth.get(), s)).orElse(List.of(truth.get()));
        double tolerance = TIME_MS + truth.get().swayMs();
        Optional<Effects.Echo> meant = r.flatMap(v -> echoes.stream()
                .filter(t -> Math.abs(t.timeMs() - v.timeMs()) < tolerance).findFirst());
        tally.share("echo found: " + kind, meant.isPresent());
        if (kind.equals("swaying echo")) {
            tally.share("echo found: swaying ±" + (truth.get().swayMs() <= 1 ? "1" : "2") + " ms", meant.isPresent());
        }
        if (f.presence() != Presence.UNKNOWN) tally.stated("echo", f.confidence(), meant.isPresent());
        if (meant.isEmpty()) {
            wrong.add(Figures.of("echo %.0f ms %.1f dB fb %.2f not found (%s)", truth.get().timeMs(),
                    truth.get().levelDb(), truth.get().feedback(),
                    r.map(v -> "said " + v.timeMs()).orElse(f.presence().toString())));
            return;
        }
        boolean dark = meant.get().cornerHz() > 0;
        if (kind.equals("two echoes")) {
            boolean both = r.get().second().isPresent() && echoes.stream()
                    .allMatch(t -> Math.abs(t.timeMs() - r.get().timeMs()) < TIME_MS
                            || Math.abs(t.timeMs() - r.get().second().get().timeMs()) < TIME_MS);
            tally.share("echo: both of two", both);
            if (!both) {
                wrong.add(Figures.of("two %.0f %.0f said %.0f %s", echoes.get(0).timeMs(),
                        echoes.get(1).timeMs(), r.get().timeMs(), r.get().second().map(EchoReading::timeMs)));
            }
            return;
        }
        tally.share("echo: second one invented", r.get().second().isPresent());
        if (r.get().second().isPresent()) {
            wrong.add("second invented: " + truth.get() + " " + r.get().second().get().timeMs());
        }
        tally.share(c.truth().changingSides() ? "echo: changing sides seen" : "echo: changing sides invented",
                r.get().pingPong());
        if (meant.get().swayMs() > 0) {
            tally.error("echo time, swaying, ms", r.get().timeMs() - meant.get().timeMs());
            return;
        }
        tally.error("echo time, ms", r.get().timeMs() - meant.get().timeMs());
        if (c.group() == KnownCase.Group.ECHO_THEN_CLIPPED) return;
        String plain = dark ? "darkened" : "plain";
        tally.error("echo level, dB, " + plain, r.get().levelDb() - meant.get().levelDb());
        tally.error("echo feedback, points, " + plain, r.get().feedbackPercent() - 100 * meant.get().feedback());
    }

    private void reverb(KnownCase c, Finding<ReverbReading> f, List<String> wrong) {
        if (c.truth().echo().isPresent() && c.truth().decayS().isEmpty()) return;
        boolean room = c.truth().decayS().isPresent();
        String where = c.group() == KnownCase.Group.ECHO_IN_ROOM ? " (with echo)" : "";
        if (!room) {
            tally.share("reverb: false alarms", f.isPresent());
            tally.share("reverb: cannot tell, where none", f.presence() == Presence.UNKNOWN);
            if (f.isPresent()) wrong.add("false room " + f.value().get().decayS());
            if (f.presence() != Presence.UNKNOWN) tally.stated("reverb", f.confidence(), !f.isPresent());
            return;
        }
        tally.share("reverb: found" + where, f.isPresent());
        tally.share("reverb: cannot tell, where there is one" + where, f.presence() == Presence.UNKNOWN);
        double truth = c.truth().decayS().getAsDouble();
        boolean near = f.isPresent() && Math.abs(f.value().get().decayS() / truth - 1) < 0.35;
        if (f.presence() != Presence.UNKNOWN) tally.stated("reverb", f.confidence(), f.isPresent());
        if (!f.isPresent()) {
            wrong.add(Figures.of("room %.2f s %.0f dB: %s", truth, c.truth().roomDb(), f.presence()));
            return;
        }
        tally.share("reverb: decay within 35 %" + where, near);
        tally.error("reverb decay, %" + where, 100 * (f.value().get().decayS() / truth - 1));
        if (!near) {
            wrong.add(Figures.of("decay %.2f s read %.2f", truth, f.value().get().decayS()));
        }
        if (c.group() != KnownCase.Group.ROOM) return;
        f.value().get().levelDb().ifPresent(v -> tally.error("reverb level, dB", v - c.truth().roomDb()));
        f.value().get().preDelayMs().ifPresent(v -> tally.error("reverb pre-delay, ms", v - c.truth().preDelayMs()));
    }

    private void movement(KnownCase c, Finding<ModulationReading> f, List<String> wrong) {
        if (c.truth().echo().isPresent()) return;
        String kind = c.truth().movement();
        Optional<ModulationReading> r = f.value();
        if (kind.isEmpty()) {
            tally.share("movement: false alarms", f.isPresent());
            if (f.presence() != Presence.UNKNOWN) tally.stated("movement", f.confidence(), !f.isPresent());
            r.ifPresent(v -> wrong.add("false " + v.kind().words() + " " + v.rateHz()));
            return;
        }
        boolean comb = List.of("chorus", "flanger", "phaser").contains(kind);
        boolean rotary = kind.equals("rotary");
        String said = r.map(v -> v.kind().words()).orElse(f.presence().toString());
        boolean family = r.isPresent() && (rotary || r.get().kind().isMovingComb() == comb);
        boolean right = said.equals(kind);
        tally.share("movement kind: " + kind, right);
        if (comb) {
            tally.share("movement: comb family seen", family);
            tally.share("movement: comb kind of those seen", right);
        }
        if (f.presence() != Presence.UNKNOWN) tally.stated("movement", f.confidence(), comb ? family : right);
        if (!right) wrong.add(kind + " " + Figures.of("%.2f Hz", c.truth().rateHz()) + " said " + said);
        if (r.isEmpty() || !(comb ? family : right)) return;
        r.get().rateHz().ifPresent(v -> {
            double off = 100 * (v / c.truth().rateHz() - 1);
            tally.error("movement rate, %: " + (comb ? "combs" : kind), off);
        });
        if (comb) {
            tally.share("movement: comb rate within 10 %", r.get().rateHz().isPresent()
                    && Math.abs(r.get().rateHz().getAsDouble() / c.truth().rateHz() - 1) < 0.1);
        }
        if (kind.contains("tremolo")) {
            r.get().depthPercent().ifPresent(v -> tally.error("movement depth, points: " + kind,
                    v - 100 * c.truth().depth()));
        }
    }

    private void pitchAndPulse(KnownCase c, Evidence e) {
        boolean swayed = !c.truth().movement().isEmpty();
        if (!swayed) {
            e.tuning().value().ifPresent(v -> {
                tally.error("tuning, cents", v.offsetCents() - c.truth().centsOff());
                tally.stated("tuning", e.tuning().confidence(),
                        Math.abs(v.offsetCents() - c.truth().centsOff()) < 3);
            });
        }
        if (c.group() != KnownCase.Group.NOTHING || e.tempo().value().isEmpty()) return;
        double ratio = e.tempo().value().get().bpm() / c.truth().bpm();
        boolean exact = Math.abs(ratio - 1) < 0.01;
        boolean offered = exact || Math.abs(e.tempo().value().get().alternativeBpm() / c.truth().bpm() - 1) < 0.01;
        tally.share("tempo exact: " + (c.truth().rhythmic() ? "rhythmic" : "sparse"), exact);
        tally.share("tempo or its half or double: " + (c.truth().rhythmic() ? "rhythmic" : "sparse"), offered);
        tally.stated("tempo", e.tempo().confidence(), exact);
    }
}
