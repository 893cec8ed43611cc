package verisonus.core.travel.system;

import java.util.Arrays;
import java.util.SplittableRandom;
import verisonus.core.sound.RealFft;

/**
 * How a room answers, one response an ear: the straight sound, six reflections from the nearest surfaces (J. B. Allen, D. A.
 * Berkley, "Image method for efficiently simulating small-room acoustics", 1979, first order) and a tail of noise that decays
 * exponentially (J. A. Moorer, "About this reverberation business", 1979), unlike at the two ears. Same room, same response.
 */
final class RoomResponse {
    private static final double SOUND_M_PER_S = 343;
    /** Share of the room's energy that the first reflections carry. */
    private static final double EARLY_SHARE = 0.4;
    private static final double EAR_M = 0.09;

    private RoomResponse() {}

    /** Both ears at a rate; the time that the straight sound needs is taken out. */
    static float[][] of(Room room, int rateHz) {
        int length = Math.max(64, (int) (Math.min(1.2 * room.decayS(), 2.5) * rateHz));
        double[][] h = {new double[length], new double[length]};
        double energy = Math.pow(10, -room.directToRoomDb() / 10);
        double width = Math.clamp(9 * room.decayS(), 1.3, 12);
        for (int ear = 0; ear < 2; ear++) early(h[ear], room, width, ear == 0 ? -EAR_M : EAR_M, rateHz);
        scale(h, energy * EARLY_SHARE);
        double[][] tail = {new double[length], new double[length]};
        SplittableRandom random = new SplittableRandom(Double.doubleToLongBits(room.decayS()) ^ 7);
        int from = (int) (0.35 * width / SOUND_M_PER_S * rateHz);
        double lag = 0;
        for (int ear = 0; ear < 2; ear++) {
            for (int i = from; i < length; i++) {
                double t = (double) i / rateHz;
                // Air and walls take the highs first.
                double pole = Math.min(0.75, 0.25 + t / room.decayS() * 0.5);
                lag += (1 - pole) * (random.nextDouble() + random.nextDouble() + random.nextDouble() - 1.5 - lag);
                tail[ear][i] = lag * Math.pow(10, -3 * t / room.decayS());
            }
        }
        scale(tail, energy * (1 - EARLY_SHARE));
        float[][] out = new float[2][length];
        for (int ear = 0; ear < 2; ear++) {
            for (int i = 0; i < length; i++) out[ear][i] = (float) (h[ear][i] + tail[ear][i]);
            out[ear][0] += 1;
        }
        return out;
    }

    private static void early(double[] h, Room room, double width, double earM, int rateHz) {
        double d = room.distanceM();
        double[][] images = {{d, 2.2, 0}, {d, 2.6, 0}, {d, 0, width}, {d, 0, -1.1 * width}, {d + 0.7 * width, 0, 0},
                {d + 0.9 * width, 0.3, 0}};
        double direct = Math.hypot(d, earM);
        for (double[] image : images) {
            double path = Math.sqrt(image[0] * image[0] + image[1] * image[1] + (image[2] - earM) * (image[2] - earM));
            double at = Math.max(1, (path - direct) / SOUND_M_PER_S * rateHz);
            int i = (int) at;
            if (i + 1 >= h.length) continue;
            double gain = direct / path;
            h[i] += gain * (1 - (at - i));
            h[i + 1] += gain * (at - i);
        }
    }

    private static void scale(double[][] h, double energy) {
        double sum = 0;
        for (double[] ear : h) for (double v : ear) sum += v * v;
        if (sum <= 0) return;
        double g = Math.sqrt(2 * energy / sum);
        for (double[] ear : h) for (int i = 0; i < ear.length; i++) ear[i] *= g;
    }

    /** Power of the answer by bin, mean of the two ears; {@code 2·(length − 1)} bins at the rate. */
    static double[] power(float[][] response, int rateHz) {
        int size = RealFft.sizeFor(Math.max(response[0].length, rateHz / 2));
        RealFft fft = new RealFft(size);
        double[] out = new double[size / 2 + 1];
        float[] power = new float[out.length];
        for (float[] ear : response) {
            float[] padded = Arrays.copyOf(ear, size);
            fft.forward(padded);
            fft.power(padded, power);
            for (int k = 0; k < out.length; k++) out[k] += power[k] / 2;
        }
        return out;
    }
}
