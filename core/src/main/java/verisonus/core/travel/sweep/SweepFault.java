package verisonus.core.travel.sweep;

/** What makes a recording of the sweep unusable, and what to do about it. */
public enum SweepFault {
    SILENT("it is silent", "check that the microphone is the input and turn it up"),
    TOO_SHORT("it is shorter than the sweep", "start the recording before the sweep and end it after"),
    BEGINS_LATE("the sweep's beginning is missing", "start the recording before the sweep and end it after"),
    LEVEL_CONTROL("its level was changed while it was recorded",
            "switch automatic level control, noise suppression and limiters off, on the input and on the way out"),
    DROPPED_OUT("the sound dropped out for a moment", "close other programs, use a longer buffer and record again"),
    CLIPPED("it is clipped", "turn the input down and record again"),
    OTHER_SWEEP("it does not hold this sweep", "play the signal that this program wrote, whole and at its own speed"),
    NOISY("the sweep does not stand out from the noise", "play louder, go nearer, or make the room quieter"),
    CLOCK_DRIFT("input and output ran at different speeds", "use one sound card for both, at the same rate"),
    DISAGREE("the runs disagree", "keep microphone and loudspeaker where they are and run again");

    private final String words;
    private final String remedy;

    SweepFault(String words, String remedy) {
        this.words = words;
        this.remedy = remedy;
    }

    public String words() {
        return words;
    }

    public String remedy() {
        return remedy;
    }
}
