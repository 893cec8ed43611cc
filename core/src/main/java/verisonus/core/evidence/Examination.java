package verisonus.core.evidence;

import java.util.concurrent.Callable;
import java.util.concurrent.Executor;
import java.util.concurrent.Future;
import java.util.concurrent.FutureTask;
import verisonus.core.evidence.dirt.SaturationEstimator;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.echo.EchoEstimator;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.level.DynamicsEstimator;
import verisonus.core.evidence.level.DynamicsReading;
import verisonus.core.evidence.level.HumEstimator;
import verisonus.core.evidence.level.HumReading;
import verisonus.core.evidence.level.LevelEstimator;
import verisonus.core.evidence.level.LevelReading;
import verisonus.core.evidence.level.NoiseEstimator;
import verisonus.core.evidence.level.NoiseReading;
import verisonus.core.evidence.level.SpectrumEstimator;
import verisonus.core.evidence.level.SpectrumReading;
import verisonus.core.evidence.level.StereoEstimator;
import verisonus.core.evidence.level.StereoReading;
import verisonus.core.evidence.movement.ModulationEstimator;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.movement.SideDelays;
import verisonus.core.evidence.notes.TempoEstimator;
import verisonus.core.evidence.notes.TempoReading;
import verisonus.core.evidence.notes.TuningEstimator;
import verisonus.core.evidence.notes.TuningReading;
import verisonus.core.evidence.signs.BandLevels;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.OnsetCurve;
import verisonus.core.evidence.space.ReverbEstimator;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.evidence.study.CompanyEstimator;
import verisonus.core.evidence.study.Excerpt;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Resampler;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/** Asks every question of one region. */
public final class Examination {
    /** Under this a region shows nothing worth a figure. */
    public static final double SHORTEST_S = 0.5;
    private static final double ALONE = 0.5;

    private Examination() {}

    /** How much is asked. */
    public enum Depth {
        /** Everything. */
        WHOLE,
        /** Everything but movement, for which a take will be asked. */
        STEADY,
        /** Level, colour, dynamics, dirt, echo and pitch of one's own tone: what a gap is made of. */
        TONE,
        /** The same without echo and pitch, which turning a control leaves as they are. */
        CONTROL
    }

    /** What can be examined. @throws InputFault where it is too short, silent, or a mere constant level */
    public static Sound usable(String name, Sound sound) {
        if (sound.durationS() < SHORTEST_S)
            throw new InputFault(name, Figures.of("it is too short (%.3f s)", sound.durationS()),
                    "use half a second or more");
        if (Decibels.fromAmplitude(sound.peak()) < Sound.SILENT_DBFS)
            throw new InputFault(name, "it is silent", "choose a recording or region in which the guitar plays");
        if (Decibels.fromAmplitude(sound.withoutOffset().peak()) < Sound.SILENT_DBFS)
            throw new InputFault(name, "it holds nothing but a constant level, which nobody hears",
                    "record it again; the converter or its file is at fault");
        return sound;
    }

    /** Examines a region of {@value #SHORTEST_S} s or more that is not silent; same sound, same evidence. */
    public static Evidence of(Sound whole, Progress progress) {
        return of(whole, Depth.WHOLE, Runnable::run, progress);
    }

    /** @param beside answers questions that do not need each other while others are answered here */
    public static Evidence of(Sound whole, Executor beside, Progress progress) {
        return of(whole, Depth.WHOLE, beside, progress);
    }

    /** The same; what is not asked is left open. */
    public static Evidence of(Sound recorded, Depth depth, Progress progress) {
        return of(recorded, depth, Runnable::run, progress);
    }

    private static Evidence of(Sound recorded, Depth depth, Executor beside, Progress progress) {
        boolean control = depth == Depth.CONTROL;
        boolean tone = control || depth == Depth.TONE;
        progress.step(0.0, "measuring the level");
        LevelReading level = LevelEstimator.estimate(recorded);
        Sound whole = recorded.withoutOffset();
        NoiseReading noise = NoiseEstimator.estimate(whole);
        progress.step(0.2, "listening for hum");
        Future<Finding<HumReading>> hum = asked(beside, !tone, () -> HumEstimator.estimate(whole));
        Excerpt excerpt = Excerpt.of(whole);
        Sound sound = excerpt.cut(whole).withoutEmptySide();
        // Resampled once for all who ask: it costs more than most questions.
        Sound half = Resampler.quick(sound.rateHz(), BandLevels.RATE_HZ).resample(sound);
        Sound low = Resampler.quick(sound.rateHz(), ReverbEstimator.RATE_HZ)
                .resample(Sound.mono(sound.mid(), sound.rateHz()));
        Future<Finding<EchoReading>> repeats = asked(beside, !control, () -> EchoEstimator.estimate(half));
        Future<Finding<ReverbReading>> space = asked(beside, !tone, () -> ReverbEstimator.estimate(low));
        OnsetCurve onsets = OnsetCurve.of(half);
        CompanyEstimator.Company company = tone ? CompanyEstimator.alone() : CompanyEstimator.of(half);
        SpectrumReading spectrum = SpectrumEstimator.estimate(sound, noise).within(company);
        progress.step(0.4, "reading the pitch");
        Finding<TuningReading> tuning = control ? notAsked() : TuningEstimator.estimate(half);
        progress.step(0.5, "counting the beat");
        Finding<TempoReading> tempo = tone ? notAsked() : TempoEstimator.estimate(half, onsets);
        Future<Finding<ModulationReading>> movement = asked(beside, depth == Depth.WHOLE,
                () -> movement(half, tempo, company));
        DynamicsReading dynamics = DynamicsEstimator.estimate(sound, onsets);
        progress.step(0.6, "judging how driven it is");
        Finding<SaturationReading> saturation = SaturationEstimator.estimate(half);
        StereoReading stereo = StereoEstimator.estimate(sound);
        progress.step(0.7, "looking for repeats");
        Finding<EchoReading> echo = Parallel.result(repeats);
        progress.step(0.85, "listening for a space");
        Finding<ReverbReading> reverb = echo.isPresent()
                ? Finding.unknown("its repeats hide whether a space rings behind them")
                : Parallel.result(space);
        progress.step(0.9, "watching for movement");
        Finding<ModulationReading> modulation = Parallel.result(movement);
        progress.step(0.95, "asking how it was taken");
        Circumstances circumstances = Circumstances.of(half, low, onsets, company, spectrum, saturation, reverb, echo,
                dynamics, tempo, stereo);
        progress.step(1.0, "measured");
        return new Evidence(whole.durationS(), excerpt, whole.channels().length, level, noise, Parallel.result(hum),
                spectrum, tuning,
                tempo, dynamics, saturation, echo, reverb, modulation, stereo, circumstances);
    }

    /** What sways in the middle, and between the sides where nobody else can be there. */
    private static Finding<ModulationReading> movement(Sound sound, Finding<TempoReading> tempo,
            CompanyEstimator.Company company) {
        Finding<ModulationReading> middle = ModulationEstimator.estimate(sound, tempo);
        return company.probability() < ALONE ? SideDelays.beside(middle, sound) : middle;
    }

    /** A question that needs no other's answer; open where it is not wanted. */
    private static <T> Future<Finding<T>> asked(Executor beside, boolean wanted, Callable<Finding<T>> question) {
        FutureTask<Finding<T>> task = new FutureTask<>(wanted ? question : Examination::notAsked);
        beside.execute(task);
        return task;
    }

    private static <T> Finding<T> notAsked() {
        return Finding.unknown("it was not asked here");
    }
}
