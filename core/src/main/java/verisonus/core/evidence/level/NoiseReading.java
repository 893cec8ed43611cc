package verisonus.core.evidence.level;

/**
 * The noise under the playing.
 *
 * @param levelDbfs RMS against 1.0
 * @param binPower noise power by bin of the {@code fftSize} spectrum of {@link NoiseEstimator}
 * @param fftSize size of that spectrum
 */
public record NoiseReading(double levelDbfs, float[] binPower, int fftSize) {}
