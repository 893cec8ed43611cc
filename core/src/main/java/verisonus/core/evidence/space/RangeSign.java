package verisonus.core.evidence.space;

/** How far the loudest octave's level comes down in the recording, dB, in the order in which the weights were trained. */
public enum RangeSign {
    /** From what is passed a twentieth of the time to what is passed nearly always. */
    WHOLE,
    /** To what is passed seven tenths of the time. */
    UPPER
}
