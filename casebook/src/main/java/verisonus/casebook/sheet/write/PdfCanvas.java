package verisonus.casebook.sheet.write;

import java.awt.Color;
import java.io.IOException;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.util.Matrix;
import org.jspecify.annotations.Nullable;

/** Sheets of paper that follow each other, and where on the last one is written next; points from the top left. */
final class PdfCanvas implements AutoCloseable {
    static final double MARGIN = 51;
    private static final double FOOT = 34;
    static final Color INK = new Color(0x22252b);
    static final Color QUIET = new Color(0x66645f);
    static final Color RULE = new Color(0xd9d2c5);

    private final PDDocument document;
    private final Paper paper;
    private final PdfFonts fonts;
    private final PdfTags tags;
    private @Nullable PDPageContentStream stream;
    private PDPage page;
    private double y;

    PdfCanvas(PDDocument document, Paper paper, PdfFonts fonts, PdfTags tags) throws IOException {
        this.document = document;
        this.paper = paper;
        this.fonts = fonts;
        this.tags = tags;
        this.page = new PDPage(paper.size());
        open();
    }

    private void open() throws IOException {
        document.addPage(page);
        stream = new PDPageContentStream(document, page);
        y = MARGIN;
    }

    void newSheet() throws IOException {
        close();
        page = new PDPage(paper.size());
        open();
    }

    PDPage page() {
        return page;
    }

    double y() {
        return y;
    }

    double height() {
        return paper.size().getHeight();
    }

    double width() {
        return paper.size().getWidth() - 2 * MARGIN;
    }

    boolean isFresh() { return y <= MARGIN + 1; }

    /** Goes to a new sheet where less than this is left. */
    void need(double points) throws IOException {
        if (y + points > paper.size().getHeight() - MARGIN - FOOT && !isFresh()) newSheet();
    }

    void down(double points) {
        y += points;
    }

    /** What is written until {@link #end} belongs to an element. */
    void begin(PDStructureElement element) throws IOException {
        out().beginMarkedContent(COSName.getPDFName(element.getStructureType()), tags.mark(page, element));
    }

    /** What is written until {@link #end} is only there to look at. */
    void beginArtifact() throws IOException {
        out().beginMarkedContent(COSName.ARTIFACT);
    }

    void end() throws IOException {
        out().endMarkedContent();
    }

    private PDPageContentStream out() {
        if (stream == null) throw new IllegalStateException("closed");
        return stream;
    }

    /** @param baseline points below the top of the sheet */
    void text(String text, PdfFonts.Face face, double size, Color colour, double x, double baseline)
            throws IOException {
        PDPageContentStream s = out();
        s.setNonStrokingColor(colour);
        s.beginText();
        s.setTextMatrix(Matrix.getTranslateInstance((float) (MARGIN + x),
                (float) (paper.size().getHeight() - baseline)));
        for (PdfFonts.Run r : fonts.runs(text, face)) {
            s.setFont(r.font(), (float) size);
            s.showText(r.text());
        }
        s.endText();
    }

    void line(double x1, double y1, double x2, double y2, Color colour, double thick, float... dash)
            throws IOException {
        path(new double[]{x1, x2}, new double[]{y1, y2}, colour, thick, dash);
    }

    /** @param ys points below the top of the sheet */
    void path(double[] xs, double[] ys, Color colour, double thick, float... dash) throws IOException {
        PDPageContentStream s = out();
        s.setStrokingColor(colour);
        s.setLineWidth((float) thick);
        s.setLineDashPattern(dash, 0);
        for (int i = 0; i < xs.length; i++) {
            float x = (float) (MARGIN + xs[i]);
            float at = (float) (paper.size().getHeight() - ys[i]);
            if (i == 0) s.moveTo(x, at);
            else s.lineTo(x, at);
        }
        s.stroke();
    }

    @Override
    public void close() throws IOException {
        PDPageContentStream s = stream;
        stream = null;
        if (s != null) s.close();
    }
}
