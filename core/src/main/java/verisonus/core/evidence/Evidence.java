package verisonus.core.evidence;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.level.DynamicsReading;
import verisonus.core.evidence.level.HumReading;
import verisonus.core.evidence.level.LevelControl;
import verisonus.core.evidence.level.LevelReading;
import verisonus.core.evidence.level.NoiseReading;
import verisonus.core.evidence.level.SpectrumReading;
import verisonus.core.evidence.level.StereoReading;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.notes.TempoReading;
import verisonus.core.evidence.notes.TuningReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.evidence.study.Excerpt;

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
    public Evidence with(Finding<EchoReading> newEcho, Finding<ReverbReading> newReverb,
            Finding<ModulationReading> newModulation, Finding<SaturationReading> newSaturation) {
        return new Evidence(durationS, excerpt, channels, level, noise, hum, spectrum, tuning, tempo, dynamics,
                newSaturation,
                newEcho, newReverb, newModulation, stereo, circumstances);
    }

    /**
     * What would be found after a share of the step from one examination to another, each figure taken as a straight line: colour,
     * crest factor, dynamics and dirt.
     */
    public Evidence shifted(Evidence to, Evidence from, double share) {
        LevelReading l = level;
        LevelReading newLevel = new LevelReading(l.integratedLufs(), l.loudnessRangeLu(), l.truePeakDbtp(),
                l.samplePeakDbfs(), l.crestFactorDb() + share * (to.level.crestFactorDb() - from.level.crestFactorDb()),
                l.clippedSamples());
        DynamicsReading moved = new DynamicsReading(
                dynamics.envelopeSpreadDb() + share * (to.dynamics.envelopeSpreadDb() - from.dynamics
                        .envelopeSpreadDb()),
                line(dynamics.attackMs(), to.dynamics.attackMs(), from.dynamics.attackMs(), share),
                line(dynamics.sustainDbPerS(), to.dynamics.sustainDbPerS(), from.dynamics.sustainDbPerS(), share));
        Finding<SaturationReading> dirt = saturation;
        if (dirt.isPresent() && to.saturation.isPresent() && from.saturation.isPresent()) {
            double drive = dirt.value().orElseThrow().driveDb()
                    + share * (to.saturation.value().orElseThrow().driveDb() - from.saturation.value().orElseThrow()
                            .driveDb());
            dirt = Finding.present(SaturationReading.ofDrive(drive), dirt.confidence(), dirt.reason());
        }
        return new Evidence(durationS, excerpt, channels, newLevel, noise, hum,
                spectrum.shifted(to.spectrum, from.spectrum, share), tuning, tempo, moved, dirt, echo, reverb,
                modulation, stereo, circumstances);
    }

    private static java.util.OptionalDouble line(java.util.OptionalDouble at, java.util.OptionalDouble to,
            java.util.OptionalDouble from, double share) {
        if (at.isEmpty() || to.isEmpty() || from.isEmpty()) return at;
        return java.util.OptionalDouble.of(at.getAsDouble() + share * (to.getAsDouble() - from.getAsDouble()));
    }

    /** The same with pitch, echo, space and movement of another examination, where this one did not ask. */
    public Evidence behind(Evidence asked) {
        return new Evidence(durationS, excerpt, channels, level, noise, hum, spectrum, asked.tuning, tempo, dynamics,
                saturation, asked.echo, asked.reverb, asked.modulation, stereo, circumstances);
    }

    /** The same with echo, space and movement as they were found otherwise. */
    public Evidence with(Finding<EchoReading> newEcho, Finding<ReverbReading> newReverb,
            Finding<ModulationReading> newModulation) {
        return with(newEcho, newReverb, newModulation, saturation);
    }

    /** The same with dirt as it was read otherwise. */
    public Evidence saturated(Finding<SaturationReading> found) {
        return with(echo, reverb, modulation, found);
    }

    /** The same with another echo. */
    public Evidence repeating(Finding<EchoReading> found) {
        return with(found, reverb, modulation, saturation);
    }

    /** The same behind a filter that is linear and steady. */
    public Evidence coloured(java.util.function.DoubleUnaryOperator gainDb) {
        return new Evidence(durationS, excerpt, channels, level, noise, hum, spectrum.coloured(gainDb), tuning, tempo,
                dynamics, saturation, echo, reverb, modulation, stereo, circumstances);
    }

    /** The same with colour as it was read otherwise. */
    public Evidence coloured(SpectrumReading read) {
        return new Evidence(durationS, excerpt, channels, level, noise, hum, read, tuning, tempo, dynamics, saturation,
                echo, reverb, modulation, stereo, circumstances);
    }

    /** The same with gate and compressor as they are known otherwise. */
    public Evidence controlled(LevelControl control) {
        return new Evidence(durationS, excerpt, channels, level, noise, hum, spectrum, tuning, tempo, dynamics,
                saturation,
                echo, reverb, modulation, stereo, circumstances.controlled(control));
    }

    /** The same with another space. */
    public Evidence spacious(Finding<ReverbReading> found) {
        return with(echo, found, modulation, saturation);
    }

    /** The same with movement asked for afterwards. */
    public Evidence moving(Finding<ModulationReading> found) {
        return with(echo, reverb, found, saturation);
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
