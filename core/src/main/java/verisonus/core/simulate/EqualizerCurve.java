package verisonus.core.simulate;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Voice;
import verisonus.core.sound.Biquad;

/** The filters of an equalizer; one that is set flat is left out, so that neutral settings cost nothing. */
public final class EqualizerCurve {
    private static final double OCTAVE_Q = 1.41;

    private EqualizerCurve() {}

    public static List<Biquad> filters(Block eq, double rateHz) {
        if (eq.model().voice() == Voice.Equalizer.OCTAVE_GRAPHIC) return graphic(eq, rateHz);
        List<Biquad> out = new ArrayList<>();
        if (eq.get(ControlNames.LOW_CUT) > 20.01)
            out.add(Biquad.highPass(eq.get(ControlNames.LOW_CUT), 0.7071, rateHz));
        if (eq.get(ControlNames.LOW_SHELF) != 0)
            out.add(Biquad.lowShelf(eq.get(ControlNames.LOW_CORNER), eq.get(ControlNames.LOW_SHELF), rateHz));
        for (int p = 1; p <= 4; p++) {
            String peak = ControlNames.peak(p);
            if (eq.get(peak) != 0)
                out.add(Biquad.peak(eq.get(peak + " frequency"), eq.get(peak), eq.get(peak + " width"), rateHz));
        }
        if (eq.get(ControlNames.HIGH_SHELF) != 0)
            out.add(Biquad.highShelf(eq.get(ControlNames.HIGH_CORNER), eq.get(ControlNames.HIGH_SHELF), rateHz));
        if (eq.get(ControlNames.HIGH_CUT) < 19999)
            out.add(Biquad.lowPass(eq.get(ControlNames.HIGH_CUT), 0.7071, rateHz));
        return out;
    }

    private static List<Biquad> graphic(Block eq, double rateHz) {
        List<Biquad> out = new ArrayList<>();
        for (Control c : eq.model().controls()) {
            String[] words = c.name().split(" ", -1);
            if (words.length != 2 || eq.get(c.name()) == 0) continue;
            double hz = Double.parseDouble(words[0]) * (words[1].equals("kHz") ? 1000 : 1);
            out.add(Biquad.peak(hz, eq.get(c.name()), OCTAVE_Q, rateHz));
        }
        return out;
    }

    /** Gain at a frequency with the level control, dB. */
    public static double gainDb(Block eq, double hz, double rateHz) {
        double db = eq.get(ControlNames.LEVEL);
        for (Biquad f : filters(eq, rateHz)) db += f.gainDbAt(hz, rateHz);
        return db;
    }
}
