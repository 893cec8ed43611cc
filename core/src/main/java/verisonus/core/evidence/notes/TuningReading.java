package verisonus.core.evidence.notes;

/** @param offsetCents how far the tuning lies above (+) or below (−) A = 440 Hz, −50 to 50 */
public record TuningReading(double offsetCents) {}
