package verisonus.core.evidence.gear;

import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.work.Figures;

/** Where along the way from string to room a track was taken. */
public enum TakenAt {
    PICKUPS,
    PREAMP,
    AMP_OUTPUT,
    CABINET,
    ROOM;

    public String words() {
        return switch (this) {
            case PICKUPS -> "straight from the pickups";
            case PREAMP -> "after a clean preamp";
            case AMP_OUTPUT -> "from an amp's output, before any speaker";
            case CABINET -> "after a speaker, near it";
            case ROOM -> "after a speaker, with a room around it";
        };
    }

    /** What cabinet, dirt and space say together; known within one step. */
    public static Finding<TakenAt> estimate(Finding<CabinetReading> cabinet, Finding<SaturationReading> dirt,
            Finding<ReverbReading> space) {
        double driven = dirt.value().map(SaturationReading::index).orElse(0.5);
        if (cabinet.presence() == Presence.UNKNOWN)
            return Finding.unknown("a speaker's fall is neither there nor missing");
        if (cabinet.isPresent()) {
            boolean room = space.isPresent() && space.value().orElseThrow().decayS() < 0.8;
            return Finding.present(room ? ROOM : CABINET,
                    Math.min(cabinet.confidence(), room ? space.confidence() : 0.8),
                    "the highs fall as a speaker makes them"
                            + (room ? ", and a short space rings behind" : ", and no short space rings behind"));
        }
        String why = Figures.of("no speaker's fall, dirt %.2f", driven);
        if (driven > 0.4) return Finding.present(AMP_OUTPUT, 0.7 * cabinet.confidence(), why);
        return Finding.present(driven < 0.2 ? PICKUPS : PREAMP, 0.7 * cabinet.confidence(), why);
    }
}
