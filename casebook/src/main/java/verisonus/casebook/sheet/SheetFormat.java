package verisonus.casebook.sheet;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;

/** How a tone sheet is written. */
public enum SheetFormat {
    MARKDOWN("md") {
        @Override
        public String write(ToneSheet sheet) {
            return sheet.page().markdown();
        }
    },
    HTML("html") {
        @Override
        public String write(ToneSheet sheet) {
            return sheet.page().html();
        }
    },
    /** The tables of the page one below the other, each row led by its heading. */
    CSV("csv") {
        @Override
        public String write(ToneSheet sheet) {
            return sheet.page().csv();
        }
    },
    /** The tone as {@code verisonus.tone/1} with the findings in words. */
    JSON("json") {
        @Override
        public String write(ToneSheet sheet) {
            ObjectNode out = Json.object("verisonus.sheet/1").put("case", sheet.title()).put("artist",
                    sheet.subtitle());
            out.set("tone", sheet.tone().map(t -> ToneJson.write(t.tone())).orElse(null));
            ArrayNode findings = out.putArray("findings");
            sheet.findings().forEach(f -> findings.addObject().put("topic", f.topic()).put("finding", f.sentence())
                    .put("rests_on", f.remark()));
            return Json.text(out);
        }
    };

    private final String ending;

    SheetFormat(String ending) {
        this.ending = ending;
    }

    public String ending() {
        return ending;
    }

    public abstract String write(ToneSheet sheet);

    /** The format that a file's name ends in. */
    public static Optional<SheetFormat> of(String fileName) {
        String name = fileName.toLowerCase(Locale.ROOT);
        return List.of(values()).stream().filter(f -> name.endsWith("." + f.ending)).findFirst();
    }
}
