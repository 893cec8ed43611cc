package verisonus.core.rig;

import java.util.List;
import java.util.stream.IntStream;

/**
 * How a model sounds, as a type: whoever builds sound switches over it without a default, so that a model that nobody simulates
 * does not compile.
 */
public sealed interface Voice {
    GearKind kind();

    /** The simulated voice: of what was learnt, the one that comes nearest; else this. */
    default Voice plain() {
        return this;
    }

    /** Sockets. */
    enum Input implements Voice {
        INSTRUMENT;

        @Override
        public GearKind kind() {
            return GearKind.INPUT;
        }
    }

    /** Guitars with the controls on them. */
    enum Guitar implements Voice {
        PASSIVE;

        @Override
        public GearKind kind() {
            return GearKind.GUITAR;
        }
    }

    /** What shuts between notes. */
    enum Gate implements Voice {
        NOISE;

        @Override
        public GearKind kind() {
            return GearKind.GATE;
        }
    }

    /** What holds loud notes back. */
    enum Compressor implements Voice {
        SOFT_KNEE,
        SLOW_OPTICAL;

        @Override
        public GearKind kind() {
            return GearKind.COMPRESSOR;
        }
    }

    /** Filters that sweep, and added octaves. */
    enum Filter implements Voice {
        PEDAL,
        ENVELOPE,
        OCTAVE;

        @Override
        public GearKind kind() {
            return GearKind.FILTER;
        }
    }

    /** What clips in front of an amp. */
    enum Drive implements Voice {
        CLEAN_BOOST,
        MID_HUMP,
        TRANSPARENT,
        HARD_CLIP,
        FUZZ;

        @Override
        public GearKind kind() {
            return GearKind.DRIVE;
        }
    }

    /** Amps. */
    enum Amp implements Voice {
        OPEN_CLEAN,
        CHIMING_EDGE,
        SMALL_COMBO,
        MID_FORWARD_CRUNCH,
        TIGHT_SATURATED;

        @Override
        public GearKind kind() {
            return GearKind.AMP;
        }

        /** The amp in whose way this sounds. @throws IllegalArgumentException where it is none */
        public static Amp of(Voice voice) {
            if (voice.plain() instanceof Amp amp) return amp;
            throw new IllegalArgumentException(voice + " is no amp");
        }
    }

    /**
     * A real amp or drive that was learnt: the one that comes nearest, and what is left between the two after the last clipper.
     *
     * @param base whose stages it is simulated with
     * @param afterDb gain by the third octaves of {@link #CENTRES_HZ}, dB
     */
    record Learnt(Voice base, List<Double> afterDb) implements Voice {
        /** Third octaves from 50 Hz to 12.5 kHz (IEC 61260-1). */
        public static final List<Double> CENTRES_HZ = IntStream.rangeClosed(-13, 11)
                .mapToObj(i -> 1000 * Math.pow(10, i / 10.0)).toList();

        public Learnt {
            if (!(base instanceof Amp || base instanceof Drive))
                throw new IllegalArgumentException(base + " keeps no curve of its own");
            if (afterDb.size() != CENTRES_HZ.size())
                throw new IllegalArgumentException(afterDb.size() + " third octaves instead of " + CENTRES_HZ.size());
            afterDb = List.copyOf(afterDb);
        }

        @Override
        public GearKind kind() {
            return base.kind();
        }

        @Override
        public Voice plain() {
            return base;
        }

        /** Straight lines over the logarithm of the frequency, level beyond the ends, dB. */
        public double afterDb(double hz) {
            double place = 10 * Math.log10(Math.max(hz, 1) / 1000) + 13;
            int below = Math.clamp((int) Math.floor(place), 0, afterDb.size() - 2);
            double share = Math.clamp(place - below, 0, 1);
            return afterDb.get(below) * (1 - share) + afterDb.get(below + 1) * share;
        }
    }

    /** Loudspeakers in a box, drawn as curves or measured. */
    enum Cabinet implements Voice {
        OPEN_1X8,
        OPEN_1X10,
        OPEN_1X12,
        OPEN_2X12,
        CLOSED_2X12,
        CLOSED_4X12,
        IMPULSE_RESPONSE;

        @Override
        public GearKind kind() {
            return GearKind.CABINET;
        }
    }

    /** What stands before the loudspeaker. */
    enum Microphone implements Voice {
        DYNAMIC,
        RIBBON,
        CONDENSER;

        @Override
        public GearKind kind() {
            return GearKind.MICROPHONE;
        }
    }

    /** Filters that stand still. */
    enum Equalizer implements Voice {
        PARAMETRIC,
        OCTAVE_GRAPHIC;

        @Override
        public GearKind kind() {
            return GearKind.EQUALIZER;
        }
    }

    /** Delays that sway. */
    enum MovingDelay implements Voice {
        CHORUS,
        WIDE_CHORUS,
        FLANGER,
        VIBRATO;

        @Override
        public GearKind kind() {
            return GearKind.MODULATION;
        }
    }

    /** Notches that sway. */
    enum Phaser implements Voice {
        FOUR_STAGE;

        @Override
        public GearKind kind() {
            return GearKind.MODULATION;
        }
    }

    /** Levels that sway. */
    enum Tremolo implements Voice {
        BIAS,
        OPTICAL,
        HARMONIC;

        @Override
        public GearKind kind() {
            return GearKind.MODULATION;
        }
    }

    /** Loudspeakers that turn. */
    enum Rotary implements Voice {
        HORN_AND_DRUM;

        @Override
        public GearKind kind() {
            return GearKind.MODULATION;
        }
    }

    /** Repeats. */
    enum Echo implements Voice {
        CLEAN,
        TAPE_LIKE,
        ANALOGUE_LIKE,
        MODULATED,
        DUAL;

        @Override
        public GearKind kind() {
            return GearKind.ECHO;
        }
    }

    /** Rooms and plates. */
    enum Space implements Voice {
        HALL,
        ROOM,
        PLATE,
        AMBIENCE;

        @Override
        public GearKind kind() {
            return GearKind.REVERB;
        }
    }

    /** Springs, which are no room. */
    enum Spring implements Voice {
        TWO_SPRINGS;

        @Override
        public GearKind kind() {
            return GearKind.REVERB;
        }
    }

    /** What plays on what it recorded. */
    enum Looper implements Voice {
        FIRST_STRETCH;

        @Override
        public GearKind kind() {
            return GearKind.LOOPER;
        }
    }

    /** Levels, places and second performances. */
    enum Utility implements Voice {
        VOLUME,
        DOUBLER;

        @Override
        public GearKind kind() {
            return GearKind.UTILITY;
        }
    }
}
