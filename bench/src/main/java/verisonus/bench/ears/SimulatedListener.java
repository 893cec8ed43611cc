package verisonus.bench.ears;

import java.util.Random;

/**
 * A listener with a known step: of two sounds that differ by a size, the one with more is told with probability 0.5 + 0.5·(1 −
 * exp(−(size/scale)^2.2)), which is three of four at the step. Another law than the searches assume.
 */
final class SimulatedListener {
    private static final double SHAPE = 2.2;
    private static final double SLIP = 0.01;

    private final double step;
    private final Random random;

    SimulatedListener(double step, Random random) {
        this.step = step;
        this.random = random;
    }

    boolean tells(double size) {
        double scale = step / Math.pow(Math.log(2), 1 / SHAPE);
        double p = 0.5 + 0.5 * (1 - Math.exp(-Math.pow(size / scale, SHAPE)));
        return random.nextDouble() < (random.nextDouble() < SLIP ? 0.5 : p);
    }
}
