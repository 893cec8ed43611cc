package verisonus.casebook.exchange;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.ResponseCurve;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/**
 * Measured responses in and out: a header line {@code frequency_hz,level_db[,phase_deg]}, then a point a line; {@code #} begins
 * a comment. The phase is passed over. A calibration of a microphone (CSV or TXT, two columns without a header, by commas, tabs
 * or spaces) is read the same way.
 */
public final class ResponseCsv {
    /** A guitar's lowest octave, and where its highest partials end. */
    private static final double LOWEST_NEEDED_HZ = 63;
    private static final double HIGHEST_NEEDED_HZ = 10_000;
    private static final double LOWEST_HZ = 1;
    private static final double HIGHEST_HZ = 200_000;
    private static final double MOST_DB = 150;
    private static final String REMEDY = "give a line \"frequency_hz,level_db\" and below it a point a line, frequencies rising";

    private ResponseCsv() {}

    /** @throws InputFault naming the line that is wrong */
    public static ResponseCurve read(Path file) {
        return parse(file.toString(), CsvText.read(file));
    }

    /** A response as a playback system named by its file; outside its points it falls. */
    public static PlaybackSystem system(Path file) {
        return system(file, ResponseCurve.Outside.FALLS);
    }

    /** The same. @param outside what it does outside its points; the system's notes say so where that matters */
    public static PlaybackSystem system(Path file, ResponseCurve.Outside outside) {
        String name = String.valueOf(file.getFileName()).replaceFirst("\\.[^.]*$", "");
        String id = name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-|-$", "");
        ResponseCurve curve = read(file).withOutside(outside);
        return PlaybackSystem.measured(id.isEmpty() ? "measured" : id, name, curve).noting(assumed(curve));
    }

    /** What is assumed where the tone has something and the response has no point; empty where it covers all. */
    private static String assumed(ResponseCurve curve) {
        double[] hz = curve.hz();
        List<String> where = new ArrayList<>();
        if (hz[0] > LOWEST_NEEDED_HZ) where.add(Figures.of("under %.0f Hz", hz[0]));
        if (hz[hz.length - 1] < HIGHEST_NEEDED_HZ) where.add(Figures.of("over %.0f Hz", hz[hz.length - 1]));
        if (where.isEmpty()) return "";
        return "it has no points " + String.join(" and ", where) + ": there it is taken to "
                + switch (curve.outside()) {
                    case FALLS -> "fall by 18 dB an octave";
                    case HOLDS -> "stay as at its last point";
                };
    }

    static ResponseCurve parse(String name, String text) {
        List<Double> hz = new ArrayList<>();
        List<Double> db = new ArrayList<>();
        for (CsvText.Row r : CsvText.rowsOrColumns(name, text)) {
            List<String> cells = r.cells();
            if (hz.isEmpty() && isHeader(cells)) continue;
            if (cells.size() < 2) throw new InputFault(name, "line " + r.line() + " has one column", REMEDY);
            double f = number(name, r.line(), cells.get(0));
            double l = number(name, r.line(), cells.get(1));
            check(name, r.line(), f, l, hz);
            hz.add(f);
            db.add(l);
        }
        if (hz.size() < 2) {
            throw new InputFault(name, hz.isEmpty() ? "it holds no point" : "it holds one point only", REMEDY);
        }
        return new ResponseCurve(hz.stream().mapToDouble(v -> v).toArray(), db.stream().mapToDouble(v -> v).toArray());
    }

    private static boolean isHeader(List<String> cells) {
        return !cells.isEmpty() && !cells.get(0).isEmpty() && Character.isLetter(cells.get(0).charAt(0));
    }

    private static void check(String name, long line, double f, double l, List<Double> before) {
        if (!(f >= LOWEST_HZ && f <= HIGHEST_HZ))
            throw new InputFault(name, "line " + line + ": " + f + " Hz is no frequency of sound", REMEDY);
        if (!(Math.abs(l) <= MOST_DB))
            throw new InputFault(name, "line " + line + ": " + l + " dB cannot be", "give levels in dB");
        if (before.isEmpty()) return;
        double last = before.get(before.size() - 1);
        if (f == last) throw new InputFault(name, "line " + line + ": " + f + " Hz stands there twice", REMEDY);
        if (f < last)
            throw new InputFault(name, "line " + line + ": " + f + " Hz comes after " + last + " Hz", REMEDY);
    }

    private static double number(String name, long line, String text) {
        try {
            return CsvText.number(text);
        } catch (NumberFormatException e) {
            throw new InputFault(name, "line " + line + ": \"" + shortened(text) + "\" is no number", REMEDY, e);
        }
    }

    private static String shortened(String text) {
        return text.length() > 30 ? text.substring(0, 30) + "…" : text;
    }

    /** The same back: levels to a hundredth of a decibel. */
    public static String write(PlaybackSystem system) {
        StringBuilder out = new StringBuilder("# " + system.name().replaceAll("[\\r\\n]+", " ") + "\n"
                + "frequency_hz,level_db\n");
        double[] hz = system.curve().hz();
        double[] db = system.curve().levelDb();
        for (int i = 0; i < hz.length; i++) out.append(Figures.of("%.2f,%.2f%n", hz[i], db[i]));
        return out.toString().replace("\r\n", "\n");
    }
}
