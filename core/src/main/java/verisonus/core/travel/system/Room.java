package verisonus.core.travel.system;

/**
 * Where a loudspeaker stands: what comes from the walls, against what comes straight.
 *
 * @param distanceM from the loudspeaker to the listener
 * @param decayS time in which the room's sound falls by 60 dB
 * @param directToRoomDb energy of the straight sound against all that follows
 */
public record Room(double distanceM, double decayS, double directToRoomDb) {
    public Room {
        if (!(distanceM > 0 && decayS > 0 && decayS < 20 && Double.isFinite(directToRoomDb)))
            throw new IllegalArgumentException(distanceM + " m, " + decayS + " s, " + directToRoomDb + " dB");
    }
}
