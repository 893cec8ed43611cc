package verisonus.bench.timed;

import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** Runs what this package times. Arguments: parts of the names to run, all without one. */
final class Timings {
    private Timings() {}

    public static void main(String[] args) throws RunnerException {
        OptionsBuilder options = new OptionsBuilder();
        if (args.length == 0) options.include(Timings.class.getPackageName());
        for (String part : args) options.include(part);
        // One core each: the search brings its own second worker, the others have none.
        new Runner(options.jvmArgsAppend("--enable-native-access=ALL-UNNAMED").build()).run();
    }
}
