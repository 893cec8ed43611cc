package verisonus.demo;

import java.util.Arrays;
import verisonus.core.sound.Sound;

/** A guitarist to record where there is none: plays the phrase of a demo case, once more each time, or a riff of their own. */
public final class Guitarist {
    private static final double RIFF_S = 12;

    private Guitarist() {}

    /** @param caseName decides the phrase; @param take 0, 1, … each a performance of its own */
    public static Sound play(String caseName, int take) {
        return Arrays.stream(Recipe.values()).filter(r -> r.title().equals(caseName)).findFirst()
                .map(r -> r.take(take + 1)).orElseGet(() -> Takes.take(Takes.Style.RIFF, 90 + take, RIFF_S));
    }
}
