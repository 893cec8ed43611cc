package verisonus.desktop.record;

import java.util.ServiceLoader;
import verisonus.core.sound.Sound;

/** Plays where no input was found. The program brings one along as a service; without one there is silence. */
public interface Guitarist {
    /** The phrase of a case, or one of their own; each take is another performance. */
    Sound play(String caseName, int take);

    static Guitarist found() {
        return ServiceLoader.load(Guitarist.class).findFirst()
                .orElse((_, _) -> Sound.mono(new float[Sound.WORKING_RATE_HZ], Sound.WORKING_RATE_HZ));
    }
}
