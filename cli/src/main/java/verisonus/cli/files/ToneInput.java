package verisonus.cli.files;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.SettingsCsv;
import verisonus.casebook.exchange.ToneJson;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.work.InputFault;

/** Reads tones and rigs for commands, and lends them threads. */
public final class ToneInput {
    private ToneInput() {}

    /** A tone from its own file, from a sheet, or from settings as CSV. */
    public static Tone tone(Path file) {
        return tone(file, SettingsCsv.columns(""));
    }

    /** @param columns what the columns of a CSV are called */
    public static Tone tone(Path file, Map<SettingsCsv.Column, String> columns) {
        if (file.toString().toLowerCase(Locale.ROOT).endsWith(".csv")) return SettingsCsv.read(file, columns);
        JsonNode read = Json.read(file);
        if (!read.path("schema").asString("").equals("verisonus.sheet/1")) return ToneJson.read(file.toString(), read);
        if (!read.path("tone").isObject())
            throw new InputFault(file.toString(), "the sheet holds no tone", "derive one first");
        return ToneJson.read(file.toString(), read.get("tone"));
    }

    /** Everything that can be simulated where no file is named. */
    public static Rig rig(@Nullable Path file) {
        return file == null ? Rig.everything() : ToneJson.readRig(file.toString(), Json.read(file));
    }

    /** Work that shares itself out over all cores. */
    public static <T> T shared(Function<ExecutorService, T> work) {
        ExecutorService workers = Executors.newFixedThreadPool(Math.max(1, Runtime.getRuntime().availableProcessors()));
        try {
            return work.apply(workers);
        } finally {
            workers.shutdownNow();
        }
    }
}
