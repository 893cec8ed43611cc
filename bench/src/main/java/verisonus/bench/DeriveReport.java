package verisonus.bench;

import java.util.Locale;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.search.Derivation;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.Tolerance;
import verisonus.core.search.ToneSearch;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;
import verisonus.demo.Takes;

/**
 * What a search recovers: of tones of the simulated gear, of chains of another design, dry and spoiled, and with other playing,
 * against the raw take and a linear match of the spectrum. Arguments: how many known tones, how many other chains, first seed,
 * and "v" to print each.
 */
final class DeriveReport {
    private final ExecutorService workers = Executors.newFixedThreadPool(2);
    private final Tally tally = new Tally();
    private final boolean verbose;

    private DeriveReport(boolean verbose) {
        this.verbose = verbose;
    }

    public static void main(String[] args) {
        int known = args.length > 0 ? Integer.parseInt(args[0]) : 100;
        int others = args.length > 1 ? Integer.parseInt(args[1]) : 16;
        long seed = args.length > 2 ? Long.parseLong(args[2]) : 1;
        DeriveReport report = new DeriveReport(args.length > 3);
        try {
            for (long s = seed; s < seed + known; s++) report.known(KnownTone.of(s));
            for (long s = seed; s < seed + others; s++) {
                report.other("other chain, dry", s, OtherChain.Spoiling.NOTHING, false);
                report.other("other chain, spoiled", s, OtherChain.Spoiling.ALL, false);
                report.other("other playing", s, OtherChain.Spoiling.NOTHING, true);
                report.otherPlayingKnown(s);
            }
        } finally {
            report.workers.shutdownNow();
        }
        System.out.print(report.tally.text());
        Runtime r = Runtime.getRuntime();
        System.out.printf(Locale.ROOT, "heap in use at the end %.0f MB of %.0f%n", (r.totalMemory() - r.freeMemory())
                / 1e6, r.maxMemory() / 1e6);
    }

    private Derivation search(Sound reference, Sound di) {
        Derivation d = new ToneSearch(reference, di, SearchOptions.defaults(), workers, Progress.NONE).run();
        tally.error("time, s", d.seconds());
        tally.error("candidates a second", d.candidates() / d.seconds());
        tally.error("renders a second", d.renders() / d.seconds());
        return d;
    }

    private void known(KnownTone k) {
        Derivation d = search(k.reference(), k.di());
        same("voicing", k.tone(), d.tone(), GearKind.AMP);
        same("microphone kind", k.tone(), d.tone(), GearKind.MICROPHONE);
        same("cabinet", k.tone(), d.tone(), GearKind.CABINET);
        tally.share("in-model: cabinet family", family(k.tone()).equals(family(d.tone())));
        boolean drive = on(k.tone(), GearKind.DRIVE).isPresent();
        tally.share("in-model: drive on or off", drive == on(d.tone(), GearKind.DRIVE).isPresent());
        if (drive && on(d.tone(), GearKind.DRIVE).isPresent()) same("drive model", k.tone(), d.tone(), GearKind.DRIVE);
        boolean holds = on(k.tone(), GearKind.COMPRESSOR).isPresent();
        tally.share("in-model: compressor on or off", holds == on(d.tone(), GearKind.COMPRESSOR).isPresent());
        boolean echo = on(k.tone(), GearKind.ECHO).isPresent();
        tally.share("in-model: echo on or off", echo == on(d.tone(), GearKind.ECHO).isPresent());
        controls(k.tone(), d);
        distances("in-model", k.reference(), d.render());
        if (verbose) print(k, d);
    }

    private void controls(Tone wanted, Derivation d) {
        for (Block w : wanted.blocks()) {
            Optional<Block> found = on(d.tone(), w.model().kind()).filter(b -> b.model().equals(w.model()));
            if (found.isEmpty()) continue;
            for (String control : w.settings().keySet()) {
                double error = found.get().get(control) - w.get(control);
                tally.error("in-model: " + w.id() + " " + control, error);
                d.tolerances().stream().filter(t -> t.block().equals(w.id()) && t.control().equals(control))
                        .findFirst().ifPresent(t -> bracket(t, w.get(control)));
            }
        }
    }

    private void bracket(Tolerance t, double truth) {
        tally.share("in-model: true value inside the bracket", truth >= t.low() && truth <= t.high());
    }

