package verisonus.casebook.sheet;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.commonmark.Extension;
import org.commonmark.ext.gfm.tables.TableBlock;
import org.commonmark.ext.gfm.tables.TableBody;
import org.commonmark.ext.gfm.tables.TableCell;
import org.commonmark.ext.gfm.tables.TableHead;
import org.commonmark.ext.gfm.tables.TableRow;
import org.commonmark.ext.gfm.tables.TablesExtension;
import org.commonmark.node.Document;
import org.commonmark.node.Node;
import org.commonmark.node.Text;
import org.commonmark.renderer.html.HtmlRenderer;
import org.commonmark.renderer.markdown.MarkdownRenderer;

/** A page of headings, paragraphs and tables that can be written as Markdown or HTML. */
public final class Page {
    public sealed interface Part {}

    public record Heading(String text) implements Part {}

    public record Paragraph(String text) implements Part {}

    public record Table(List<String> head, List<List<String>> rows) implements Part {}

    private static final List<Extension> TABLES = List.of(TablesExtension.create());
    private static final String STYLE = """
            body{font:15px/1.45 Georgia,serif;color:#22252b;background:#fffdf9;max-width:52rem;margin:2rem auto;padding:0 1rem}
            h1{font-size:1.7rem}h2{font-size:1.15rem;margin-top:1.8rem;border-bottom:1px solid #d9d2c5}
            table{border-collapse:collapse;width:100%;font:13px/1.4 sans-serif}th{text-align:left;color:#66645f;font-weight:normal}
            td,th{padding:.2rem .6rem .2rem 0;border-bottom:1px solid #d9d2c5;vertical-align:top}
            """;

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

    /** With whatever would mean something in Markdown escaped. */
    public String markdown() {
        return MarkdownRenderer.builder().extensions(TABLES).build().render(document());
    }

    private Node document() {
        Document out = new Document();
        out.appendChild(heading(1, title));
        for (Part part : parts) {
            out.appendChild(switch (part) {
                case Heading(String text) -> heading(2, text);
                case Paragraph(String text) -> holding(new org.commonmark.node.Paragraph(), text);
                case Table(List<String> head, List<List<String>> rows) -> table(new TableBlock(), head, rows);
            });
        }
        return out;
    }

    private static Node heading(int level, String text) {
        org.commonmark.node.Heading out = new org.commonmark.node.Heading();
        out.setLevel(level);
        return holding(out, text);
    }

    private static Node holding(Node node, String text) {
        node.appendChild(new Text(line(text)));
        return node;
    }

    private static Node table(TableBlock out, List<String> head, List<List<String>> rows) {
        TableHead top = new TableHead();
        top.appendChild(row(head, true));
        out.appendChild(top);
        TableBody body = new TableBody();
        rows.forEach(r -> body.appendChild(row(r, false)));
        out.appendChild(body);
        return out;
    }

    private static Node row(List<String> cells, boolean header) {
        TableRow out = new TableRow();
        for (String c : cells) {
            TableCell cell = new TableCell();
            cell.setHeader(header);
            out.appendChild(holding(cell, c));
        }
        return out;
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
        HtmlRenderer body = HtmlRenderer.builder().extensions(TABLES).escapeHtml(true).build();
        return "<!doctype html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n<title>" + escaped(title)
                + "</title>\n<style>\n" + STYLE + "</style>\n</head>\n<body>\n" + body.render(document())
                + "</body>\n</html>\n";
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }
}
