package verisonus.core.evidence.level;

import java.util.OptionalDouble;

/**
 * How loud a recording is.
 *
 * @param integratedLufs gated loudness (BS.1770); absent below the gate or under 0.4 s
 * @param loudnessRangeLu range (Tech 3342); absent under 3 s
 * @param truePeakDbtp largest value, between samples too
 * @param samplePeakDbfs largest sample
 * @param crestFactorDb sample peak against RMS
 * @param clippedSamples samples in runs of three or more at the largest value, near full scale
 */
public record LevelReading(OptionalDouble integratedLufs, OptionalDouble loudnessRangeLu, double truePeakDbtp,
        double samplePeakDbfs, double crestFactorDb, int clippedSamples) {}
