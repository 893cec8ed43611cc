package verisonus.casebook.sheet.write;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.jspecify.annotations.Nullable;
import verisonus.core.work.InputFault;

/**
 * The faces of a document, embedded as far as they are used. A letter that the plain face lacks is taken from the face of the
 * titles; one that both lack is an error that names it.
 */
final class PdfFonts {
    /** How text looks. */
    enum Face {
        PLAIN,
        BOLD,
        TITLE
    }

    /** Letters that one face can write. */
    record Run(PDFont font, String text) {}

    private final PDFont plain;
    private final PDFont bold;
    private final PDFont title;
    private final Map<PDFont, Map<Integer, Boolean>> known = new HashMap<>();

    PdfFonts(PDDocument document) throws IOException {
        plain = load(document, "B612-Regular.ttf");
        bold = load(document, "B612-Bold.ttf");
        title = load(document, "Vollkorn-SemiBold.ttf");
    }

    private static PDFont load(PDDocument document, String file) throws IOException {
        try (@Nullable
        InputStream in = PdfFonts.class.getResourceAsStream("/verisonus/casebook/sheet/fonts/" + file)) {
            return PDType0Font.load(document, Objects.requireNonNull(in, file), true);
        }
    }

    /** The text in pieces of one font each. @throws InputFault where no face has a letter */
    List<Run> runs(String text, Face face) {
        PDFont first = switch (face) {
            case PLAIN -> plain;
            case BOLD -> bold;
            case TITLE -> title;
        };
        PDFont second = face == Face.TITLE ? plain : title;
        List<Run> out = new ArrayList<>();
        StringBuilder run = new StringBuilder();
        PDFont now = first;
        for (int c : text.codePoints().toArray()) {
            PDFont font = has(first, c) ? first : second;
            if (!has(font, c)) throw missing(text, c);
            if (font != now && !run.isEmpty()) {
                out.add(new Run(now, run.toString()));
                run.setLength(0);
            }
            now = font;
            run.appendCodePoint(c);
        }
        if (!run.isEmpty()) out.add(new Run(now, run.toString()));
        return out;
    }

    private static InputFault missing(String text, int c) {
        String shown = text.length() > 40 ? text.substring(0, 40) + "…" : text;
        return new InputFault("the sheet", "its fonts have no letter for “" + Character.toString(c) + "” in “" + shown
                + "”", "export HTML, which takes the letters of the computer, or spell it otherwise");
    }

    private boolean has(PDFont font, int c) {
        return known.computeIfAbsent(font, _ -> new HashMap<>()).computeIfAbsent(c, k -> {
            try {
                font.encode(Character.toString(k));
                return true;
            } catch (IllegalArgumentException | IOException e) {
                return false;
            }
        });
    }

    /** Width in points. */
    double width(String text, Face face, double size) {
        double sum = 0;
        try {
            for (Run r : runs(text, face)) sum += r.font().getStringWidth(r.text()) * size / 1000;
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return sum;
    }

    /** Lines no wider than this; a word that is wider stands alone and is cut. */
    List<String> wrapped(String text, Face face, double size, double width) {
        List<String> out = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.strip().split(" +", -1)) {
            String rest = word;
            while (width(rest, face, size) > width && rest.length() > 1) {
                int fits = rest.length() - 1;
                while (fits > 1 && width(rest.substring(0, fits), face, size) > width) fits--;
                if (!line.isEmpty()) out.add(line.toString());
                line.setLength(0);
                out.add(rest.substring(0, fits));
                rest = rest.substring(fits);
            }
            String with = line.isEmpty() ? rest : line + " " + rest;
            if (!line.isEmpty() && width(with, face, size) > width) {
                out.add(line.toString());
                line.setLength(0);
                line.append(rest);
            } else {
                line.setLength(0);
                line.append(with);
            }
        }
        out.add(line.toString());
        return out;
    }
}
