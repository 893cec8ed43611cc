package verisonus.casebook.sheet.write;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;
import verisonus.casebook.sheet.page.Drawing;
import verisonus.casebook.sheet.page.Page;

/** A page as PDF: vectors, fonts embedded as far as they are used, tagged, a bookmark a heading, on paper of the player's choice. */
public final class PdfPage {
    private static final double TITLE = 22;
    private static final double HEADING = 13.5;
    private static final double TEXT = 9.5;
    private static final double SMALL = 8.2;
    private static final double LARGE = 2.1;

    private final Page page;
    private final double scale;
    private final PDDocument document;
    private final PdfFonts fonts;
    private final PdfTags tags;
    private final PdfCanvas canvas;
    private final PDDocumentOutline outline = new PDDocumentOutline();

    private PdfPage(Page page, Paper paper, PDDocument document) throws IOException {
        this.page = page;
        this.scale = page.isLarge() ? LARGE : 1;
        this.document = document;
        this.fonts = new PdfFonts(document);
        this.tags = new PdfTags(document);
        this.canvas = new PdfCanvas(document, paper, fonts, tags);
    }

    /** @throws verisonus.core.work.InputFault where the fonts lack a letter */
    public static byte[] of(Page page, Paper paper) {
        try (PDDocument document = new PDDocument()) {
            new PdfPage(page, paper, document).write();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void write() throws IOException {
        document.getDocumentCatalog().setLanguage("en");
        document.getDocumentInformation().setTitle(page.title());
        document.getDocumentInformation().setCreator("Verisonus");
        PDViewerPreferences preferences = new PDViewerPreferences(new org.apache.pdfbox.cos.COSDictionary());
        preferences.setDisplayDocTitle(true);
        document.getDocumentCatalog().setViewerPreferences(preferences);
        document.getDocumentCatalog().setDocumentOutline(outline);
        bookmark(page.title());
        lines(page.title(), PdfFonts.Face.TITLE, TITLE * Math.min(scale, 1.5), PdfCanvas.INK,
                StandardStructureTypes.H1);
        canvas.down(4);
        for (Page.Part part : page.parts()) {
            switch (part) {
                case Page.Heading(String text) -> heading(text);
                case Page.Paragraph(String text) -> {
                    lines(text, PdfFonts.Face.PLAIN, TEXT * scale, PdfCanvas.INK, StandardStructureTypes.P);
                    canvas.down(4);
                }
                case Page.Caution(String text) -> {
                    canvas.down(3);
                    lines(text, PdfFonts.Face.PLAIN, SMALL * scale, PdfCanvas.QUIET, StandardStructureTypes.P);
                    canvas.down(4);
                }
                case Page.Table table -> new PdfTable(canvas, fonts, (TEXT - 0.6) * scale, table).draw(tags.whole());
                case Page.Picture(Drawing drawing) -> picture(drawing);
                case Page.NewSheet() -> canvas.newSheet();
            }
        }
        canvas.close();
        footers();
        tags.close();
        outline.openNode();
    }

    private void bookmark(String text) {
        PDPageXYZDestination at = new PDPageXYZDestination();
        at.setPage(canvas.page());
        at.setTop((int) (canvas.height() - canvas.y() + 8));
        PDOutlineItem item = new PDOutlineItem();
        item.setTitle(text);
        item.setDestination(at);
        outline.addLast(item);
    }

    private void heading(String text) throws IOException {
        canvas.need(HEADING * scale * 1.4 + 70);
        if (!canvas.isFresh()) canvas.down(12);
        bookmark(text);
        lines(text, PdfFonts.Face.TITLE, HEADING * scale, PdfCanvas.INK, StandardStructureTypes.H2);
        canvas.down(3);
    }

    private void lines(String text, PdfFonts.Face face, double size, java.awt.Color colour, String tag)
            throws IOException {
        PDStructureElement element = PdfTags.element(tag, tags.whole());
        List<String> lines = fonts.wrapped(text, face, size, canvas.width());
        for (String line : lines) {
            canvas.need(size * 1.35);
            canvas.begin(element);
            canvas.text(line, face, size, colour, 0, canvas.y() + size);
            canvas.end();
            canvas.down(size * 1.35);
        }
    }

    private void picture(Drawing drawing) throws IOException {
        canvas.need(PdfPlot.HEIGHT + 24);
        lines(drawing.title(), PdfFonts.Face.BOLD, TEXT, PdfCanvas.INK, StandardStructureTypes.P);
        PDStructureElement figure = PdfTags.element(StandardStructureTypes.Figure, tags.whole());
        figure.setAlternateDescription(drawing.title() + ": " + String.join(", ", drawing.curves().stream().map(
                Drawing.Curve::name).toList()));
        canvas.begin(figure);
        new PdfPlot(canvas, fonts).draw(drawing);
        canvas.end();
        canvas.down(PdfPlot.HEIGHT + 8);
    }

    /** Title and number on each sheet, once it is known how many there are. */
    private void footers() throws IOException {
        int n = document.getNumberOfPages();
        for (int i = 0; i < n; i++) {
            PDPage sheet = document.getPage(i);
            try (PDPageContentStream s = new PDPageContentStream(document, sheet,
                    PDPageContentStream.AppendMode.APPEND, true)) {
                s.beginMarkedContent(org.apache.pdfbox.cos.COSName.ARTIFACT);
                s.setNonStrokingColor(PdfCanvas.QUIET);
                s.beginText();
                s.newLineAtOffset((float) PdfCanvas.MARGIN, 28);
                for (PdfFonts.Run r : fonts.runs(page.title() + " · " + (i + 1) + " of " + n, PdfFonts.Face.PLAIN)) {
                    s.setFont(r.font(), (float) SMALL);
                    s.showText(r.text());
                }
                s.endText();
                s.endMarkedContent();
            }
        }
    }
}
