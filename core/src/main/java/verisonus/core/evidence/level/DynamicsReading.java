package verisonus.core.evidence.level;

import java.util.OptionalDouble;

/**
 * How the level moves.
 *
 * @param envelopeSpreadDb 10th to 95th percentile of the 50 ms level, within 60 dB of its top
 * @param attackMs median time from a tenth to nine tenths of a note's rise; absent without clear notes
 * @param sustainDbPerS median slope of the level between notes, negative where it falls; absent without clear notes
 */
public record DynamicsReading(double envelopeSpreadDb, OptionalDouble attackMs, OptionalDouble sustainDbPerS) {}
