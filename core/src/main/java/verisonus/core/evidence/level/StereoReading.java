package verisonus.core.evidence.level;

/**
 * How wide a recording is.
 *
 * @param correlation of left and right at the best offset, −1 to 1; mono is 1
 * @param sideToMidDb level of the side against the mid; mono is −90
 * @param offsetMs how much later the right channel is than the left
 */
public record StereoReading(double correlation, double sideToMidDb, double offsetMs) {}
