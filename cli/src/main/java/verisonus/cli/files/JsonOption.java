package verisonus.cli.files;

import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.exchange.Json;

/** Whether a command answers with one JSON document in place of text. */
public final class JsonOption {
    @Option(names = "--json", description = "print one JSON document")
    private boolean asked;

    public boolean asked() {
        return asked;
    }

    /** Prints the document. */
    public void print(JsonNode document) {
        System.out.println(Json.text(document));
    }
}