    private void other(String name, long seed, OtherChain.Spoiling spoiling, boolean otherPlaying) {
        Takes.Style style = Takes.Style.values()[(int) (seed % Takes.Style.values().length)];
        Sound di = KnownTone.onGuitar(style, seed, seed % 2 == 0);
        OtherChain.Settings chain = new OtherChain.Settings(seed);
        Sound reference = KnownTone.levelled(chain.play(di.mid(), spoiling));
        if (otherPlaying) {
            Sound played = KnownTone.onGuitar(style, seed + 4000, seed % 2 == 0);
            Derivation d = search(reference, played);
            tally.share(name + ": said so", !d.pairing().isSamePhrase());
            // Judged by what the reference's own chain makes of the same playing.
            distances(name, KnownTone.levelled(chain.play(played.mid(), spoiling)), d.render());
            return;
        }
        Derivation d = search(reference, di);
        distances(name, reference, d.render());
        if (spoiling == OtherChain.Spoiling.ALL) {
            Sound quiet = KnownTone.levelled(chain.play(di.mid(), OtherChain.Spoiling.QUIET));
            distances(name + ", against it without its noise", quiet, d.render());
            distances(name + ", floor: another hall of the same description", quiet,
                    KnownTone.levelled(chain.play(di.mid(), OtherChain.Spoiling.OTHER_HALL)));
        }
        distances(name + ", raw take", reference, di);
        distances(name + ", matched equalizer", reference,
                Sound.mono(MatchedEqualizer.of(reference.mid(), di.mid()), Effects.RATE_HZ));
    }

    /** Other playing through a known tone: is its voicing among the first two? */
    private void otherPlayingKnown(long seed) {
        Takes.Style style = Takes.Style.values()[(int) (seed % Takes.Style.values().length)];
        KnownTone k = KnownTone.of(seed + 500, KnownTone.onGuitar(style, seed + 500, seed % 2 == 0),
                new SplittableRandom(seed * 131 + 7));
        Sound played = KnownTone.onGuitar(style, seed + 9000, seed % 2 == 0);
        Derivation d = search(k.reference(), played);
        String voicing = on(k.tone(), GearKind.AMP).orElseThrow().model().name();
        String first = on(d.tone(), GearKind.AMP).orElseThrow().model().name();
        String second = d.alternatives().stream().map(a -> a.what())
                .filter(w -> verisonus.core.rig.Gear.of(GearKind.AMP).stream().anyMatch(m -> w.startsWith(m.name())))
                .map(w -> w.split(" behind ")[0]).filter(w -> !w.equals(first)).findFirst().orElse("");
        tally.share("other playing, known tone: voicing first", voicing.equals(first));
        tally.share("other playing, known tone: voicing among two", voicing.equals(first) || voicing.equals(second));
        Sound ideal = Renderer.render(k.tone(), played, Quality.FINAL, Progress.NONE);
        distances("other playing, known tone", ideal, d.render());
    }

    private void distances(String name, Sound reference, Sound candidate) {
        Distances d = Distances.between(reference.mid(), candidate.mid());
        tally.error(name + ": LTAS, dB", d.ltasDb());
        if (!name.startsWith("other playing") || name.contains("known"))
            tally.error(name + ": envelope, dB", d
                    .envelopeDb());
        tally.error(name + ": percentiles, dB", d.percentilesDb());
        tally.error(name + ": crest, dB", d.crestDb());
    }

    private void same(String name, Tone wanted, Tone found, GearKind kind) {
        String a = on(wanted, kind).map(b -> b.model().name()).orElse("none");
        tally.share("in-model: " + name, a.equals(on(found, kind).map(b -> b.model().name()).orElse("none")));
    }

    private static String family(Tone t) {
        return on(t, GearKind.CABINET).map(b -> b.model().name().endsWith("closed") ? "closed" : "open").orElse("none");
    }

    private static Optional<Block> on(Tone t, GearKind kind) {
        return t.blocks().stream().filter(b -> b.on() && b.model().kind() == kind).findFirst();
    }

    private static void print(KnownTone k, Derivation d) {
        for (Tone t : new Tone[]{k.tone(), d.tone()}) {
            StringBuilder line = new StringBuilder();
            for (Block b : t.blocks()) {
                if (b.model().kind() == GearKind.EQUALIZER || !b.on()) continue;
                line.append(b.model().name()).append(' ');
                b.settings().forEach((c, v) -> line.append(Figures.of("%s %.1f ", c, v)));
                line.append("· ");
            }
            System.out.println(line);
        }
        Distances e = Distances.between(k.reference().mid(), d.render().mid());
        System.out.printf(Locale.ROOT, "    LTAS %.2f envelope %.2f  %.1f s%n", e.ltasDb(), e.envelopeDb(), d
                .seconds());
    }
}
