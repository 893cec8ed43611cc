package verisonus.core.evidence;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * All that was found in one region of one recording.
 *
 * @param durationS length of the region
 * @param excerpt the part of it that the closer questions were asked of
 */
public record Evidence(double durationS, Excerpt excerpt, int channels, LevelReading level, NoiseReading noise,
        Finding<HumReading> hum,
        SpectrumReading spectrum, Finding<TuningReading> tuning, Finding<TempoReading> tempo, DynamicsReading dynamics,
        Finding<SaturationReading> saturation, Finding<EchoReading> echo, Finding<ReverbReading> reverb,
        Finding<ModulationReading> modulation,
        StereoReading stereo, Circumstances circumstances) {
    /** The same with what is known better. */
    Evidence with(Finding<EchoReading> newEcho, Finding<ReverbReading> newReverb,
            Finding<ModulationReading> newModulation, Finding<SaturationReading> newSaturation) {
        return new Evidence(durationS, excerpt, channels, level, noise, hum, spectrum, tuning, tempo, dynamics,
                newSaturation,
                newEcho, newReverb, newModulation, stereo, circumstances);
    }

    /** The same with what a player has corrected or set aside put in place of what was found. */
    public Evidence corrected(List<Correction> corrections) {
        Finding<SaturationReading> dirt = saturation;
        Finding<TempoReading> pulse = tempo;
        Finding<TuningReading> pitch = tuning;
        Finding<EchoReading> repeats = echo;
        Finding<ReverbReading> space = reverb;
        Finding<ModulationReading> movement = modulation;
        for (Correction c : corrections) {
            switch (c.topic()) {
                case ECHO -> repeats = c.apply(repeats, (old, v) -> old.map(e -> e.at(v)));
                case SPACE -> space = c.apply(space, (old, v) -> Optional.of(old
                        .map(r -> new ReverbReading(v, r.preDelayMs(), r.levelDb()))
                        .orElse(new ReverbReading(v, OptionalDouble.empty(), OptionalDouble.empty()))));
                case MOVEMENT -> movement = c.apply(movement, (old, v) -> old
                        .map(m -> new ModulationReading(m.kind(), OptionalDouble.of(v), m.depthPercent())));
                case DIRT -> dirt = c.apply(dirt, (_, v) -> Optional.of(SaturationReading.ofIndex(v)));
                case PITCH -> pitch = c.apply(pitch, (_, v) -> Optional.of(new TuningReading(v)));
                case PULSE ->
                    pulse = c.apply(pulse, (_, v) -> Optional.of(new TempoReading(v, v > 105 ? v / 2 : 2 * v)));
            }
        }
        return new Evidence(durationS, excerpt, channels, level, noise, hum, spectrum, pitch, pulse, dynamics, dirt,
                repeats,
                space, movement, stereo, circumstances);
    }
}
