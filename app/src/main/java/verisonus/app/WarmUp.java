package verisonus.app;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import verisonus.casebook.exchange.UserFolder;
import verisonus.casebook.store.Medium;
import verisonus.cli.CommandLineProgram;
import verisonus.demo.DemoCasebook;
import verisonus.desktop.shell.Pictures;

/** Does once what people do most, so that the start-up cache knows its classes and which code is hot. */
final class WarmUp {
    private WarmUp() {}

    @Command(name = "command-warm-up", hidden = true)
    static final class OfCommands implements Callable<Integer> {
        @Parameters
        private @Nullable Path folder;

        @Override
        public Integer call() {
            Path book = laidOut(folder);
            List<String> audio = DemoCasebook.extract(book, Medium.Role.REFERENCE, Medium.Role.DI);
            String out = book.resolveSibling("out").toString();
            run("measure", audio.get(0), "--json");
            run("measure", audio.get(1));
            run("derive", "--reference", audio.get(0), "--di", audio.get(1), "--out", out, "--seconds", "1", "--json");
            run("compare", audio.get(0), out + "/render.wav", "--json");
            run("render", "--tone", out + "/tone.json", "--di", audio.get(1), "--out", out + "/again.wav");
            run("travel", audio.get(0));
            run("controls");
            run("times", "--bpm", "100", "--json");
            return 0;
        }
    }

    /** What is over before code could be made fast: the fewer classes its cache knows, the sooner it has started. */
    @Command(name = "quick-warm-up", hidden = true)
    static final class OfArithmetic implements Callable<Integer> {
        @Parameters
        private @Nullable Path folder;

        @Override
        public Integer call() {
            run("times", "--bpm", "100");
            run("times", "--bpm", "100", "--json");
            run("controls");
            return 0;
        }
    }

    /** All of it, for a program that is installed with one cache. */
    @Command(name = "package-warm-up", hidden = true)
    static final class OfAll implements Callable<Integer> {
        @Parameters
        private @Nullable Path folder;

        @Override
        public Integer call() {
            Path work = folder == null ? UserFolder.path() : folder;
            OfCommands commands = new OfCommands();
            commands.folder = work.resolve("commands");
            commands.call();
            OfWindow window = new OfWindow();
            window.folder = work.resolve("window");
            return window.call();
        }
    }

    @Command(name = "window-warm-up", hidden = true)
    static final class OfWindow implements Callable<Integer> {
        @Parameters
        private @Nullable Path folder;

        @Override
        public Integer call() {
            Path book = laidOut(folder);
            Pictures.draw(book, book.resolveSibling("pictures"));
            return 0;
        }
    }

    private static void run(String... args) {
        CommandLineProgram.run(args, Map.of());
    }

    private static Path laidOut(@Nullable Path folder) {
        Path work = folder == null ? UserFolder.path() : folder;
        work.toFile().mkdirs();
        Path book = work.resolve(DemoCasebook.FILE_NAME);
        DemoCasebook.writeTo(book);
        return book;
    }
}
