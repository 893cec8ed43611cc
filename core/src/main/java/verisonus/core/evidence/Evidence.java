package verisonus.core.evidence;

/** All that was found in one region of one recording. */
public record Evidence(double durationS, int channels, LevelReading level, NoiseReading noise, Finding<HumReading> hum,
        SpectrumReading spectrum, Finding<TuningReading> tuning, Finding<TempoReading> tempo, DynamicsReading dynamics,
        Finding<SaturationReading> saturation, Finding<EchoReading> echo, StereoReading stereo) {}
