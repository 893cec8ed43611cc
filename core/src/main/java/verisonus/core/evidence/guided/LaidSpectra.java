package verisonus.core.evidence.guided;

import java.util.Arrays;
import verisonus.core.evidence.signs.HarmonicPart;
import verisonus.core.sound.Sound;

/**
 * A recording and the take that is laid under it, as powers by frame and bin at {@value #RATE_HZ} Hz: what the readings and the mask are
 * made of. The recording's mean power is one.
 *
 * @param sound the recording at that rate
 * @param power mean of the sides
 * @param ring share of what rings rather than strikes
 * @param place how near a cell stands to where the guitar stands; one everywhere for a guitar in the middle
 * @param aside whether the guitar stands off the middle
 * @param guides {@link TakeGuides}
 */
record LaidSpectra(Sound sound, float[][] power, float[][] ring, float[][] place, boolean aside,
        float[][][] guides) {
    static final int RATE_HZ = 22050;
    private static final double SILENT = 1e-18;
    private static final float FLOOR = 1e-7f;
    /** What stands elsewhere is not taken out wholly: next to nothing cannot be explained by anybody. */
    private static final float LEAST = 0.003f;

    static HarmonicPart frames() {
        return new HarmonicPart(RATE_HZ);
    }

    /** Of the part of a recording in which the take plays, so much as tells the colour; its first frame stands at {@code fromS}. */
    record Part(LaidSpectra laid, double fromS) {
        private static final double LONGEST_S = 40;

        static Part of(Sound recording, Sound take) {
            TakeSpan span = TakeSpan.of(take, recording.durationS()).atMost(LONGEST_S);
            return new Part(LaidSpectra.of(recording.slice(span.fromS(), span.toS()),
                    take.slice(span.fromS(), span.toS())), span.fromS());
        }
    }

    /** @param take in time with the recording, any rate; shorter or longer is cut or padded */
    static LaidSpectra of(Sound recording, Sound take) {
        Sound s = recording.atRate(RATE_HZ);
        HarmonicPart part = frames();
        float[][] left = part.powers(s.channel(0));
        float[][] right = s.isStereo() ? part.powers(s.channel(1)) : left;
        float[] dry = Arrays.copyOf(take.atRate(RATE_HZ).mid(), s.frames());
        float[][] power = new float[left.length][left[0].length];
        double mean = 0;
        for (int t = 0; t < power.length; t++) {
            for (int k = 0; k < power[t].length; k++) {
                power[t][k] = 0.5f * (left[t][k] + right[t][k]);
                mean += power[t][k] / ((double) power.length * power[t].length);
            }
        }
        float by = mean < SILENT ? 0 : (float) (1 / mean);
        for (float[] row : power) for (int k = 0; k < row.length; k++) row[k] = row[k] * by + FLOOR;
        GuitarPlace place = s.isStereo() ? GuitarPlace.find(left, right, part.powers(dry)) : GuitarPlace.MIDDLE;
        return new LaidSpectra(s, power, part.mask(s.mid()), place.nearness(left, right), place.isAside(),
                TakeGuides.of(part, dry));
    }

    /** Whether there is nothing to hear. */
    boolean isSilent() { return sound.rms() * sound.rms() < SILENT; }

    /** Power of what stands where the guitar stands. */
    float[][] placed() {
        float[][] out = new float[power.length][power[0].length];
        for (int t = 0; t < out.length; t++)
            for (int k = 0; k < out[t].length; k++) out[t][k] = power[t][k] * Math.max(LEAST, place[t][k]);
        return out;
    }
}
