package verisonus.core.rig;

import java.util.Arrays;
import java.util.List;

/** How a device's mix control divides dry and wet sound. */
public enum MixLaw {
    /** Dry at full up to half way, wet at full from there on: at 50 % both are at full. */
    HELD("dry held") {
        @Override
        double dryShare(double mix) {
            return Math.min(1, 2 * (1 - mix));
        }

        @Override
        double wetShare(double mix) {
            return Math.min(1, 2 * mix);
        }

        @Override
        double mixFor(double ratio) {
            return ratio <= 1 ? ratio / 2 : 1 - 1 / (2 * ratio);
        }
    },
    /** The two amplitudes always make 1: at 50 % each is 6 dB down. */
    EQUAL_GAIN("equal gain") {
        @Override
        double dryShare(double mix) {
            return 1 - mix;
        }

        @Override
        double wetShare(double mix) {
            return mix;
        }

        @Override
        double mixFor(double ratio) {
            return ratio / (1 + ratio);
        }
    },
    /** The two powers always make 1: at 50 % each is 3 dB down. */
    EQUAL_POWER("equal power") {
        @Override
        double dryShare(double mix) {
            return Math.cos(0.5 * Math.PI * mix);
        }

        @Override
        double wetShare(double mix) {
            return Math.sin(0.5 * Math.PI * mix);
        }

        @Override
        double mixFor(double ratio) {
            return Math.atan(ratio) / (0.5 * Math.PI);
        }
    };

    /** Name of the choice by which a block says which law its device has. */
    public static final String CONTROL = "mix law";

    private final String words;

    MixLaw(String words) {
        this.words = words;
    }

    abstract double dryShare(double mix);

    abstract double wetShare(double mix);

    abstract double mixFor(double ratio);

    public String words() {
        return words;
    }

    static List<String> allWords() {
        return Arrays.stream(values()).map(MixLaw::words).toList();
    }

    /** The law of a block's device; one that names none holds the dry sound. */
    public static MixLaw of(Block block) {
        return block.model().find(CONTROL).map(_ -> values()[(int) Math.round(block.get(CONTROL))]).orElse(HELD);
    }

    /** Amplitude of the dry sound at a mix of 0 to 100 %. */
    public double dry(double percent) {
        return dryShare(percent / 100);
    }

    /** Amplitude of the wet sound at a mix of 0 to 100 %. */
    public double wet(double percent) {
        return wetShare(percent / 100);
    }

    /** The mix, in percent, that puts the wet sound this many decibels against the dry, up to 0 dB. */
    public double percentFor(double wetDb) {
        return 100 * mixFor(Math.pow(10, Math.min(0, wetDb) / 20));
    }

    /** Level of the wet sound against the dry at a mix, dB. Inverse of {@link #percentFor}; −60 at least. */
    public double wetDb(double percent) {
        return 20 * Math.log10(Math.max(1e-3, wet(percent) / Math.max(1e-6, dry(percent))));
    }
}
