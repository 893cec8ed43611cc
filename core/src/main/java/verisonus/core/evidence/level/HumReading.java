package verisonus.core.evidence.level;

/**
 * Mains hum.
 *
 * @param frequencyHz the mains frequency, 50 or 60
 * @param levelDbfs RMS of all its harmonics together against 1.0
 */
public record HumReading(double frequencyHz, double levelDbfs) {}
