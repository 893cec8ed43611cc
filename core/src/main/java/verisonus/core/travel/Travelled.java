package verisonus.core.travel;

import java.util.List;
import verisonus.core.travel.system.PlaybackSystem;

/**
 * A tone on one playback system.
 *
 * @param bands how each named band changes
 * @param thirdsDb how each third octave from 25 Hz to 12.5 kHz changes, loudness matched
 * @param heardDb spectrum of mine at the ear, by the same third octaves, dB under the strongest
 * @param referenceHeardDb the same of the record at the same loudness; empty where there is none
 * @param loudnessChangeDb how much louder the system makes the tone before loudness is matched
 * @param spreadChangeDb how much further loud and soft moments lie apart; below 0: the system holds back
 * @param mono what the sum of both channels takes, on one loudspeaker
 * @param gaps what differs from the record, where there is one
 * @param details what becomes of the tone, most audible first
 * @param advice what to turn, in the same order
 * @param changeDb size of the whole change: RMS over the bands in which the tone has something
 */
public record Travelled(PlaybackSystem system, List<BandChange> bands, List<Double> thirdsDb, List<Double> heardDb,
        List<Double> referenceHeardDb, double loudnessChangeDb, double spreadChangeDb, List<MonoLoss> mono,
        List<GapHeard> gaps, List<TravelFinding> details,
        List<String> advice, double changeDb) {
    public Travelled {
        bands = List.copyOf(bands);
        thirdsDb = List.copyOf(thirdsDb);
        heardDb = List.copyOf(heardDb);
        referenceHeardDb = List.copyOf(referenceHeardDb);
        mono = List.copyOf(mono);
        gaps = List.copyOf(gaps);
        details = List.copyOf(details);
        advice = List.copyOf(advice);
    }

    /** The same in sentences. */
    public List<String> findings() {
        return details.isEmpty()
                ? List.of("the tone stays as it was made")
                : details.stream().map(TravelFinding::sentence).toList();
    }

    public BandChange band(NamedBand band) {
        return bands.get(band.ordinal());
    }
}
