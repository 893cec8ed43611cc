package verisonus.core.trial.blind;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.SplittableRandom;

/**
 * The order of a trial, drawn from a seed before the first answer. Its seal is known from the start and the seed at the end, so
 * that anybody can check that nothing was changed in between.
 *
 * @param seed what the order is drawn from; kept from the listener until the end
 */
public record SealedOrder(TrialForm form, int most, long seed) {
    /** SHA-256 of form, number and seed, as text "abx 16 4711". */
    public String seal() {
        try {
            byte[] text = (form.id() + " " + most + " " + seed).getBytes(StandardCharsets.UTF_8);
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(text));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Whether in this trial, counted from 0, X is the record, or the record stands first. */
    public boolean isRecord(int trial) {
        SplittableRandom random = new SplittableRandom(seed);
        boolean out = false;
        for (int i = 0; i <= trial; i++) out = random.nextBoolean();
        return out;
    }
}
