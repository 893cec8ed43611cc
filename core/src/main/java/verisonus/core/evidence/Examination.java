package verisonus.core.evidence;

import verisonus.core.fault.Progress;
import verisonus.core.sound.Resampler;
import verisonus.core.sound.Sound;

/** Asks every question of one region. */
public final class Examination {
    /** Under this a region shows nothing worth a figure. */
    public static final double SHORTEST_S = 0.5;
    /** Below this peak a region counts as silent, dBFS. */
    public static final double SILENT_DBFS = -80;

    private Examination() {}

    /** Examines a region of {@value #SHORTEST_S} s or more that is not silent; same sound, same evidence. */
    public static Evidence of(Sound whole, Progress progress) {
        progress.step(0.0, "measuring the level");
        LevelReading level = LevelEstimator.estimate(whole);
        NoiseReading noise = NoiseEstimator.estimate(whole);
        progress.step(0.2, "listening for hum");
        Finding<HumReading> hum = HumEstimator.estimate(whole);
        Excerpt excerpt = Excerpt.of(whole);
        Sound sound = excerpt.cut(whole);
        // Resampled once for all who ask: it costs more than most questions.
        Sound half = Resampler.quick(sound.rateHz(), BandLevels.RATE_HZ).resample(sound);
        Sound low = Resampler.quick(sound.rateHz(), ReverbEstimator.RATE_HZ)
                .resample(Sound.mono(sound.mid(), sound.rateHz()));
        OnsetCurve onsets = OnsetCurve.of(half);
        CompanyEstimator.Company company = CompanyEstimator.of(half);
        SpectrumReading spectrum = SpectrumEstimator.estimate(sound, noise).within(company);
        progress.step(0.4, "reading the pitch");
        Finding<TuningReading> tuning = TuningEstimator.estimate(half);
        progress.step(0.5, "counting the beat");
        Finding<TempoReading> tempo = TempoEstimator.estimate(half, onsets);
        DynamicsReading dynamics = DynamicsEstimator.estimate(sound, onsets);
        progress.step(0.6, "judging how driven it is");
        Finding<SaturationReading> saturation = SaturationEstimator.estimate(half);
        progress.step(0.7, "looking for repeats");
        Finding<EchoReading> echo = EchoEstimator.estimate(half);
        progress.step(0.85, "listening for a space");
        Finding<ReverbReading> reverb = ReverbEstimator.estimate(low);
        if (echo.isPresent() && !reverb.isPresent()) {
            reverb = Finding.unknown("its repeats hide whether a space rings behind them");
        }
        progress.step(0.9, "watching for movement");
        Finding<ModulationReading> modulation = ModulationEstimator.estimate(half);
        StereoReading stereo = StereoEstimator.estimate(sound);
        progress.step(0.95, "asking how it was taken");
        Circumstances circumstances = Circumstances.of(half, low, onsets, company, spectrum, saturation, reverb, echo,
                dynamics,
                tempo, stereo);
        progress.step(1.0, "measured");
        return new Evidence(whole.durationS(), excerpt, whole.channels().length, level, noise, hum, spectrum, tuning,
                tempo,
                dynamics, saturation, echo, reverb, modulation, stereo, circumstances);
    }
}
