package verisonus.core.evidence.echo;

import java.util.Optional;

/**
 * An echo.
 *
 * @param timeMs from the sound to its first repeat
 * @param feedbackPercent amplitude of each repeat against the one before
 * @param levelDb first repeat against the direct sound (on the side it is heard on)
 * @param pingPong whether repeats change sides
 * @param character how the repeats differ from the sound
 * @param second another echo beside this one
 */
public record EchoReading(double timeMs, double feedbackPercent, double levelDb, boolean pingPong,
        Character character, Optional<EchoReading> second) {
    /**
     * How repeats differ from the sound.
     *
     * @param darkerDb how much weaker the first repeat is at 2 to 5 kHz than from 300 to 1200 Hz, dB; 0 or less: as bright
     * @param steady whether its time stands still; how far it sways otherwise is not read
     */
    public record Character(double darkerDb, boolean steady) {
        /** As bright and steady as the sound. */
        public static final Character PLAIN = new Character(0, true);
    }

    /** One plain echo. */
    public EchoReading(double timeMs, double feedbackPercent, double levelDb, boolean pingPong) {
        this(timeMs, feedbackPercent, levelDb, pingPong, Character.PLAIN, Optional.empty());
    }

    /** The same at another time. */
    public EchoReading at(double newTimeMs) {
        return new EchoReading(newTimeMs, feedbackPercent, levelDb, pingPong, character, second);
    }

    public EchoReading with(Character newCharacter, Optional<EchoReading> newSecond) {
        return new EchoReading(timeMs, feedbackPercent, levelDb, pingPong, newCharacter, newSecond);
    }

    public EchoReading {
        if (!(timeMs > 0)) throw new IllegalArgumentException("echo time " + timeMs + " ms");
        if (!(feedbackPercent >= 0 && feedbackPercent <= 100)) {
            throw new IllegalArgumentException("feedback " + feedbackPercent + " %");
        }
    }
}
