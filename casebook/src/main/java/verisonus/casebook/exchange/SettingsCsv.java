package verisonus.casebook.exchange;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.device.UnitJson;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Tone;
import verisonus.core.work.InputFault;

/**
 * A tone as rows, a setting each: {@code tone,block,model,on,control,value,unit}, values in full precision. Read back it is the
 * same tone. The player may call the columns otherwise and have others beside them. A block without settings stands in a row
 * without a control; ways beside the main one, and the measured response or own device of a block, stand as JSON in a row of their own.
 */
public final class SettingsCsv {
    /** What a column holds. */
    public enum Column {
        TONE,
        BLOCK,
        MODEL,
        ON,
        CONTROL,
        VALUE,
        UNIT;

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private static final String ROUTING = "routing";
    private static final String DEVICE = "device";
    private static final String IMPULSE = "impulse";
    private static final String JSON = "json";

    private SettingsCsv() {}

    /**
     * Names of columns as a player has them.
     *
     * @param given such as "block=device,control=knob"
     * @throws InputFault where a column is not known or a name stands twice
     */
    public static Map<Column, String> columns(String given) {
        Map<Column, String> out = new LinkedHashMap<>();
        for (Column c : Column.values()) out.put(c, c.word());
        if (given.isBlank()) return out;
        for (String pair : given.split(",", -1)) {
            String[] parts = pair.split("=", 2);
            Column column = java.util.Arrays.stream(Column.values())
                    .filter(c -> c.word().equals(parts[0].strip().toLowerCase(Locale.ROOT))).findFirst()
                    .orElseThrow(() -> new InputFault("--columns " + given, "there is no column \"" + parts[0] + "\"",
                            "name tone, block, model, on, control, value or unit"));
            if (parts.length < 2 || parts[1].isBlank())
                throw new InputFault("--columns " + given, parts[0] + " has no name", "write " + parts[0] + "=NAME");
            out.put(column, parts[1].strip());
        }
        if (out.values().stream().map(v -> v.toLowerCase(Locale.ROOT)).distinct().count() < out.size())
            throw new InputFault("--columns " + given, "two columns have one name", "give each its own");
        return out;
    }

