package verisonus.core.evidence.gear;

/**
 * A loudspeaker's fall.
 *
 * @param fallDbPerOctave how steep at the steepest, positive
 * @param cornerHz where the highs have left the middle by 10 dB
 */
public record CabinetReading(double fallDbPerOctave, double cornerHz) {}
