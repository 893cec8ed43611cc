package verisonus.casebook.sheet.write;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes;
import verisonus.casebook.sheet.page.Page;

/** Lays out one table: columns as wide as they need, figures to the right, the head again on each new sheet. */
final class PdfTable {
    private static final double GAP = 10;
    private static final double PAD = 3.2;

    private final PdfCanvas canvas;
    private final PdfFonts fonts;
    private final double size;
    private final Page.Table table;
    private final double[] widths;
    private final boolean[] figures;

    PdfTable(PdfCanvas canvas, PdfFonts fonts, double size, Page.Table table) {
        this.canvas = canvas;
        this.fonts = fonts;
        this.size = size;
        this.table = table;
        int columns = table.head().size();
        figures = new boolean[columns];
        for (int c = 0; c < columns; c++) {
            int column = c;
            figures[c] = c > 0 && table.rows().stream().map(r -> r.get(column)).allMatch(t -> t.isEmpty()
                    || t.matches("[+−-]?\\d[\\d.,]*"));
        }
        widths = widths(columns);
    }

    private PdfFonts.Face face(int column) {
        return column == 0 ? PdfFonts.Face.BOLD : PdfFonts.Face.PLAIN;
    }

    private double[] widths(int columns) {
        double[] least = new double[columns];
        double[] wanted = new double[columns];
        for (int c = 0; c < columns; c++) {
            least[c] = longestWord(table.head().get(c), c);
            wanted[c] = fonts.width(table.head().get(c), PdfFonts.Face.PLAIN, size);
            for (List<String> r : table.rows()) {
                least[c] = Math.max(least[c], longestWord(r.get(c), c));
                wanted[c] = Math.max(wanted[c], fonts.width(r.get(c), face(c), size));
            }
        }
        return shared(least, wanted, canvas.width() - GAP * (columns - 1));
    }

    /** What asks for no more than its even share gets it; the others divide the rest by what they ask for. */
    private static double[] shared(double[] least, double[] wanted, double room) {
        double[] out = wanted.clone();
        boolean[] settled = new boolean[out.length];
        double left = room;
        int open = out.length;
        for (boolean changed = true; changed && open > 0;) {
            changed = false;
            double even = left / open;
            for (int c = 0; c < out.length; c++) {
                if (settled[c] || wanted[c] > even) continue;
                settled[c] = true;
                left -= wanted[c];
                open--;
                changed = true;
            }
        }
        double asked = 0;
        for (int c = 0; c < out.length; c++) if (!settled[c]) asked += Math.sqrt(wanted[c]);
        for (int c = 0; c < out.length; c++)
            if (!settled[c]) out[c] = Math.max(Math.min(least[c], left / open), left * Math.sqrt(wanted[c]) / asked);
        return out;
    }

    private double longestWord(String text, int column) {
        double most = 0;
        for (String w : text.split(" ", -1)) most = Math.max(most, fonts.width(w, face(column), size));
        // A word as long as a line is cut rather than starving the other columns.
        return Math.min(most, canvas.width() / 3);
    }

    void draw(PDStructureElement parent) throws IOException {
        PDStructureElement whole = PdfTags.element(StandardStructureTypes.TABLE, parent);
        boolean headed = table.head().stream().anyMatch(h -> !h.isEmpty());
        if (headed) row(whole, table.head(), true);
        for (List<String> r : table.rows()) {
            double height = height(r, false);
            double before = canvas.y();
            canvas.need(height);
            if (headed && canvas.y() < before) repeatHead();
            row(whole, r, false);
        }
        canvas.down(size * 0.6);
    }

    private double height(List<String> cells, boolean head) {
        int lines = 1;
        for (int c = 0; c < widths.length; c++) lines = Math.max(lines, lines(cells, c, head).size());
        return lines * size * 1.32 + 2 * PAD;
    }

    private List<String> lines(List<String> cells, int c, boolean head) {
        return fonts.wrapped(cells.get(c), head ? PdfFonts.Face.PLAIN : face(c), size, widths[c] + 0.5);
    }

    private void repeatHead() throws IOException {
        canvas.beginArtifact();
        write(table.head(), true, null);
        canvas.end();
    }

    private void row(PDStructureElement whole, List<String> cells, boolean head) throws IOException {
        PDStructureElement row = PdfTags.element(StandardStructureTypes.TR, whole);
        List<PDStructureElement> of = new ArrayList<>();
        for (int c = 0; c < cells.size(); c++)
            of.add(PdfTags.element(head ? StandardStructureTypes.TH : StandardStructureTypes.TD, row));
        write(cells, head, of);
    }

    private void write(List<String> cells, boolean head, @org.jspecify.annotations.Nullable List<PDStructureElement> of)
            throws IOException {
        double height = height(cells, head);
        double x = 0;
        for (int c = 0; c < widths.length; c++) {
            if (of != null) canvas.begin(of.get(c));
            double baseline = canvas.y() + PAD + size;
            for (String line : lines(cells, c, head)) {
                PdfFonts.Face face = head ? PdfFonts.Face.PLAIN : face(c);
                double indent = figures[c] ? widths[c] - fonts.width(line, face, size) : 0;
                if (!line.isEmpty())
                    canvas.text(line, face, size, head ? PdfCanvas.QUIET : PdfCanvas.INK, x + indent, baseline);
                baseline += size * 1.32;
            }
            if (of != null) canvas.end();
            x += widths[c] + GAP;
        }
        canvas.down(height);
        if (of != null) canvas.beginArtifact();
        canvas.line(0, canvas.y(), canvas.width(), canvas.y(), PdfCanvas.RULE, 0.6);
        if (of != null) canvas.end();
    }
}
