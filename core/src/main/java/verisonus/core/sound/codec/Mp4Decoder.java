package verisonus.core.sound.codec;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;

/** The sound of an MP4 or M4A file: its first track of AAC; pictures are passed over. */
final class Mp4Decoder {
    private final AudioBytes bytes;

    Mp4Decoder(AudioBytes bytes) {
        this.bytes = bytes;
    }

    DecodedSound decode() throws IOException {
        List<Mp4Track> tracks = new Mp4Boxes(bytes).tracks();
        Mp4Track track = tracks.stream().filter(t -> t.config().length > 0).findFirst().orElseThrow(() -> bytes.fault(
                tracks.isEmpty() ? "it holds no sound" : "its sound is of a kind that is not read"));
        AacFrames frames = new AacFrames(bytes, track.config());
        DecodingBudget budget = new DecodingBudget(bytes, 0);
        boolean cut = false;
        for (Mp4Track.Sample s : track.samples()) {
            if (budget.isSpent(frames.frames())) break;
            if (s.at() < 0 || s.length() < 1 || s.at() > bytes.data().length - s.length()) {
                cut = true;
                continue;
            }
            frames.add(Arrays.copyOfRange(bytes.data(), (int) s.at(), (int) s.at() + s.length()));
        }
        // Times are counted at the core's rate; doubled highs double it.
        double by = track.rateHz() > 0 ? (double) frames.rateHz() / track.rateHz() : 1;
        Shown shown = new Shown(Math.round(track.shown().from() * by), track.shown().frames() == Long.MAX_VALUE
                ? Long.MAX_VALUE
                : Math.round(track.shown().frames() * by));
        DecodedSound out = frames.decoded(shown);
        return cut ? out.warning("it ends early: the end of the recording is missing") : out;
    }
}
