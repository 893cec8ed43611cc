package verisonus.cli.gear;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.DeviceDocument;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneInput;
import verisonus.core.rig.Control;
import verisonus.core.rig.Dial;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Unit;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/** {@code gear}: what the player owns, by the player's own names. */
@Command(name = "gear", mixinStandardHelpOptions = true, description = {
        "Your own devices, by your own names: what each is one of, what it lacks, what stands round its controls and how they turn.",
        "They live in a rig, which derive, moves, reach, translate, builds and sheets take; one device can be shared as a file."}, subcommands = {
                GearCommand.Listed.class, GearCommand.Show.class, GearCommand.Add.class, GearCommand.Edit.class,
                GearCommand.Check.class, GearCommand.Export.class, GearCommand.Import.class, LearnCommand.class})
public final class GearCommand extends CommonOptions implements Callable<Integer> {
    @Spec
    private @Nullable CommandSpec spec;

    @Override
    public Integer call() {
        throw new CommandLine.ParameterException(Objects.requireNonNull(spec).commandLine(),
                "say list, show, add, edit, check, export, import or learn");
    }

    /** A rig that is read. */
    private abstract static class OfRig extends CommonOptions implements Callable<Integer> {
        @Option(names = "--rig", required = true, paramLabel = "RIG.json", description = "your gear")
        @Nullable
        Path rig;

        Rig read() {
            return ToneInput.rig(Objects.requireNonNull(rig));
        }

        Unit unit(Rig from, String name) {
            return from.unit(name).orElseThrow(() -> new InputFault(String.valueOf(rig),
                    "it holds no device of your own called \""
                            + name + "\"",
                    from.units().isEmpty()
                            ? "add one with gear add"
                            : "use one of " + String.join(", ", from.units().stream().map(Unit::name).toList())));
        }
    }

    /** A rig that is read and written, elsewhere or with --force in its place. */
    private abstract static class Changing extends OfRig {
        @Option(names = "--out", required = true, paramLabel = "RIG.json", description = "where the changed gear goes; with --force the same file")
        private @Nullable Path out;

        @Mixin
        private final ForceOption force = new ForceOption();

        OutputFile target() {
            OutputFile target = force.to(Objects.requireNonNull(out));
            target.check();
            return target;
        }

        int written(OutputFile target, Rig changed, String what) {
            target.write(Json.text(ToneJson.write(changed)));
            System.err.printf("verisonus: %s, wrote %s%n", what, out);
            return 0;
        }
    }

    /** {@code gear list}. */
    @Command(name = "list", mixinStandardHelpOptions = true, description = "Everything that is owned, your own devices by their names.")
    static final class Listed extends OfRig {
        @Mixin
        private final JsonOption json = new JsonOption();

        @Override
        public Integer call() {
            Rig read = read();
            List<Model> owned = Arrays.stream(GearKind.values())
                    .flatMap(k -> read.owned(k).stream()).toList();
            if (json.asked()) {
                ObjectNode doc = Json.object("verisonus.gear/1");
                ArrayNode all = doc.putArray("devices");
                for (Model m : owned) {
                    ObjectNode n = all.addObject().put("name", m.name()).put("kind", m.kind().word());
                    n.put("of", Gear.baseOf(m).name()).put("own", read.unit(m.name()).isPresent());
                    n.put("count", read.count(m));
                }
                json.print(doc);
                return 0;
            }
            for (Model m : owned)
                System.out.printf("%-12s %s%s%s%n", m.kind().word(), m.name(), read.count(m) > 1
                        ? " × " + read.count(m)
                        : "", read.unit(m.name()).map(u -> " (one of: " + u.base() + ")").orElse(""));
            return 0;
        }
    }

    /** {@code gear show}. */
    @Command(name = "show", mixinStandardHelpOptions = true, description = "One device: its controls in its own words and on its own scales.")
    static final class Show extends OfRig {
        @Parameters(paramLabel = "NAME", description = "the device")
        private String name = "";

        @Mixin
        private final JsonOption json = new JsonOption();

        @Override
        public Integer call() {
            Rig read = read();
            Unit u = unit(read, name);
            if (json.asked()) {
                json.print(DeviceDocument.write(read, u));
                return 0;
            }
            System.out.println(u.name() + ": " + u.model().kind().word() + ", one of: " + u.base() + "; "
                    + u.model().about());
            for (Control c : u.model().controls()) System.out.println("    " + line(read, u, c));
            return 0;
        }