    public static String write(Tone tone, Map<Column, String> columns) {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
            printer.printRecord(columns.values());
            for (List<String> row : rows(tone)) printer.printRecord(row);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    /** Cells in the columns' own order. */
    public static List<List<String>> rows(Tone tone) {
        List<List<String>> out = new ArrayList<>();
        for (Block b : tone.blocks()) {
            String on = b.on() ? "yes" : "no";
            ObjectNode of = Json.object();
            UnitJson.write(b.model(), of);
            String model = of.get("model").asString();
            if (b.settings().isEmpty()) out.add(List.of(tone.name(), b.id(), model, on, "", "", ""));
            if (of.has(DEVICE))
                out.add(List.of(tone.name(), b.id(), model, on, DEVICE, oneLine((ObjectNode) of.get(DEVICE)), JSON));
            b.settings().forEach((name, value) -> {
                Control c = b.model().control(name);
                String shown = c.isChoice() ? c.choices().get((int) Math.round(value)) : Double.toString(value);
                out.add(List.of(tone.name(), b.id(), model, on, name, shown, c.unit()));
            });
            b.impulse().ifPresent(i -> {
                ObjectNode json = Json.object();
                ImpulseJson.write(i, json);
                out.add(List.of(tone.name(), b.id(), model, on, IMPULSE, oneLine(json), JSON));
            });
        }
        ObjectNode routing = Json.object();
        RoutingJson.write(tone.routing(), routing.putArray(ROUTING));
        if (!tone.routing().equals(verisonus.core.rig.Routing.SERIES))
            out.add(List.of(tone.name(), ROUTING, "", "", ROUTING, oneLine(routing), JSON));
        return out;
    }

    private static String oneLine(ObjectNode json) {
        return Json.text(json).replaceAll("\\s*\\R\\s*", " ");
    }

    /** @throws InputFault naming the line that is wrong */
    public static Tone read(Path file, Map<Column, String> columns) {
        return parse(file.toString(), CsvText.read(file), columns);
    }

    static Tone parse(String name, String text, Map<Column, String> columns) {
        List<CsvText.Row> rows = CsvText.rows(name, text);
        int head = 0;
        while (head < rows.size() && !isHead(rows.get(head), columns)) head++;
        if (head == rows.size()) {
            throw new InputFault(name, "it has no line that names the columns",
                    "give a line with " + columns.get(Column.BLOCK) + ", " + columns.get(Column.MODEL) + ", "
                            + columns.get(Column.CONTROL) + " and " + columns.get(Column.VALUE)
                            + ", or say with --columns what yours are called");
        }
        Map<Column, Integer> at = places(rows.get(head), columns);
        ObjectNode doc = Json.object("verisonus.tone/1");
        ArrayNode blocks = doc.putArray("blocks");
        Map<String, ObjectNode> byId = new LinkedHashMap<>();
        String title = "";
        for (CsvText.Row r : rows.subList(head + 1, rows.size())) {
            String id = cell(r, at, Column.BLOCK);
            if (id.isEmpty()) break;
            if (title.isEmpty()) title = cell(r, at, Column.TONE);
            if (id.equals(ROUTING)) {
                doc.set(ROUTING, Json.parse(name, cell(r, at, Column.VALUE)).get(ROUTING));
                continue;
            }
            ObjectNode block = byId.computeIfAbsent(id, k -> blocks.addObject().put("id", k));
            String model = cell(r, at, Column.MODEL);
            if (!model.isEmpty()) block.put("model", model);
            if (at.containsKey(Column.ON)) block.put("on", !cell(r, at, Column.ON).equalsIgnoreCase("no"));
            setting(name, r, at, block);
        }
        doc.put("name", title.isEmpty() ? "tone" : title);
        return ToneJson.read(name, doc);
    }

    private static void setting(String name, CsvText.Row r, Map<Column, Integer> at, ObjectNode block) {
        String control = cell(r, at, Column.CONTROL);
        if (control.isEmpty()) return;
        String value = cell(r, at, Column.VALUE);
        if (control.equals(IMPULSE) || control.equals(DEVICE)) {
            block.set(control, Json.parse(name, value));
            return;
        }
        ObjectNode settings = block.has("settings")
                ? (ObjectNode) block.get("settings")
                : block.putObject("settings");
        boolean choice = Gear.find(block.path("model").asString("")).flatMap(m -> m.find(control))
                .map(Control::isChoice).orElse(false);
        if (choice) {
            settings.put(control, value);
            return;
        }
        try {
            settings.put(control, CsvText.number(value));
        } catch (NumberFormatException e) {
            throw new InputFault(name, "line " + r.line() + ": \"" + value + "\" is no number", "write " + control
                    + " as a number", e);
        }
    }

    private static boolean isHead(CsvText.Row r, Map<Column, String> columns) {
        Map<Column, Integer> at = places(r, columns);
        return at.containsKey(Column.BLOCK) && at.containsKey(Column.MODEL) && at.containsKey(Column.CONTROL)
                && at.containsKey(Column.VALUE);
    }

    private static Map<Column, Integer> places(CsvText.Row r, Map<Column, String> columns) {
        Map<Column, Integer> at = new LinkedHashMap<>();
        columns.forEach((c, word) -> {
            for (int i = 0; i < r.cells().size(); i++)
                if (r.cells().get(i).equalsIgnoreCase(word)) at.putIfAbsent(c, i);
        });
        return at;
    }

    private static String cell(CsvText.Row r, Map<Column, Integer> at, Column column) {
        Integer i = at.get(column);
        return i == null || i >= r.cells().size() ? "" : r.cells().get(i);
    }
}
