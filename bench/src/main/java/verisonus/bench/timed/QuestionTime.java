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
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.dirt.SaturationEstimator;
import verisonus.core.evidence.echo.EchoEstimator;
import verisonus.core.evidence.level.DynamicsEstimator;
import verisonus.core.evidence.level.HumEstimator;
import verisonus.core.evidence.level.LevelEstimator;
import verisonus.core.evidence.level.NoiseEstimator;
import verisonus.core.evidence.level.SpectrumEstimator;
import verisonus.core.evidence.level.StereoEstimator;
import verisonus.core.evidence.movement.ModulationEstimator;
import verisonus.core.evidence.notes.TempoEstimator;
import verisonus.core.evidence.notes.TuningEstimator;
import verisonus.core.evidence.signs.BandLevels;
import verisonus.core.evidence.signs.OnsetCurve;
import verisonus.core.evidence.space.ReverbEstimator;
import verisonus.core.evidence.study.CompanyEstimator;
import verisonus.core.sound.Resampler;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;
import verisonus.demo.Takes;

/** One question of the evidence, asked of twenty seconds in stereo on one core. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class QuestionTime {
    private static final double LENGTH_S = 20;

    /** What is asked. */
    public enum Question {
        /** All of them, as one region is measured. */
        WHOLE,
        LEVEL,
        NOISE,
        HUM,
        RESAMPLING,
        ONSETS,
        COMPANY,
        COLOUR,
        PITCH,
        BEAT,
        DYNAMICS,
        SATURATION,
        ECHO,
        REVERB,
        MODULATION,
        WIDTH
    }

    /** The question of this run. */
    @Param
    public Question question = Question.WHOLE;

    private Sound sound = Sound.mono(new float[]{0}, Sound.WORKING_RATE_HZ);
    private Sound half = sound;
    private Sound low = sound;

    /** A riff, its right side a little later and quieter. */
    @Setup
    public void play() {
        float[] left = Takes.known(Takes.Style.RIFF, 4, LENGTH_S).sound().channel(0);
        float[] right = new float[left.length];
        for (int i = 37; i < left.length; i++) right[i] = 0.9f * left[i - 37];
        sound = Sound.stereo(left, right, Sound.WORKING_RATE_HZ);
        half = Resampler.quick(sound.rateHz(), BandLevels.RATE_HZ).resample(sound);
        low = Resampler.quick(sound.rateHz(), ReverbEstimator.RATE_HZ)
                .resample(Sound.mono(sound.mid(), sound.rateHz()));
    }

    /** What the estimator answers. */
    @Benchmark
    public Object ask() {
        return switch (question) {
            case WHOLE -> Examination.of(sound, Progress.NONE);
            case LEVEL -> LevelEstimator.estimate(sound);
            case NOISE -> NoiseEstimator.estimate(sound);
            case HUM -> HumEstimator.estimate(sound);
            case RESAMPLING -> Resampler.quick(sound.rateHz(), BandLevels.RATE_HZ).resample(sound);
            case ONSETS -> OnsetCurve.of(half);
            case COMPANY -> CompanyEstimator.of(half);
            case COLOUR -> SpectrumEstimator.estimate(sound, NoiseEstimator.estimate(sound));
            case PITCH -> TuningEstimator.estimate(half);
            case BEAT -> TempoEstimator.estimate(half, OnsetCurve.of(half));
            case DYNAMICS -> DynamicsEstimator.estimate(sound, OnsetCurve.of(half));
            case SATURATION -> SaturationEstimator.estimate(half);
            case ECHO -> EchoEstimator.estimate(half);
            case REVERB -> ReverbEstimator.estimate(low);
            case MODULATION ->
                ModulationEstimator.estimate(half, TempoEstimator.estimate(half, OnsetCurve.of(half)));
            case WIDTH -> StereoEstimator.estimate(sound);
        };
    }
}
