package verisonus.cli.gear;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import verisonus.core.rig.Control;
import verisonus.core.rig.Dial;
import verisonus.core.rig.Face;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Unit;
import verisonus.core.work.InputFault;

/** How a device is described in options: what it lacks, what its controls are called and show, and how they turn. */
final class Description {
    private static final Face TENS = Face.ruled(0, 10, 0, "");

    @Option(names = "--without", paramLabel = "CONTROL[=VALUE]", description = "a control that the device has not got, and where it stands; again for more")
    private List<String> without = new ArrayList<>();

    @Option(names = "--label", paramLabel = "CONTROL=WORD", description = "what the device calls a control; again for more")
    private List<String> labels = new ArrayList<>();

    @Option(names = "--scale", paramLabel = "CONTROL=SCALE", description = "what stands round a control: 0..10, -50..50/1, \"20..20000 Hz\", 7:00..17:00 or \"vintage|modern\"; again for more")
    private List<String> scales = new ArrayList<>();

    @Option(names = "--pair", paramLabel = "CONTROL@MARK=VALUE", description = "what the device does at a mark, as time@3=360; two tell range, three the taper; again for more")
    private List<String> pairs = new ArrayList<>();

    @Option(names = "--price", paramLabel = "PRICE", description = "what it costs, in your money")
    private @Nullable Double price;

    @Option(names = "--weight-kg", paramLabel = "KG", description = "what it weighs")
    private @Nullable Double weightKg;

    @Option(names = "--setup-minutes", paramLabel = "MINUTES", description = "what it takes to set up")
    private @Nullable Double setupMinutes;

    /** A device that is one of a model. */
    Unit made(String name, Model base) {
        try {
            return described(Unit.of(name, base, reaches(base), List.of()), base, Map.of());
        } catch (IllegalArgumentException e) {
            throw new InputFault("--name " + name, String.valueOf(e.getMessage()), "see controls for what "
                    + base.name() + " has", e);
        }
    }

    /** The device with what is said here in place of what was. */
    Unit edited(Unit unit) {
        Model base = Gear.model(unit.base());
        try {
            Unit whole = unit.reaching(reaches(base));
            return described(whole, base, whole.dials());
        } catch (IllegalArgumentException e) {
            throw new InputFault(unit.name(), String.valueOf(e.getMessage()), "see gear show for what it has", e);
        }
    }

    /** The rig with what the device costs, weighs and takes. */
    Rig practical(Rig rig, Model model) {
        Rig.Practical was = rig.practical(model);
        try {
            return rig.knowing(model, new Rig.Practical(or(price, was.price()), or(weightKg, was.weightKg()),
                    or(setupMinutes, was.setupMinutes())));
        } catch (IllegalArgumentException e) {
            throw new InputFault(model.name(), String.valueOf(e.getMessage()), "use 0 or more", e);
        }
    }

    private static double or(@Nullable Double said, double was) {
        return said == null ? was : said;
    }

    private Unit described(Unit unit, Model base, Map<String, Dial> before) {
        Map<String, String> words = new LinkedHashMap<>(unit.labels());
        for (String l : labels) words.put(control("--label", l, base).name(), after(l));
        return unit.labelled(words).dialled(dials(base, before));
    }

    private Map<String, Unit.Reach> reaches(Model base) {
        Map<String, Unit.Reach> out = new LinkedHashMap<>();
        for (String w : without) {
            Control c = control("--without", w, base);
            if (Stream.concat(scales.stream(), pairs.stream()).anyMatch(said -> names(said, c)))
                throw new InputFault("--without " + w, "a scale is named for it too", "say one or the other");
            out.put(c.name(), Unit.Reach.fixed(w.indexOf('=') < 0
                    ? c.defaultValue()
                    : value("--without", w, c)));
        }
        return out;
    }

    private static boolean names(String said, Control c) {
        return said.startsWith(c.name() + "=") || said.startsWith(c.name() + "@");
    }

    private Map<String, Dial> dials(Model base, Map<String, Dial> before) {
        Map<String, Face> faces = new LinkedHashMap<>();
        Map<String, List<Dial.Pair>> known = new LinkedHashMap<>();
        before.forEach((c, d) -> {
            faces.put(c, d.face());
            known.put(c, new ArrayList<>(d.pairs()));
        });
        for (String s : scales) {
            String control = control("--scale", s, base).name();
            faces.put(control, face(s));
            known.put(control, new ArrayList<>());
        }
        for (String p : pairs) {
            Control c = control("--pair", p, base);
            Face face = faces.computeIfAbsent(c.name(), _ -> TENS);
            List<Dial.Pair> of = known.computeIfAbsent(c.name(), _ -> new ArrayList<>());
            Dial.Pair pair = pair(p, c, face);
            of.removeIf(o -> o.mark() == pair.mark());
            of.add(pair);
        }
        Map<String, Dial> out = new LinkedHashMap<>();
        faces.forEach((c, f) -> out.put(c, dial(c, f, known.getOrDefault(c, List.of()))));
        return out;
    }

    private static Dial dial(String control, Face face, List<Dial.Pair> pairs) {
        try {
            return new Dial(face, pairs);
        } catch (IllegalArgumentException e) {
            throw new InputFault("--pair " + control, String.valueOf(e.getMessage()),
                    "name two or three places that rise or fall", e);
        }
    }

    private static Face face(String said) {
        try {
            return Face.typed(after(said));
        } catch (IllegalArgumentException e) {
            throw new InputFault("--scale " + said, String.valueOf(e.getMessage()),
                    "write it as 0..10, -50..50/1, \"20..20000 Hz\", 7:00..17:00 or \"vintage|modern\"", e);
        }
    }

    private static Dial.Pair pair(String said, Control c, Face face) {
        int from = said.indexOf('@') + 1;
        String marked = said.substring(from, Math.max(from, said.lastIndexOf('=')));
        OptionalDouble mark = face.read(marked);
        if (from == 0 || mark.isEmpty())
            throw new InputFault("--pair " + said, "\"" + marked + "\" is no mark of its scale",
                    "write CONTROL@MARK=VALUE, the mark from " + face.ends());
        return new Dial.Pair(mark.getAsDouble(), value("--pair", said, c));
    }

    private static double value(String option, String said, Control c) {
        try {
            return Dial.value(said.substring(said.lastIndexOf('=') + 1), c);
        } catch (IllegalArgumentException e) {
            throw new InputFault(option + " " + said, String.valueOf(e.getMessage()),
                    "write it in " + (c.unit().equals("0-10") ? "numbers from 0 to 10" : c.unit()), e);
        }
    }

    /** The control that stands before "=" or "@". */
    private static Control control(String option, String said, Model base) {
        int end = said.indexOf(option.equals("--pair") ? '@' : '=');
        String name = (end < 0 ? said : said.substring(0, end)).strip();
        Optional<Control> found = base.find(name);
        return found.orElseThrow(() -> new InputFault(option + " " + said, base.name() + " has no control \"" + name
                + "\"", "use one of " + String.join(", ", base.controls().stream().map(Control::name).toList())));
    }

    private static String after(String said) {
        return said.substring(said.indexOf('=') + 1).strip();
    }
}
