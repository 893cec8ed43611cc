package verisonus.core.evidence;

/** All that was found in one region of one recording. */
public record Evidence(double durationS, int channels, LevelReading level, NoiseReading noise, Finding<HumReading> hum,
        SpectrumReading spectrum, Finding<TuningReading> tuning, Finding<TempoReading> tempo, DynamicsReading dynamics,
        Finding<SaturationReading> saturation, Finding<EchoReading> echo, Finding<ReverbReading> reverb,
        Finding<ModulationReading> modulation,
        StereoReading stereo) {
    /** The same with an echo and a space that are known better. */
    Evidence with(Finding<EchoReading> newEcho, Finding<ReverbReading> newReverb) {
        return new Evidence(durationS, channels, level, noise, hum, spectrum, tuning, tempo, dynamics, saturation,
                newEcho,
                newReverb, modulation, stereo);
    }
}
