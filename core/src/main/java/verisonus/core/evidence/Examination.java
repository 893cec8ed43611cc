package verisonus.core.evidence;

import verisonus.core.fault.Progress;
import verisonus.core.sound.Sound;

/** Asks every question of one region. */
public final class Examination {
    /** Under this a region shows nothing worth a figure. */
    public static final double SHORTEST_S = 0.5;
    /** Below this peak a region counts as silent, dBFS. */
    public static final double SILENT_DBFS = -80;

    private Examination() {}

    /** Examines a region of {@value #SHORTEST_S} s or more that is not silent; same sound, same evidence. */
    public static Evidence of(Sound sound, Progress progress) {
        progress.step(0.0, "measuring the level");
        LevelReading level = LevelEstimator.estimate(sound);
        NoiseReading noise = NoiseEstimator.estimate(sound);
        progress.step(0.2, "listening for hum");
        Finding<HumReading> hum = HumEstimator.estimate(sound);
        SpectrumReading spectrum = SpectrumEstimator.estimate(sound, noise);
        progress.step(0.4, "reading the pitch");
        Finding<TuningReading> tuning = TuningEstimator.estimate(sound);
        progress.step(0.5, "counting the beat");
        Finding<TempoReading> tempo = TempoEstimator.estimate(sound);
        DynamicsReading dynamics = DynamicsEstimator.estimate(sound);
        progress.step(0.6, "judging how driven it is");
        Finding<SaturationReading> saturation = SaturationEstimator.estimate(sound);
        progress.step(0.7, "looking for repeats");
        Finding<EchoReading> echo = EchoEstimator.estimate(sound);
        progress.step(0.85, "listening for a space");
        Finding<ReverbReading> reverb = ReverbEstimator.estimate(sound);
        if (echo.isPresent() && reverb.isPresent()) {
            reverb = Finding.unknown("its repeats hide whether a space rings behind them");
        }
        progress.step(0.9, "watching for movement");
        Finding<ModulationReading> modulation = ModulationEstimator.estimate(sound);
        StereoReading stereo = StereoEstimator.estimate(sound);
        progress.step(1.0, "measured");
        return new Evidence(sound.durationS(), sound.channels().length, level, noise, hum, spectrum, tuning, tempo,
                dynamics, saturation, echo, reverb, modulation, stereo);
    }
}
