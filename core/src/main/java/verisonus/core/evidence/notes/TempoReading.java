package verisonus.core.evidence.notes;

/**
 * How fast it is played.
 *
 * @param bpm quarter notes a minute
 * @param alternativeBpm the other likely reading, half or double
 */
public record TempoReading(double bpm, double alternativeBpm) {}
