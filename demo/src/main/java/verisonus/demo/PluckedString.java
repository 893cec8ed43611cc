package verisonus.demo;

import java.util.SplittableRandom;

/**
 * One string as a digital waveguide: a delay loop with loss and damping of the highs, plucked by a short push of the pick
 * that is combed by where it strikes (K. Karplus, A. Strong, "Digital synthesis of plucked-string and drum timbres", CMJ
 * 1983; extensions of D. A. Jaffe, J. O. Smith, CMJ 1983). Two loops a fraction of a cent apart stand for the two planes in
 * which a string swings. Listened to where the pickup stands.
 */
final class PluckedString {
    private static final double PICK_AT = 0.13;
    private static final double SPLIT_CENTS = 0.7;

    private final double rateHz;
    private final double pickupAt;
    private final Loop upright;
    private final Loop level;
    private double exciteLow;

    /** @param pickupAt place of the pickup as a share of the string, from the bridge */
    PluckedString(double rateHz, double pickupAt) {
        this.rateHz = rateHz;
        this.pickupAt = pickupAt;
        upright = new Loop(rateHz);
        level = new Loop(rateHz);
    }

    /** Picks the string: what still rings is damped by the pick's touch. */
    void pluck(double hz, double strength, boolean muted, SplittableRandom random) {
        double decayS = (muted ? 0.22 : 5.5 * Math.pow(82 / hz, 0.45));
        double damping = muted ? 0.55 : 0.10 + 0.10 * Math.min(1, hz / 600);
        upright.tune(hz, decayS, damping);
        level.tune(hz * Math.pow(2, SPLIT_CENTS / 1200), decayS * 1.6, damping);
        int n = (int) (rateHz / hz);
        float[] push = new float[n];
        int width = Math.max(4, (int) (rateHz * (0.0011 - 0.0006 * strength)));
        double cut = 0.25 + 0.65 * strength;
        exciteLow = 0;
        for (int i = 0; i < Math.min(n, width); i++) {
            double shape = Math.sin(Math.PI * (i + 0.5) / width);
            double grit = 0.12 * (random.nextDouble() - 0.5);
            exciteLow += cut * (strength * (shape + grit) - exciteLow);
            push[i] += (float) exciteLow;
        }
        int apart = (int) (PICK_AT * n);
        float[] combed = new float[n];
        for (int i = 0; i < n; i++) combed[i] = push[i] - (i >= apart ? push[i - apart] : 0);
        upright.excite(combed, 0.8f);
        level.excite(combed, 0.45f);
    }

    /** Stops the string with a finger. */
    void stop() {
        upright.decay(0.07);
        level.decay(0.07);
    }

    float next() {
        return upright.next(pickupAt) + level.next(pickupAt);
    }

    /** A delay line that feeds itself through a loss and a one-pole low-pass. */
    private static final class Loop {
        private final double rateHz;
        private final float[] line = new float[4096];
        private int at;
        private double period = 100;
        private double hz = 100;
        private double loss;
        private double damping;
        private double low;

        Loop(double rateHz) {
            this.rateHz = rateHz;
        }

        void tune(double newHz, double decayS, double newDamping) {
            hz = newHz;
            damping = newDamping;
            // The low-pass y += (1−d)(x−y) lags by d/(1−d) samples at low frequencies.
            period = rateHz / hz - damping / (1 - damping);
            decay(decayS);
        }

        void decay(double decayS) {
            loss = Math.pow(10, -3 / (hz * decayS));
        }

        void excite(float[] push, float gain) {
            for (int i = 0; i < line.length; i++) line[i] *= 0.25f;
            int n = Math.min(push.length, line.length / 2);
            for (int i = 0; i < n; i++) line[Math.floorMod(at - n + i, line.length)] += gain * push[i];
        }

        float next(double pickupAt) {
            double back = read(period);
            low += (1 - damping) * (back - low);
            double y = loss * low;
            if (Math.abs(y) < 1e-15) y = 0;
            line[at] = (float) y;
            at = (at + 1) % line.length;
            return (float) (y - read(1 + pickupAt * period));
        }

        /** The sample this far back, by third-order Lagrange interpolation. */
        private double read(double back) {
            double pos = at - back;
            int i = (int) Math.floor(pos);
            double u = pos - i;
            double a = line[Math.floorMod(i - 1, line.length)];
            double b = line[Math.floorMod(i, line.length)];
            double c = line[Math.floorMod(i + 1, line.length)];
            double d = line[Math.floorMod(i + 2, line.length)];
            double c1 = c - a / 3 - b / 2 - d / 6;
            double c2 = (a + c) / 2 - b;
            double c3 = (d - a) / 6 + (b - c) / 2;
            return ((c3 * u + c2) * u + c1) * u + b;
        }
    }
}
