package verisonus.casebook.sheet;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** A page of headings, paragraphs and tables that can be written as Markdown or HTML. */
public final class Page {
    public sealed interface Part {}

    public record Heading(String text) implements Part {}

    public record Paragraph(String text) implements Part {}

    public record Table(List<String> head, List<List<String>> rows) implements Part {}

    private final String title;
    private final List<Part> parts = new ArrayList<>();

    public Page(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }

    /** What stands on the page, from top to bottom. */
    public List<Part> parts() {
        return List.copyOf(parts);
    }

    void heading(String text) {
        parts.add(new Heading(text));
    }

    void paragraph(String text) {
        parts.add(new Paragraph(text));
    }

    void table(List<String> head, List<List<String>> rows) {
        parts.add(new Table(List.copyOf(head), List.copyOf(rows)));
    }

    public String markdown() {
        StringBuilder out = new StringBuilder("# " + line(title) + "\n");
        for (Part part : parts) {
            out.append('\n');
            switch (part) {
                case Heading(String text) -> out.append("## ").append(line(text)).append('\n');
                case Paragraph(String text) -> out.append(line(text)).append('\n');
                case Table(List<String> head, List<List<String>> rows) -> {
                    row(out, head);
                    out.append("|").append(" --- |".repeat(head.size())).append('\n');
                    rows.forEach(r -> row(out, r));
                }
            }
        }
        return out.toString();
    }

    private static void row(StringBuilder out, List<String> cells) {
        out.append('|');
        cells.forEach(c -> out.append(' ').append(line(c).replace("|", "\\|")).append(" |"));
        out.append('\n');
    }

    private static String line(String text) {
        return text.replaceAll("\\s+", " ").strip();
    }

    /** Every table's rows, each led by the heading it stands under; head rows included. */
    public String csv() {
        StringBuilder out = new StringBuilder();
        String heading = title;
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
            printRow(printer, title, List.of());
            for (Part part : parts) {
                if (part instanceof Heading(String text)) heading = text;
                if (part instanceof Table(List<String> head, List<List<String>> rows)) {
                    printRow(printer, heading, head);
                    for (List<String> r : rows) printRow(printer, heading, r);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static void printRow(CSVPrinter printer, String heading, List<String> cells) throws IOException {
        List<String> row = new ArrayList<>(List.of(heading));
        row.addAll(cells);
        printer.printRecord(row);
    }

    /** A page that stands alone: styles inside, nothing fetched. */
    public String html() {
        StringBuilder out = new StringBuilder(
                "<!doctype html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n<title>").append(escaped(title))
                .append("</title>\n<style>\nbody{font:15px/1.45 Georgia,serif;color:#22252b;background:#fffdf9;max-width:52rem;margin:2rem auto;padding:0 1rem}"
                        + "\nh1{font-size:1.7rem}h2{font-size:1.15rem;margin-top:1.8rem;border-bottom:1px solid #d9d2c5}"
                        + "\ntable{border-collapse:collapse;width:100%;font:13px/1.4 sans-serif}th{text-align:left;color:#66645f;font-weight:normal}"
                        + "\ntd,th{padding:.2rem .6rem .2rem 0;border-bottom:1px solid #d9d2c5;vertical-align:top}\n</style>\n</head>\n<body>\n<h1>")
                .append(escaped(title)).append("</h1>\n");
        for (Part part : parts) {
            switch (part) {
                case Heading(String text) -> out.append("<h2>").append(escaped(text)).append("</h2>\n");
                case Paragraph(String text) -> out.append("<p>").append(escaped(text)).append("</p>\n");
                case Table(List<String> head, List<List<String>> rows) -> {
                    out.append("<table>\n<thead><tr>");
                    head.forEach(c -> out.append("<th>").append(escaped(c)).append("</th>"));
                    out.append("</tr></thead>\n<tbody>\n");
                    for (List<String> r : rows) {
                        out.append("<tr>");
                        r.forEach(c -> out.append("<td>").append(escaped(c)).append("</td>"));
                        out.append("</tr>\n");
                    }
                    out.append("</tbody>\n</table>\n");
                }
            }
        }
        return out.append("</body>\n</html>\n").toString();
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("\"", "&quot;");
    }
}
