package verisonus.core.perform.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/**
 * A room's limit against a set of variants: what each comes to where a meter stood while the tone was played, and how far the whole must
 * come down so that the loudest of them stays within it.
 *
 * @param measuredDb reading of the meter while the tone itself was played, dB(A)
 * @param allowedDb what the room allows there, dB(A)
 */
public record LoudnessCeiling(double measuredDb, double allowedDb) {
    private static final double LEAST_DB = 40;
    private static final double MOST_DB = 130;

    /** @throws InputFault where a figure is no level of a room */
    public LoudnessCeiling {
        for (double v : new double[]{measuredDb, allowedDb}) {
            if (!(v >= LEAST_DB && v <= MOST_DB))
                throw new InputFault("a level of " + v + " dB(A)", "no stage is as soft or as loud as that",
                        Figures.of("give what the meter read, %.0f to %.0f", LEAST_DB, MOST_DB));
        }
    }

    /**
     * One variant in the room.
     *
     * @param db what it comes to, dB(A)
     * @param overDb how far it exceeds the limit; negative where there is room
     */
    public record Reaches(String name, double db, double overDb) {}

    /** @param louderLu each variant's loudness against the tone, LU; the tone itself may be among them */
    public List<Reaches> of(Map<String, Double> louderLu) {
        List<Reaches> out = new ArrayList<>();
        louderLu.forEach((name, lu) -> out.add(new Reaches(name, measuredDb + lu, measuredDb + lu - allowedDb)));
        return out;
    }

    /** How far everything must come down for the loudest, dB; 0 where all have room. */
    public double downDb(Map<String, Double> louderLu) {
        return louderLu.values().stream().mapToDouble(lu -> measuredDb + lu - allowedDb).max().stream()
                .map(over -> Math.max(0, over)).findFirst().orElse(0);
    }

    /** For the player, worst first. */
    public List<String> words(Map<String, Double> louderLu) {
        List<String> out = new ArrayList<>(of(louderLu).stream().filter(r -> r.overDb > 0)
                .sorted((a, b) -> Double.compare(b.overDb, a.overDb))
                .map(r -> Figures.of("%s comes to %.0f dB(A) where %.0f are allowed", r.name, r.db, allowedDb))
                .toList());
        double down = downDb(louderLu);
        out.add(down > 0
                ? Figures
                        .of("turn everything down by %.1f dB behind the amp's dirt, so that the tone stays as it is, or"
                                + " make the loudest variant softer", down)
                : Figures.of("all stay within %.0f dB(A); the loudest has %.1f dB to spare", allowedDb,
                        -of(louderLu).stream().mapToDouble(Reaches::overDb).max().orElse(0)));
        return out;
    }
}
