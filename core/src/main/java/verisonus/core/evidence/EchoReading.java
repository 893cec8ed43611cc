package verisonus.core.evidence;

/**
 * An echo.
 *
 * @param timeMs from the sound to its first repeat
 * @param feedbackPercent amplitude of each repeat against the one before
 * @param levelDb first repeat against the direct sound (on the side it is heard on)
 * @param pingPong whether repeats change sides
 */
public record EchoReading(double timeMs, double feedbackPercent, double levelDb, boolean pingPong) {
    public EchoReading {
        if (!(timeMs > 0)) throw new IllegalArgumentException("echo time " + timeMs + " ms");
        if (!(feedbackPercent >= 0 && feedbackPercent <= 100)) {
            throw new IllegalArgumentException("feedback " + feedbackPercent + " %");
        }
    }
}
