package verisonus.cli.files;

import java.nio.file.Path;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;

/** Reads tones and rigs for commands, and lends them threads. */
public final class ToneInput {
    private ToneInput() {}

    public static Tone tone(Path file) {
        return ToneJson.read(file.toString(), Json.read(file));
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
