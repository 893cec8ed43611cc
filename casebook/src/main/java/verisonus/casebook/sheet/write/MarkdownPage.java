package verisonus.casebook.sheet.write;

import java.util.List;
import java.util.stream.Collectors;
import org.commonmark.Extension;
import org.commonmark.ext.gfm.tables.TableBlock;
import org.commonmark.ext.gfm.tables.TableBody;
import org.commonmark.ext.gfm.tables.TableCell;
import org.commonmark.ext.gfm.tables.TableHead;
import org.commonmark.ext.gfm.tables.TableRow;
import org.commonmark.ext.gfm.tables.TablesExtension;
import org.commonmark.node.Document;
import org.commonmark.node.Emphasis;
import org.commonmark.node.Heading;
import org.commonmark.node.HtmlBlock;
import org.commonmark.node.Node;
import org.commonmark.node.Paragraph;
import org.commonmark.node.Text;
import org.commonmark.node.ThematicBreak;
import org.commonmark.renderer.markdown.MarkdownRenderer;
import verisonus.casebook.sheet.page.Drawing;
import verisonus.casebook.sheet.page.Page;

/** A page as Markdown, with whatever would mean something in it escaped; of a drawing stands what it shows. */
public final class MarkdownPage {
    static final List<Extension> TABLES = List.of(TablesExtension.create());

    private MarkdownPage() {}

    public static String of(Page page) {
        return MarkdownRenderer.builder().extensions(TABLES).build().render(document(page, false));
    }

    /** @param drawn whether drawings are put in as SVG */
    static Node document(Page page, boolean drawn) {
        Document out = new Document();
        out.appendChild(heading(1, page.title()));
        for (Page.Part part : page.parts()) {
            out.appendChild(switch (part) {
                case Page.Heading(String text) -> heading(2, text);
                case Page.Paragraph(String text) -> holding(new Paragraph(), text);
                case Page.Caution(String text) -> caution(text);
                case Page.Table(List<String> head, List<List<String>> rows) -> table(head, rows);
                case Page.Picture(Drawing drawing) -> picture(drawing, drawn);
                case Page.NewSheet() -> new ThematicBreak();
            });
        }
        return out;
    }

    private static Node picture(Drawing drawing, boolean drawn) {
        if (!drawn) {
            return holding(new Paragraph(), drawing.title() + " (" + drawing.curves().stream().map(Drawing.Curve::name)
                    .collect(Collectors.joining(", ")) + "): drawn in the PDF and HTML sheet.");
        }
        HtmlBlock block = new HtmlBlock();
        block.setLiteral(SvgDrawing.of(drawing));
        return block;
    }

    private static Node caution(String text) {
        Emphasis inner = new Emphasis("*");
        inner.appendChild(new Text(line(text)));
        Paragraph out = new Paragraph();
        out.appendChild(inner);
        return out;
    }

    private static Node heading(int level, String text) {
        Heading out = new Heading();
        out.setLevel(level);
        return holding(out, text);
    }

    private static Node holding(Node node, String text) {
        node.appendChild(new Text(line(text)));
        return node;
    }

    private static Node table(List<String> head, List<List<String>> rows) {
        TableBlock out = new TableBlock();
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
}
