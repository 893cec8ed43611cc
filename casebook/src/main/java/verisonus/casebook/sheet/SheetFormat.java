package verisonus.casebook.sheet;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.SettingsCsv;
import verisonus.casebook.exchange.ToneJson;
import verisonus.casebook.sheet.page.Page;
import verisonus.casebook.sheet.write.CsvPage;
import verisonus.casebook.sheet.write.HtmlPage;
import verisonus.casebook.sheet.write.MarkdownPage;
import verisonus.casebook.sheet.write.Paper;
import verisonus.casebook.sheet.write.PdfPage;
import verisonus.core.rig.Tone;

/** How a tone sheet is written. */
public enum SheetFormat {
    PDF("pdf", "PDF"),
    HTML("html", "HTML"),
    MARKDOWN("md", "Markdown"),
    /** The tables of the page one below the other, each row led by its heading. */
    CSV("csv", "CSV"),
    /** The tone as {@code verisonus.tone/1} with the findings in words. */
    JSON("json", "JSON");

    private final String ending;
    private final String words;

    SheetFormat(String ending, String words) {
        this.ending = ending;
        this.words = words;
    }

    public String ending() {
        return ending;
    }

    /** What the player calls it. */
    public String words() {
        return words;
    }

    /**
     * A sheet in this format.
     *
     * @param page what of it stands there; JSON holds the tone and the findings whatever was chosen
     * @throws verisonus.core.work.InputFault where the fonts of a PDF lack a letter
     */
    public byte[] write(ToneSheet sheet, Page page, Paper paper) {
        return switch (this) {
            case PDF -> PdfPage.of(page, paper);
            case HTML -> bytes(HtmlPage.of(page));
            case MARKDOWN -> bytes(MarkdownPage.of(page));
            case CSV -> bytes(CsvPage.of(page) + sheet.tone().map(t -> data(t.tone())).orElse(""));
            case JSON -> bytes(json(sheet));
        };
    }

    /** The whole sheet on A4. */
    public byte[] write(ToneSheet sheet) {
        return write(sheet, sheet.page(), Paper.A4);
    }

    /** Below the tables for people the settings for programs, from which the same tone can be read. */
    private static String data(Tone tone) {
        return "\r\n# settings as data\r\n" + SettingsCsv.write(tone, SettingsCsv.columns(""));
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static String json(ToneSheet sheet) {
        ObjectNode out = Json.object("verisonus.sheet/1").put("case", sheet.title()).put("artist", sheet.subtitle());
        out.set("tone", sheet.tone().map(t -> ToneJson.write(t.tone())).orElse(null));
        ArrayNode findings = out.putArray("findings");
        sheet.findings().forEach(f -> findings.addObject().put("topic", f.topic()).put("finding", f.sentence())
                .put("rests_on", f.remark()));
        return Json.text(out);
    }

    /** The format that a file's name ends in. */
    public static Optional<SheetFormat> of(String fileName) {
        String name = fileName.toLowerCase(Locale.ROOT);
        return List.of(values()).stream().filter(f -> name.endsWith("." + f.ending)).findFirst();
    }
}
