package verisonus.core.travel.sweep;

/** What makes a recording of the sweep unusable, and what to do about it. */
public enum SweepFault {
    SILENT("it is silent", "check that the microphone is the input and turn it up"),
    TOO_SHORT("it is shorter than the sweep", "start the recording before the sweep and end it after"),
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
