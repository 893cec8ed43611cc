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
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import verisonus.core.work.InputFault;

/** Rows of a CSV file, with what is wrong with it said by line. */
final class CsvText {
    private static final int MOST_BYTES = 16 << 20;
    private static final Pattern QUOTED = Pattern.compile("\"[^\"]*\"");

    private CsvText() {}

    /** A row and where it stands. */
    record Row(long line, List<String> cells) {}

    /** Text of a file, a byte-order mark left out. */
    static String read(Path file) {
        try {
            if (Files.size(file) > MOST_BYTES)
                throw new InputFault(file.toString(), "it is too long for a table", "check the file");
            String s = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(Files.readAllBytes(file))).toString();
            return s.startsWith("\uFEFF") ? s.substring(1) : s;
        } catch (CharacterCodingException e) {
            throw new InputFault(file.toString(), "it is no text", "write it as CSV in UTF-8", e);
        } catch (IOException e) {
            throw new InputFault(file.toString(), "it cannot be read", "check the name and its permissions", e);
        }
    }

    static List<Row> rows(String name, String text) {
        return rows(name, text, separator(text));
    }

    /** The same of a table whose columns may stand apart by spaces alone, as measuring programs write them. */
    static List<Row> rowsOrColumns(String name, String text) {
        char separator = separator(text);
        boolean apart = separator != ',' || firstLine(text).indexOf(',') >= 0;
        List<Row> rows = rows(name, text, apart ? separator : ' ');
        return apart
                ? rows
                : rows.stream().map(r -> new Row(r.line, r.cells.stream().filter(c -> !c.isEmpty()).toList())).toList();
    }

    private static List<Row> rows(String name, String text, char separator) {
        CSVFormat format = CSVFormat.DEFAULT.builder().setDelimiter(separator).setCommentMarker('#')
                .setIgnoreEmptyLines(true).get();
        List<Row> out = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            for (CSVRecord r : parser)
                out.add(new Row(parser.getCurrentLineNumber(), r.stream().map(String::strip)
                        .toList()));
        } catch (IOException | java.io.UncheckedIOException e) {
            throw new InputFault(name, "it cannot be read as CSV", "write it anew as CSV", e);
        }
        return out;
    }

    /** What parts the cells: a spreadsheet of a locale with a decimal comma writes semicolons, or tabs. */
    private static char separator(String text) {
        String line = QUOTED.matcher(firstLine(text)).replaceAll("");
        if (line.indexOf(';') >= 0) return ';';
        if (line.indexOf('\t') >= 0) return '\t';
        return ',';
    }

    private static String firstLine(String text) {
        return text.lines().filter(l -> !l.isBlank() && !l.startsWith("#")).findFirst().orElse("");
    }

    /**
     * A number as a spreadsheet of any locale writes it: "1.5", "1,5", "1.234,5", "−3".
     *
     * @throws NumberFormatException where it is none, or is not finite
     */
    static double number(String text) {
        String t = text.strip().replace('−', '-').replace("\u00A0", "").replace("'", "");
        int comma = t.lastIndexOf(',');
        int point = t.lastIndexOf('.');
        if (comma > point) t = t.replace(".", "").replace(',', '.');
        else if (comma >= 0) t = t.replace(",", "");
        double v = Double.parseDouble(t);
        if (!Double.isFinite(v)) throw new NumberFormatException(text);
        return v;
    }

    /** A cell as it is written: quoted where it must be, and led by an apostrophe where a table program would take it for a formula. */
    static String cell(String text) {
        String t = text.isEmpty() || "=+-@\t\r".indexOf(text.charAt(0)) < 0 ? text : "'" + text;
        return t.matches("[^\",\r\n]*") ? t : '"' + t.replace("\"", "\"\"") + '"';
    }
}
