package verisonus.bench.timed;

import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.search.Derivation;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.ToneSearch;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;
import verisonus.demo.Takes;

/** One derivation from end to end, two workers: of the same performance, and of the phrase played again by other hands. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 1)
@Measurement(iterations = 3)
@Fork(1)
public class SearchTime {
    private static final double LENGTH_S = 12;

    /** Whether the take is the very performance of the recording. */
    @Param({"false", "true"})
    public boolean samePerformance;

    private final ExecutorService workers = Executors.newFixedThreadPool(2);
    private Sound reference = Sound.mono(new float[]{0}, Sound.WORKING_RATE_HZ);
    private Sound take = reference;

    /** A crunch through a cabinet and a microphone; played again on another guitar by another hand. */
    @Setup
    public void play() {
        Tone tone = new Tone("crunch", List.of(Block.of("mid-forward crunch").with(ControlNames.GAIN, 6),
                Block.of("4×12 closed"), Block.of("dynamic microphone")));
        Sound first = Takes.performed(Takes.Style.RIFF, 7, 1, Takes.Guitar.values()[0], LENGTH_S).sound();
        reference = Sound.mono(Renderer.renderMono(tone, first.mid(), Quality.FINAL), first.rateHz());
        take = samePerformance
                ? first
                : Takes.performed(Takes.Style.RIFF, 7, 2, Takes.Guitar.values()[1], LENGTH_S).sound();
    }

    @TearDown
    public void stop() {
        workers.shutdownNow();
    }

    /** The tone that is found. */
    @Benchmark
    public Derivation derive() {
        return new ToneSearch(reference, take, SearchOptions.defaults(), workers, Progress.NONE).run();
    }
}
