package verisonus.bench;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import verisonus.core.advise.Move;
import verisonus.core.advise.NextMoves;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.Derivation;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.Tolerance;
import verisonus.core.search.ToneEvidence;
import verisonus.core.search.ToneSearch;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
import verisonus.core.take.Pairing;
import verisonus.core.work.Progress;

/**
 * Does a move bring what it promises, and is a tolerance's edge one just-noticeable difference away? Known tones are put out of tune
 * by three controls, the first move is made and measured; then controls of derived tones are moved to the edges of their brackets.
 * Arguments: how many tones, first seed.
 */
final class AdviceReport {
    private static final double ENVELOPE_UNIT_DB = 1.5;

    private AdviceReport() {}

    public static void main(String[] args) {
        int many = args.length > 0 ? Integer.parseInt(args[0]) : 12;
        long first = args.length > 1 ? Long.parseLong(args[1]) : 3000;
        Tally tally = new Tally();
        ExecutorService workers = Executors.newFixedThreadPool(2);
        try {
            for (long seed = first; seed < first + many; seed++) {
                KnownTone k = KnownTone.of(seed);
                move(k, seed, workers, tally);
                edges(k, workers, tally);
            }
        } finally {
            workers.shutdownNow();
        }
        System.out.print(tally.text());
    }

    private static void move(KnownTone k, long seed, ExecutorService workers, Tally tally) {
        SplittableRandom r = new SplittableRandom(seed);
        Tone off = k.tone();
        Block amp = off.first(GearKind.AMP).orElseThrow();
        for (String knob : List.of("gain", "treble", "mid")) {
            amp = amp.with(knob, Math.clamp(amp.get(knob) + (r.nextBoolean() ? 3 : -3), 0, 10));
        }
        off = off.with(amp);
        ToneEvidence reference = ToneEvidence.of(new MatchedTake(k.reference(), k.di(), Pairing.SAME_PERFORMANCE),
                Progress.NONE);
        long started = System.nanoTime();
        NextMoves next = new NextMoves(new NextMoves.Question(reference, k.di(), off, Rig.everything(), Locks.NONE,
                Set.of()), workers, Progress.NONE);
        List<Move> moves = next.best(Progress.NONE);
        tally.error("moves: time, s", (System.nanoTime() - started) / 1e9);
        tally.share("moves: something found", !moves.isEmpty());
        if (moves.isEmpty()) return;
        Sound mine = Renderer.render(moves.get(0).tone(), k.di(), Quality.FINAL, Progress.NONE);
        double after = GapLedger.between(reference.wanted(),
                reference.heard(moves.get(0).tone(), mine, Progress.NONE)).distanceJnd();
        double gained = next.gap().distanceJnd() - after;
        tally.error("moves: promise against measure, share", (moves.get(0).gainJnd() - gained) / Math.max(0.1, gained));
        tally.share("moves: the first makes it better", gained > 0);
        System.out.printf(Locale.ROOT, "%.2f JND off, %s: promised %.2f, measured %.2f%n", next.gap().distanceJnd(),
                moves.get(0).words(Rig.everything()), moves.get(0).gainJnd(), gained);
    }

    private static void edges(KnownTone k, ExecutorService workers, Tally tally) {
        Derivation d = new ToneSearch(k.reference(), k.di(), SearchOptions.defaults(), workers, Progress.NONE).run();
        float[] base = Renderer.render(d.tone(), k.di(), Quality.FINAL, Progress.NONE).mid();
        for (Tolerance t : d.tolerances()) {
            Block b = d.tone().find(t.block()).orElseThrow();
            boolean judged = b.model().kind().compareTo(GearKind.MICROPHONE) <= 0 && b.model().kind() != GearKind.GATE;
            if (!judged) continue;
            Control c = b.model().control(t.control());
            for (double edge : new double[]{t.low(), t.high()}) {
                // At the end of the track there is no more room, so the change may be smaller.
                if (c.position(edge) < 0.01 || c.position(edge) > 0.99) continue;
                Distances moved = Distances.between(base, Renderer.render(d.tone().with(b.with(c.name(), edge)),
                        k.di(), Quality.FINAL, Progress.NONE).mid());
                double jnd = Math.hypot(moved.ltasDb(), moved.envelopeDb() / ENVELOPE_UNIT_DB);
                tally.share("edges: one JND within 30 %", Math.abs(jnd - 1) < 0.3);
                tally.error("edges: change there, JND", jnd);
            }
        }
    }
}
