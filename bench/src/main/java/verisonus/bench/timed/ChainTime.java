package verisonus.bench.timed;

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
import org.openjdk.jmh.annotations.Warmup;
import verisonus.bench.ChainSpeed;
import verisonus.core.simulate.Chain;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.demo.Takes;

/** One block of a chain with everything on, by quality: the time that a sound card waits for. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(2)
public class ChainTime {
    /** How thoroughly the clippers are computed. */
    @Param
    public Quality quality = Quality.FINAL;

    private float[] take = new float[0];
    private float[][] block = new float[2][Chain.BLOCK];
    private Chain chain = new Chain(ChainSpeed.full(), Quality.DRAFT);
    private int at;

    /** A riff of known notes, played through from the start. */
    @Setup
    public void play() {
        Sound riff = Takes.known(Takes.Style.RIFF, 4, 20).sound();
        take = riff.channel(0);
        chain = new Chain(ChainSpeed.full(), quality);
        at = 0;
    }

    /** {@value Chain#BLOCK} samples, mono in and stereo out. */
    @Benchmark
    public float[][] block() {
        if (at + Chain.BLOCK > take.length) at = 0;
        System.arraycopy(take, at, block[0], 0, Chain.BLOCK);
        at += Chain.BLOCK;
        chain.process(block, Chain.BLOCK);
        return block;
    }
}
