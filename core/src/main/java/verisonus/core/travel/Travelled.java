package verisonus.core.travel;

import java.util.List;

/**
 * A tone on one playback system.
 *
 * @param loudnessChangeDb how much louder the system makes the tone before loudness is matched
 * @param findings what becomes of the tone, most audible first
 * @param advice what to turn, in the same order
 * @param changeDb size of the whole change: RMS over the bands in which the tone has something
 */
public record Travelled(PlaybackSystem system, List<BandChange> bands, double loudnessChangeDb, List<String> findings,
        List<String> advice, double changeDb) {
    public Travelled {
        bands = List.copyOf(bands);
        findings = List.copyOf(findings);
        advice = List.copyOf(advice);
    }
}
