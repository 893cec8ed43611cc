package verisonus.core.evidence.movement;

import java.util.OptionalDouble;

/**
 * Something that moves the sound to and fro.
 *
 * @param kind what kind of movement
 * @param rateHz to and fro a second; absent where only the movement is certain
 * @param depthPercent for tremolo the gain swing (100: down to silence); absent where it cannot be read
 */
public record ModulationReading(ModulationKind kind, OptionalDouble rateHz, OptionalDouble depthPercent) {}
