package verisonus.core.travel.system;

import java.util.List;
import java.util.Optional;

/**
 * A way of hearing a recording: its response at the listener's ear against a flat loudspeaker, what it does to loud passages,
 * the room round it. Those that ship are models of a kind of system, not of a product; a measured one takes their place where
 * the player has it.
 *
 * @param id short name for the command line
 * @param name in plain words
 * @param curve response at the ear, room included
 * @param loudspeakers 1: both channels come out of one; 2: side by side, or one at each ear
 * @param guitarCabinet whether it is itself a guitar cabinet, so that a simulated one before it is one too many
 * @param levelDbSpl how loud it is usually heard
 * @param notes the player's own
 */
public record PlaybackSystem(String id, String name, ResponseCurve curve, Optional<Protection> protection,
        Optional<Room> room, int loudspeakers, boolean guitarCabinet, double levelDbSpl, String notes) {
    /** Level at which a tone counts as made where nothing else is said, dB SPL. */
    public static final double WORKING_LEVEL_DB_SPL = 75;

    /** The six systems most guitar tones have to live on. */
    public static final List<PlaybackSystem> ALL = List.of(
            new PlaybackSystem("monitors", "near-field monitors",
                    ResponseCurve.of(45, -3, 70, 0, 110, 1.5, 220, 1, 450, 0, 1000, 0, 3000, 0, 9000, -0.5, 17000, -2),
                    Optional.empty(), Optional.of(new Room(1.2, 0.3, 6)), 2, false, 78, ""),
            new PlaybackSystem("headphones", "closed headphones",
                    ResponseCurve.of(20, 1, 60, 3.5, 120, 3, 300, -1, 900, 0, 2000, 0.5, 3200, 2.5, 5200, -3, 8000, 2.5,
                            12000, -2, 17000, -7),
                    Optional.empty(), Optional.empty(), 2, false, 72, ""),
            new PlaybackSystem("stage", "stage full-range speaker",
                    ResponseCurve.of(55, -5, 80, -1, 120, 1.5, 250, 1, 700, -0.5, 1600, 1, 3500, 2.5, 7000, 0, 12000,
                            -4, 16000, -9),
                    Optional.of(new Protection(100, 4, 0.003, 0.15)), Optional.of(new Room(3, 0.9, 2)), 1, false, 95,
                    ""),
            new PlaybackSystem("guitar-cabinet", "guitar cabinet in a room",
                    ResponseCurve.of(70, -7, 95, 2, 140, 3.5, 350, -2, 900, 0, 1800, 2.5, 2800, 5.5, 4000, 2, 5000, -6,
                            6500, -18, 9000, -34),
                    Optional.of(new Protection(92, 1.4, 0.01, 0.1)), Optional.of(new Room(2.5, 0.5, 2)), 1, true, 88,
                    ""),
            new PlaybackSystem("phone", "phone",
                    ResponseCurve.of(200, -26, 350, -14, 550, -5, 800, -1, 1500, 1.5, 3000, 3.5, 5000, 1, 8000, 0,
                            12000, -5, 15000, -11),
                    Optional.of(new Protection(66, 3, 0.002, 0.08)), Optional.of(new Room(0.4, 0.4, 9)), 1, false, 65,
                    ""),
            new PlaybackSystem("car", "car",
                    ResponseCurve.of(35, 3, 55, 7.5, 90, 6.5, 150, 3.5, 260, 0, 500, -3, 1000, -0.5, 2500, -1, 5000, -2,
                            9000, -3.5, 15000, -9),
                    Optional.of(new Protection(92, 2, 0.01, 0.2)), Optional.of(new Room(0.9, 0.08, 3)), 2, false, 78,
                    ""));

    public PlaybackSystem {
        if (loudspeakers < 1 || loudspeakers > 2) throw new IllegalArgumentException(loudspeakers + " loudspeakers");
    }

    /** A system of which the response is known and nothing else: two loudspeakers, no room, nothing held back. */
    public static PlaybackSystem measured(String id, String name, ResponseCurve curve) {
        return new PlaybackSystem(id, name, curve, Optional.empty(), Optional.empty(), 2, false, WORKING_LEVEL_DB_SPL,
                "");
    }

    /** The same with a remark. */
    public PlaybackSystem noting(String remark) {
        return new PlaybackSystem(id, name, curve, protection, room, loudspeakers, guitarCabinet, levelDbSpl, remark);
    }

    /** The same where nothing rings. */
    public PlaybackSystem withoutRoom() {
        return new PlaybackSystem(id, name, curve, protection, Optional.empty(), loudspeakers, guitarCabinet,
                levelDbSpl,
                notes);
    }

    public static Optional<PlaybackSystem> find(String id) {
        return ALL.stream().filter(s -> s.id.equals(id)).findFirst();
    }

    /** Level at a frequency, dB. */
    public double levelDbAt(double frequencyHz) {
        return curve.levelDbAt(frequencyHz);
    }
}
