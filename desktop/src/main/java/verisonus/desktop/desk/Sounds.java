package verisonus.desktop.desk;

import java.util.Optional;
import verisonus.core.sound.Sound;

/**
 * The sound of the case on the desk, decoded.
 *
 * @param second another dry take, which a tone that doubles plays on the other side
 * @param mine the DI through the tone, as long as the DI
 * @param diStartS where on the reference's time axis the DI begins
 */
public record Sounds(Optional<Sound> reference, Optional<Sound> di, Optional<Sound> second, Optional<Sound> backing,
        Optional<Sound> mine, double diStartS) {
    static final Sounds NONE = new Sounds(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
            Optional.empty(), 0);

    Sounds withMine(Optional<Sound> newMine, double startS) {
        return new Sounds(reference, di, second, backing, newMine, startS);
    }

    public double lengthS() {
        double r = reference.map(Sound::durationS).orElse(0.0);
        return Math.max(r, di.map(d -> d.durationS() + diStartS).orElse(0.0));
    }
}
