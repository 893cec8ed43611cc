package verisonus.core.evidence.study;

import verisonus.core.evidence.signs.HarmonicPart;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;

/** Ways to hear a guitar through what stands around it. Each keeps the length and rate of the sound. */
public enum Isolation {
    WHOLE("everything", "the recording as it is"),
    CENTRE("middle",
            "what left and right share: a guitar in the middle"),
    SIDE(
            "sides", "what left and right do not share: wide guitars and their effects"),
    LEFT("left",
            "the left channel alone: a guitar panned there"),
    RIGHT("right",
            "the right channel alone: a guitar panned there"),
    RINGING("ringing",
            "what rings, without what strikes: drums fade"),
    GUITAR_BAND("guitar band",
            "120 Hz to 5 kHz: without bass, kick and cymbals"),
    BY_TAKE("by your take",
            "what your take of the phrase says is the guitar's, by time, band and place");

    private final String words;
    private final String about;

    Isolation(String words, String about) {
        this.words = words;
        this.about = about;
    }

    public String words() {
        return words;
    }

    /** What is heard and what for, one line. */
    public String about() {
        return about;
    }

    /** Whether nothing but a take of the same phrase can say what is the guitar's. */
    public boolean isGuided() {
        return this == BY_TAKE;
    }

    /** Whether it can make a difference to a sound of this many channels. */
    public boolean suits(int channels) {
        return channels > 1 || isGuided() || this == WHOLE || this == RINGING || this == GUITAR_BAND;
    }

    /** The isolated sound; the whole for what does not suit it, and where a take would have to guide. */
    public Sound of(Sound sound) {
        if (!suits(sound.channels().length)) return sound;
        return switch (this) {
            case WHOLE, BY_TAKE -> sound;
            case CENTRE -> Sound.mono(sound.mid(), sound.rateHz());
            case SIDE -> Sound.mono(sound.side(), sound.rateHz());
            case LEFT -> Sound.mono(sound.channel(0), sound.rateHz());
            case RIGHT -> Sound.mono(sound.channel(1), sound.rateHz());
            case RINGING -> new HarmonicPart(sound.rateHz()).of(sound);
            case GUITAR_BAND -> band(sound);
        };
    }

    private static Sound band(Sound sound) {
        float[][] out = new float[sound.channels().length][];
        int rate = sound.rateHz();
        for (int c = 0; c < out.length; c++) {
            out[c] = sound.channel(c).clone();
            for (int i = 0; i < 2; i++) {
                new Biquad.Section(Biquad.highPass(120, 0.7071, rate)).process(out[c], 0, out[c].length);
                if (rate > 11_000) {
                    new Biquad.Section(Biquad.lowPass(5000, 0.7071, rate)).process(out[c], 0, out[c].length);
                }
            }
        }
        return new Sound(out, rate);
    }
}
