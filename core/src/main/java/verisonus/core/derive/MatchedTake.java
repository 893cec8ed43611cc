package verisonus.core.derive;

import verisonus.core.simulate.Renderer;
import verisonus.core.sound.Sound;

/**
 * A dry take laid under a reference.
 *
 * @param sound where it plays the same phrase as long as the reference and in time with it, else as it is
 * @param same whether it plays the same phrase
 */
public record MatchedTake(Sound sound, boolean same) {
    public static MatchedTake of(Sound reference, Sound di) {
        float[] wanted = reference.atRate(Renderer.RATE_HZ).mid();
        float[] x = di.atRate(Renderer.RATE_HZ).mid();
        Alignment a = Alignment.find(wanted, x, Renderer.RATE_HZ);
        boolean same = a.pairing() == Pairing.SAME_PHRASE;
        float[] laid = same ? Alignment.shifted(x, a.offsetSamples(), wanted.length) : x;
        return new MatchedTake(Sound.mono(laid, Renderer.RATE_HZ), same);
    }
}
