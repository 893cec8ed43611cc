package verisonus.casebook.exchange;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import verisonus.core.perform.song.Section;
import verisonus.core.perform.song.SongMap;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/** A song's sections as lines {@code section,from_s,to_s,variant}. */
public final class SongMapCsv {
    private static final String HEADER = "section,from_s,to_s,variant";
    private static final String REMEDY = "give lines such as verse,0,14.5,rhythm: section, start, end, variant";

    private SongMapCsv() {}

    /** @throws InputFault naming the line that is wrong */
    public static List<SongMap.Part> read(Path file) {
        return parse(file.toString(), CsvText.read(file));
    }

    static List<SongMap.Part> parse(String name, String text) {
        List<SongMap.Part> out = new ArrayList<>();
        for (CsvText.Row r : CsvText.rows(name, text)) {
            List<String> c = r.cells();
            if (out.isEmpty() && c.get(0).toLowerCase(Locale.ROOT).equals("section")) continue;
            if (c.size() < 3) throw new InputFault(name, "line " + r.line() + " names no start and end", REMEDY);
            try {
                out.add(new SongMap.Part(new Section(c.get(0), number(c.get(1)), number(c.get(2))),
                        c.size() > 3 ? c.get(3) : ""));
            } catch (IllegalArgumentException e) {
                throw new InputFault(name, "line " + r.line() + ": " + e.getMessage(), REMEDY, e);
            }
        }
        if (out.isEmpty()) throw new InputFault(name, "it holds no section", REMEDY);
        return out;
    }

    private static double number(String text) {
        try {
            return CsvText.number(text);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("\"" + text + "\" is no time in seconds", e);
        }
    }

    /** Sections with the variants they have; a formula in a name is made harmless. */
    public static String write(List<SongMap.Part> parts) {
        StringBuilder out = new StringBuilder(HEADER).append('\n');
        for (SongMap.Part p : parts)
            out.append(Figures.of("%s,%.2f,%.2f,%s%n", CsvText.cell(p.section().name()),
                    p.section().fromS(), p.section().toS(), CsvText.cell(p.variant())));
        return out.toString().replace("\r\n", "\n");
    }
}
