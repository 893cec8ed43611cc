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
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import verisonus.core.work.InputFault;

/** Rows of a CSV file, with what is wrong with it said by line. */
final class CsvText {
    private static final int MOST_BYTES = 16 << 20;

    private CsvText() {}

    /** A row and where it stands. */
    record Row(long line, List<String> cells) {}

    /** Text of a file, a byte-order mark left out. */
    static String read(Path file) {
        try {
            if (Files.size(file) > MOST_BYTES)
                throw new InputFault(file.toString(), "it is too long for a table of settings", "check the file");
            String s = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(Files.readAllBytes(file))).toString();
            return s.startsWith("\uFEFF") ? s.substring(1) : s;
        } catch (CharacterCodingException e) {
            throw new InputFault(file.toString(), "it is no text", "write it as CSV in UTF-8", e);
        } catch (IOException e) {
            throw new InputFault(file.toString(), "it cannot be read", "check the name and its permissions", e);
        }
    }

    static List<Row> rows(String name, String text) {
        CSVFormat format = CSVFormat.DEFAULT.builder().setCommentMarker('#').setIgnoreEmptyLines(true).get();
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

    /** A cell as it is written: quoted where it must be, and led by an apostrophe where a table program would take it for a formula. */
    static String cell(String text) {
        String t = text.isEmpty() || "=+-@\t\r".indexOf(text.charAt(0)) < 0 ? text : "'" + text;
        return t.matches("[^\",\r\n]*") ? t : '"' + t.replace("\"", "\"\"") + '"';
    }
}
