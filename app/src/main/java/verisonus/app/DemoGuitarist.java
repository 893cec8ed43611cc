package verisonus.app;

import verisonus.core.sound.Sound;
import verisonus.desktop.record.Guitarist;

/** The demo's string model as the guitarist who plays where there is no input. */
public final class DemoGuitarist implements Guitarist {
    @Override
    public Sound play(String caseName, int take) {
        return verisonus.demo.Guitarist.play(caseName, take);
    }
}
