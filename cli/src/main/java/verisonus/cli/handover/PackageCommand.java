package verisonus.cli.handover;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.handover.PackageFile;
import verisonus.casebook.handover.TonePackage;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneInput;
import verisonus.core.rig.Block;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;

/** {@code package}: a tone in one file for another player, and {@code package open}. */
@Command(name = "package", mixinStandardHelpOptions = true, subcommands = PackageCommand.Open.class, description = {
        "One file for another player: settings, devices, sheet, the linear part as impulse responses.",
        "The record is never put in; a clip only where everything that is heard in it is yours."})
public final class PackageCommand extends CommonOptions implements Callable<Integer> {
    @Option(names = "--tone", paramLabel = "TONE.json", description = "the tone")
    private @Nullable Path tone;

    @Option(names = "--rig", paramLabel = "RIG.json", description = "whose devices it is for")
    private @Nullable Path rig;

    @Option(names = "--out", paramLabel = "FILE.verisonus-tone", description = "where it goes")
    private @Nullable Path out;

    @Option(names = "--clip", paramLabel = "FILE.(wav|flac)", description = "how it sounds; needs --mine")
    private @Nullable Path clip;

    @Option(names = "--mine", description = "all that is heard in the clip may be given away")
    private boolean mine;

    @Option(names = "--guitar", paramLabel = "WORDS", description = "which guitar and pickup it was made with")
    private String guitar = "";

    @Option(names = "--heard-on", paramLabel = "WORDS", description = "on which loudspeakers it was judged")
    private String heardOn = "";

    @Option(names = "--licence", paramLabel = "WORDS", description = "under which others may use it")
    private String licence = "";

    @Mixin
    private final ForceOption force = new ForceOption();

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        if (tone == null || out == null)
            throw new InputFault("package", "no tone or no file to write is named", "give --tone and --out, or open");
        if (!out.toString().endsWith(PackageFile.ENDING))
            throw new InputFault(out.toString(), "its ending names no package", "end it in " + PackageFile.ENDING);
        OutputFile target = force.to(out).besides(tone, rig, clip);
        target.check();
        Rig gear = ToneInput.rig(rig);
        Tone read = ToneInput.tone(tone);
        for (Block b : read.blocks()) read = read.with(gear.own(b));
        TonePackage made = new TonePackage(read, gear, new TonePackage.Words(guitar, heardOn, licence), sound());
        target.write(PackageFile.write(made));
        PackageFile.Opened back = PackageFile.read(out.toString(), bytes(out));
        said(back, json);
        return 0;
    }

    private Optional<TonePackage.Clip> sound() {
        if (clip == null) return Optional.empty();
        if (!mine)
            throw new InputFault(clip.toString(), "a clip may hold the record",
                    "add --mine where everything in it may be given away");
        String name = clip.toString().toLowerCase(Locale.ROOT);
        String ending = name.endsWith(".flac") ? "flac" : "wav";
        if (!name.endsWith("." + ending))
            throw new InputFault(clip.toString(), "a clip is WAV or FLAC here", "make it with the command clip");
        AudioInput.read(clip);
        return Optional.of(new TonePackage.Clip(ending, bytes(clip)));
    }

    private static byte[] bytes(Path file) {
        try {
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new InputFault(file.toString(), "it cannot be read", "check the name and its permissions", e);
        }
    }

    private static void said(PackageFile.Opened opened, JsonOption json) {
        if (json.asked()) {
            json.print((ObjectNode) opened.said());
            return;
        }
        System.out.println(opened.tone().name());
        for (Block b : opened.tone().blocks()) System.out.println("  " + b.model().name() + (b.on() ? "" : " (off)"));
        for (Map.Entry<String, byte[]> e : opened.files().entrySet())
            System.out.printf(Locale.ROOT, "%-40s %d bytes%n", e.getKey(), e.getValue().length);
    }

    /** Unpacks one from somebody else. */
    @Command(name = "open", mixinStandardHelpOptions = true, description = "Looks through a package and lays it out in a folder.")
    static final class Open extends CommonOptions implements Callable<Integer> {
        @Parameters(paramLabel = "FILE", description = "a .verisonus-tone file")
        private @Nullable Path file;

        @Option(names = "--out", required = true, paramLabel = "DIR", description = "a folder, made where there is none")
        private @Nullable Path out;

        @Mixin
        private final ForceOption force = new ForceOption();

        @Mixin
        private final JsonOption json = new JsonOption();

        @Override
        public Integer call() {
            Path from = Objects.requireNonNull(file);
            Path into = Objects.requireNonNull(out);
            PackageFile.Opened opened = PackageFile.read(from.toString(), bytes(from));
            for (String name : opened.files().keySet()) {
                Path to = into.resolve(name);
                folder(Objects.requireNonNull(to.getParent()));
                force.to(to).check();
            }
            opened.files().forEach((name, bytes) -> force.to(into.resolve(name)).write(bytes));
            said(opened, json);
            return 0;
        }

        private static void folder(Path folder) {
            try {
                Files.createDirectories(folder);
            } catch (IOException e) {
                throw new OutputFault(folder.toString(), "the folder cannot be made", "choose another");
            }
        }
    }
}
