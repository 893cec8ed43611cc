package verisonus.casebook.sheet.write;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import verisonus.casebook.sheet.page.Page;

/**
 * Every table of a page below the other, each row led by the heading it stands under; head rows included. What a spreadsheet
 * would take for a formula is led by an apostrophe.
 */
public final class CsvPage {
    private CsvPage() {}

    public static String of(Page page) {
        StringBuilder out = new StringBuilder();
        String heading = page.title();
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
            row(printer, heading, List.of());
            for (Page.Part part : page.parts()) {
                if (part instanceof Page.Heading(String text)) heading = text;
                if (part instanceof Page.Table(List<String> head, List<List<String>> rows)) {
                    row(printer, heading, head);
                    for (List<String> r : rows) row(printer, heading, r);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static void row(CSVPrinter printer, String heading, List<String> cells) throws IOException {
        List<String> row = new ArrayList<>(List.of(harmless(heading)));
        cells.forEach(c -> row.add(harmless(c)));
        printer.printRecord(row);
    }

    /** A cell that begins like a formula and is no number is led by an apostrophe. */
    static String harmless(String cell) {
        if (cell.isEmpty() || "=+-@\t\r".indexOf(cell.charAt(0)) < 0) return cell;
        return cell.matches("[+-]\\d[\\d.,]*( ?\\S{1,4})?") ? cell : "'" + cell;
    }
}
