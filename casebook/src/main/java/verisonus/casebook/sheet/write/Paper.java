package verisonus.casebook.sheet.write;

import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** What a sheet is printed on. */
public enum Paper {
    A4(PDRectangle.A4),
    LETTER(PDRectangle.LETTER);

    private final PDRectangle size;

    Paper(PDRectangle size) {
        this.size = size;
    }

    PDRectangle size() {
        return size;
    }
}
