package verisonus.casebook.sheet.write;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import verisonus.casebook.sheet.page.Drawing;
import verisonus.casebook.sheet.page.Page;
import verisonus.core.work.InputFault;

class PdfPageTest {
    private static final Drawing DRAWING = new Drawing("Spectrum", "Hz", "dB", true,
            List.of(new Drawing.Tick(100, "100"), new Drawing.Tick(10000, "10k")),
            List.of(new Drawing.Tick(-40, "−40"), new Drawing.Tick(0, "0")),
            List.of(new Drawing.Curve("mine", Drawing.Ink.MINE, new double[]{100, 1000, 10000},
                    new double[]{-10, -3, -99})));

    private static Page page(int rows) {
        Page p = new Page("Glass Harbour");
        p.paragraph("Close: most listeners hear 2 differences.");
        p.heading("What to set");
        List<List<String>> settings = new ArrayList<>();
        for (int i = 0; i < rows; i++)
            settings.add(List.of("amp " + i, "presence", "7.0", "−4.5 dB – +9.5 dB, a longer text that has to be broken"
                    + " into several lines since no column is as wide"));
        p.table(List.of("device", "control", "set to", "can move"), settings);
        p.picture(DRAWING);
        p.caution("A valve amp never runs without its speaker.");
        return p;
    }

    private static String text(byte[] pdf) throws IOException {
        try (PDDocument d = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(d);
        }
    }

    @ParameterizedTest
    @EnumSource(Paper.class)
    void textCanBeTakenOutAgainAndThePaperIsAsAsked(Paper paper) throws IOException {
        byte[] pdf = PdfPage.of(page(3), paper);
        assertThat(text(pdf)).contains("Glass Harbour").contains("What to set").contains("−4.5 dB").contains("amp 2")
                .contains("valve amp").contains("1 of 1");
        try (PDDocument d = Loader.loadPDF(pdf)) {
            assertThat(d.getPage(0).getMediaBox().getWidth()).isEqualTo(paper.size().getWidth());
        }
    }

    @Test
    void itIsTaggedNamedAndBookmarked() throws IOException {
        try (PDDocument d = Loader.loadPDF(PdfPage.of(page(3), Paper.A4))) {
            var catalog = d.getDocumentCatalog();
            assertThat(catalog.getMarkInfo().isMarked()).isTrue();
            assertThat(catalog.getStructureTreeRoot().getKids()).hasSize(1);
            assertThat(catalog.getLanguage()).isEqualTo("en");
            assertThat(d.getDocumentInformation().getTitle()).isEqualTo("Glass Harbour");
            List<String> marks = new ArrayList<>();
            for (PDOutlineItem i : catalog.getDocumentOutline().children()) marks.add(i.getTitle());
            assertThat(marks).containsExactly("Glass Harbour", "What to set");
        }
    }

    @Test
    void aLongTableGoesOnUnderItsHeadOnTheNextSheet() throws IOException {
        byte[] pdf = PdfPage.of(page(60), Paper.A4);
        String all = text(pdf);
        for (int i = 0; i < 60; i++) assertThat(all).contains("amp " + i);
        try (PDDocument d = Loader.loadPDF(pdf)) {
            assertThat(d.getNumberOfPages()).isGreaterThan(2);
            PDFTextStripper second = new PDFTextStripper();
            second.setStartPage(2);
            second.setEndPage(2);
            assertThat(second.getText(d)).contains("can move").contains("2 of ");
        }
    }

    @Test
    void onlyWhatIsUsedOfTheFacesIsInIt() {
        assertThat(PdfPage.of(page(3), Paper.A4).length).isLessThan(80_000);
    }

    @Test
    void theSamePageIsTheSameDocument() throws IOException {
        assertThat(text(PdfPage.of(page(3), Paper.A4))).isEqualTo(text(PdfPage.of(page(3), Paper.A4)));
    }

    @Test
    void lettersOfOtherFacesAreFoundAndMissingOnesNamed() throws IOException {
        Page polish = new Page("Łódź, ő and ×");
        assertThat(text(PdfPage.of(polish, Paper.A4))).contains("Łódź, ő and ×");
        Page harbour = new Page("静かな港");
        assertThatThrownBy(() -> PdfPage.of(harbour, Paper.A4)).isInstanceOf(InputFault.class)
                .hasMessageContaining("静").hasMessageContaining("HTML");
    }

    @Test
    void aWordWiderThanTheSheetIsBroken() throws IOException {
        Page p = new Page("T");
        p.paragraph("x".repeat(400));
        p.table(List.of("a", "b"), List.of(List.of("y".repeat(300), "z")));
        String all = text(PdfPage.of(p, Paper.A4)).replaceAll("\\s", "");
        assertThat(all).contains("x".repeat(400)).contains("y".repeat(50));
    }

    @Test
    void aStagePageIsLarge() throws IOException {
        Page p = new Page("T", true);
        p.table(List.of("", "", "set to"), List.of(List.of("chiming edge", "gain", "12:00")));
        assertThat(text(PdfPage.of(p, Paper.LETTER))).contains("chiming").contains("12:00");
    }
}