        private static String line(Rig rig, Unit u, Control c) {
            String called = u.labels().getOrDefault(c.name(), c.name());
            String is = called.equals(c.name()) ? "" : " (" + c.name() + ")";
            if (c.isFixed())
                return Figures.of("%-30s not there: stands at %s", called + is, c.display(c.defaultValue()));
            String range = rig.display(u.model(), c, c.minimum()) + " to " + rig.display(u.model(), c, c.maximum());
            Dial dial = u.dials().get(c.name());
            if (dial == null) return Figures.of("%-30s %s", called + is, range);
            Control whole = Gear.model(u.base()).control(c.name());
            String learnt = dial.pairs().isEmpty()
                    ? "as its model turns"
                    : Figures.of("%s to %s, from %d places", whole.display(dial.reach(whole)[0]), whole.display(
                            dial.reach(whole)[1]), dial.pairs().size());
            String left = dial.pairs().size() > 3
                    ? Figures.of(", %.1f %% of the way left between them", 100 * dial.errorShare(whole))
                    : "";
            return Figures.of("%-30s shows %s: %s%s", called + is, dial.face().ends(), learnt, left);
        }
    }

    /** {@code gear add}. */
    @Command(name = "add", mixinStandardHelpOptions = true, description = "Adds a device under a name of your own.")
    static final class Add extends Changing {
        @Option(names = "--name", required = true, paramLabel = "NAME", description = "what you call it")
        private String name = "";

        @Option(names = "--of", required = true, paramLabel = "MODEL", description = "the model it is one of, see controls")
        private String model = "";

        @Mixin
        private final Description description = new Description();

        @Override
        public Integer call() {
            OutputFile target = target();
            Rig read = read();
            Model base = Gear.find(model).orElseThrow(() -> new InputFault("--of " + model, "there is no such model",
                    "see the command controls for what there is"));
            if (read.unit(name).isPresent())
                throw new InputFault("--name " + name, "there is such a device already",
                        "use gear edit, or another name");
            Unit unit = description.made(name, base);
            return written(target, description.practical(read.with(unit), unit.model()), "added " + name);
        }
    }

    /** {@code gear edit}. */
    @Command(name = "edit", mixinStandardHelpOptions = true, description = "Changes a device: what is named is replaced, further pairs are added.")
    static final class Edit extends Changing {
        @Parameters(paramLabel = "NAME", description = "the device")
        private String name = "";

        @Mixin
        private final Description description = new Description();

        @Override
        public Integer call() {
            OutputFile target = target();
            Rig read = read();
            Unit unit = description.edited(unit(read, name));
            return written(target, description.practical(read.with(unit), unit.model()), "changed " + name);
        }
    }

    /** {@code gear check}. */
    @Command(name = "check", mixinStandardHelpOptions = true, description = "Whether a rig or a device keeps the rules; what breaks one is named with its remedy.")
    static final class Check extends CommonOptions implements Callable<Integer> {
        @Parameters(paramLabel = "FILE.json", description = "a rig or a device")
        private @Nullable Path file;

        @Override
        public Integer call() {
            Path said = Objects.requireNonNull(file);
            JsonNode document = Json.read(said);
            boolean device = DeviceDocument.isDevice(document);
            Rig read = device
                    ? DeviceDocument.into(new Rig(List.of(), Map.of(), Map.of(), 1), said.toString(), document)
                    : ToneInput.rig(said);
            String lacking = Stream.of(GearKind.AMP, GearKind.CABINET, GearKind.MICROPHONE)
                    .filter(k -> !device && read.owned(k).isEmpty()).map(GearKind::word)
                    .collect(Collectors.joining(", "));
            System.out.println("it keeps the rules: " + read.units().size() + " of your own devices"
                    + (lacking.isEmpty() ? "" : "; nothing can be derived on it while it has no " + lacking));
            return 0;
        }
    }

    /** {@code gear export}. */
    @Command(name = "export", mixinStandardHelpOptions = true, description = "Writes one device as a file of its own, for another player.")
    static final class Export extends OfRig {
        @Parameters(paramLabel = "NAME", description = "the device")
        private String name = "";

        @Option(names = "--out", required = true, paramLabel = "DEVICE.json", description = "where it goes")
        private @Nullable Path out;

        @Mixin
        private final ForceOption force = new ForceOption();

        @Override
        public Integer call() {
            OutputFile target = force.to(Objects.requireNonNull(out));
            target.check();
            Rig read = read();
            target.write(Json.text(DeviceDocument.write(read, unit(read, name))));
            System.err.printf("verisonus: wrote %s%n", out);
            return 0;
        }
    }

    /** {@code gear import}. */
    @Command(name = "import", mixinStandardHelpOptions = true, description = "Puts a device that was exported into your gear.")
    static final class Import extends Changing {
        @Parameters(paramLabel = "DEVICE.json", description = "the device")
        private @Nullable Path device;

        @Option(names = "--replace", description = "in place of a device of that name")
        private boolean replace;

        @Override
        public Integer call() {
            OutputFile target = target();
            Path file = Objects.requireNonNull(device);
            Rig before = read();
            Rig after = DeviceDocument.into(before, file.toString(), Json.read(file));
            String name = DeviceDocument.name(Json.read(file));
            if (before.unit(name).isPresent() && !replace)
                throw new InputFault(file.toString(), "your gear holds a device called \"" + name + "\" already",
                        "say --replace, or rename one");
            return written(target, after, "put in " + name);
        }
    }
}
