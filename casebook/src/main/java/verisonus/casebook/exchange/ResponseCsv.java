package verisonus.casebook.exchange;

import java.io.IOException;
import java.io.StringReader;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
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
    private static final double LOWEST_HZ = 1;
    private static final double HIGHEST_HZ = 200_000;
    private static final double MOST_DB = 150;
    private static final int MOST_BYTES = 4 << 20;
    private static final String REMEDY = "give a line \"frequency_hz,level_db\" and below it a point a line, frequencies rising";

    private ResponseCsv() {}

    /** @throws InputFault naming the line that is wrong */
    public static ResponseCurve read(Path file) {
        return parse(file.toString(), text(file));
    }

    /** A response as a playback system named by its file. */
    public static PlaybackSystem system(Path file) {
        String name = String.valueOf(file.getFileName()).replaceFirst("\\.[^.]*$", "");
        String id = name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-|-$", "");
        return PlaybackSystem.measured(id.isEmpty() ? "measured" : id, name, read(file));
    }

    private static String text(Path file) {
        try {
            if (Files.size(file) > MOST_BYTES)
                throw new InputFault(file.toString(), "it is too long for a response", "thin it out to third octaves");
            String s = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(Files.readAllBytes(file))).toString();
            return s.startsWith("\uFEFF") ? s.substring(1) : s;
        } catch (CharacterCodingException e) {
            throw new InputFault(file.toString(), "it is no text", REMEDY, e);
        } catch (IOException e) {
            throw new InputFault(file.toString(), "it cannot be read", "check the name and its permissions", e);
        }
    }

    static ResponseCurve parse(String name, String text) {
        List<Double> hz = new ArrayList<>();
        List<Double> db = new ArrayList<>();
        char separator = text.contains("\t") ? '\t' : text.contains(",") ? ',' : text.contains(";") ? ';' : ' ';
        CSVFormat format = CSVFormat.DEFAULT.builder().setDelimiter(separator).setCommentMarker('#')
                .setIgnoreEmptyLines(true).setIgnoreSurroundingSpaces(true).get();
        try (CSVParser rows = CSVParser.parse(new StringReader(text), format)) {
            for (CSVRecord r : rows) {
                List<String> cells = r.stream().filter(c -> separator != ' ' || !c.isEmpty()).toList();
                if (hz.isEmpty() && isHeader(cells)) continue;
                long line = rows.getCurrentLineNumber();
                if (cells.size() < 2) throw new InputFault(name, "line " + line + " has one column", REMEDY);
                double f = number(name, line, cells.get(0));
                double l = number(name, line, cells.get(1));
                check(name, line, f, l, hz);
                hz.add(f);
                db.add(l);
            }
        } catch (IOException | java.io.UncheckedIOException e) {
            throw new InputFault(name, "it cannot be read as CSV", REMEDY, e);
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
            double v = Double.parseDouble(text.strip());
            if (Double.isFinite(v)) return v;
        } catch (NumberFormatException e) {
            throw new InputFault(name, "line " + line + ": \"" + shortened(text) + "\" is no number", REMEDY, e);
        }
        throw new InputFault(name, "line " + line + ": \"" + shortened(text) + "\" is no number", REMEDY);
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
