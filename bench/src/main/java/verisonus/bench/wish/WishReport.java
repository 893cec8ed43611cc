package verisonus.bench.wish;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import verisonus.bench.Effects;
import verisonus.bench.KnownTone;
import verisonus.bench.OtherChain;
import verisonus.bench.Tally;
import verisonus.core.advise.SaidWord;
import verisonus.core.evidence.words.Word;
import verisonus.core.perform.wish.Granted;
import verisonus.core.perform.wish.NewTone;
import verisonus.core.perform.wish.Wish;
import verisonus.core.perform.wish.WishSolver;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.StartingTone;
import verisonus.core.search.StartingTones;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;
import verisonus.demo.Takes;

/** Wishes of four kinds on starting tones and made takes: words, dirt at equal loudness, loudness, and the echo of a record of another design. */
final class WishReport {
    private static final List<String> WORDS = List.of("more bright", "less bright", "less boxy", "more warm",
            "less harsh",
            "more full", "less muddy", "more airy");
    private static final double LENGTH_S = 9;

    private WishReport() {}

    /** @param args first and last seed, a wish each */
    public static void main(String[] args) {
        Tally tally = new Tally();
        try (ExecutorService workers = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
            for (long seed = Long.parseLong(args[0]); seed <= Long.parseLong(args[1]); seed++)
                one(seed, tally, workers);
        }
        System.out.print(tally.text());
    }

    private static void one(long seed, Tally tally, ExecutorService workers) {
        SplittableRandom r = new SplittableRandom(seed * 4421 + 3);
        Takes.Style style = Takes.Style.values()[r.nextInt(Takes.Style.values().length)];
        Sound take = KnownTone.levelled(Takes.take(style, 5_200_000 + seed, LENGTH_S).mid());
        List<StartingTone> all = StartingTones.ALL;
        Tone tone = NewTone.levelled(all.get(r.nextInt(all.size())).tone(), take);
        WishSolver solver = new WishSolver(Rig.everything(), take, workers);
        switch ((int) (seed % 4)) {
            case 0 -> {
                String word = WORDS.get(r.nextInt(WORDS.size()));
                noted("word " + word,
                        solver.granted(tone, wish(List.of(SaidWord.find(word, Word.shipped()).orElseThrow()),
                                OptionalDouble.empty(), OptionalDouble.empty()), Progress.NONE),
                        tally, seed);
            }
            case 1 -> noted("dirt", solver.granted(tone, wish(List.of(), OptionalDouble.empty(),
                    OptionalDouble.of(r.nextBoolean() ? 0.1 : -0.1)), Progress.NONE), tally, seed);
            case 2 -> noted("loudness", solver.granted(tone, wish(List.of(), OptionalDouble.of(4 * r.nextDouble() - 2),
                    OptionalDouble.empty()), Progress.NONE), tally, seed);
            default -> echo(solver, tone, seed, r, tally);
        }
    }

    private static Wish wish(List<SaidWord> words, OptionalDouble louder, OptionalDouble dirt) {
        return new Wish(words, louder, dirt, Optional.empty());
    }

    private static void noted(String what, Granted g, Tally tally, long seed) {
        String kind = what.contains(" ") ? "word" : what;
        tally.share("met", g.isMet());
        tally.share("met: " + kind, g.isMet());
        tally.share("nothing else moved by more than a step", g.against().isEmpty());
        System.out.printf(Locale.ROOT, "%3d %-18s %s %s %s%n", seed, what, g.isMet() ? "met" : "NOT", g.parts(),
                g.against());
    }

    /** The echo of a record that another guitar plays through a chain of another design. */
    private static void echo(WishSolver solver, Tone tone, long seed, SplittableRandom r, Tally tally) {
        Effects.Echo echo = new Effects.Echo(150 + 400 * r.nextDouble(), 0.4 * r.nextDouble(),
                -14 + 6 * r.nextDouble());
        float[] other = KnownTone.levelled(Takes.take(Takes.Style.LEAD, 6_300_000 + seed, 14).mid()).mid();
        Sound record = Sound.mono(
                echo.on(new OtherChain.Settings(seed + 81_000).play(other, OtherChain.Spoiling.NOTHING)),
                Effects.RATE_HZ);
        Wish wish = new Wish(List.of(), OptionalDouble.empty(), OptionalDouble.empty(),
                Optional.of(new Wish.Like(record, Wish.Aspect.ECHO)));
        boolean right = false;
        boolean untouched = true;
        try {
            Granted g = solver.granted(tone, wish, Progress.NONE);
            right = g.tone().first(GearKind.ECHO).map(b -> b.get(ControlNames.TIME))
                    .filter(ms -> Math.abs(ms / echo.timeMs() - 1) < 0.03).isPresent();
            for (GearKind k : List.of(GearKind.AMP, GearKind.DRIVE, GearKind.CABINET)) {
                Optional<Block> was = tone.first(k);
                untouched &= g.tone().first(k).equals(was);
            }
        } catch (InputFault e) {
            System.out.println(seed + " echo: " + e.getMessage());
        }
        tally.share("echo of a record taken over", right);
        tally.share("and nothing of amp, drive, cabinet touched", untouched);
    }
}
