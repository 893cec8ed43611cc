package verisonus.casebook.words;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.function.UnaryOperator;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import verisonus.core.work.Figures;

/** Findings as a table with a header line, one finding a row. */
public final class FindingsCsv {
    private FindingsCsv() {}

    /** @param said what the player says of a topic; empty where nothing */
    public static String write(List<EvidenceSentences> findings, UnaryOperator<String> said) {
        StringBuilder out = new StringBuilder();
        CSVFormat format = CSVFormat.RFC4180.builder()
                .setHeader("topic", "present", "finding", "remark", "confidence", "reason", "player").get();
        try (CSVPrinter csv = new CSVPrinter(out, format)) {
            for (EvidenceSentences f : findings) {
                String present = switch (f.presence()) {
                    case PRESENT -> "yes";
                    case ABSENT -> "no";
                    case UNKNOWN -> "cannot tell";
                };
                csv.printRecord(f.topic(), present, f.sentence(), f.remark(), f.confidence().isPresent()
                        ? Figures.of("%.2f", f.confidence().getAsDouble())
                        : "", f.reason(), said.apply(f.topic()));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }
}
