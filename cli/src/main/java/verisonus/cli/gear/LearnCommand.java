package verisonus.cli.gear;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneInput;
import verisonus.core.capture.passes.DeviceLearning;
import verisonus.core.capture.passes.Knob;
import verisonus.core.capture.passes.LearningPlan;
import verisonus.core.capture.passes.SendThrough;
import verisonus.core.capture.passes.SentBack;
import verisonus.core.rig.Dial;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Unit;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** {@code gear learn}: a pedal or a sound of a floor unit, learnt by playing one file through it. */
@Command(name = "learn", mixinStandardHelpOptions = true, description = {
        "Learns a pedal, an echo, a movement or a space from one playing through.",
        "First --signal writes the file to send and says when to turn what: the first pass goes past the device, in bypass.",
        "Then --recording takes what came back, the whole of it as it was recorded; nothing need be cut or laid.",
        "An amp is learnt with its loudspeaker by the command capture."})
final class LearnCommand extends CommonOptions implements Callable<Integer> {
    private static final int SECONDS_A_MINUTE = 60;

    @Option(names = "--name", paramLabel = "NAME", description = "what you call it")
    private String name = "";

    @Option(names = "--kind", required = true, paramLabel = "KIND", description = "drive, compressor, modulation, echo or reverb")
    private String kind = "";

    @Option(names = "--control", paramLabel = "\"WORD[=CONTROL] [SCALE]\"", description = "a control as it is called there, what it does where the word does not say it, and what stands round it (0..10 else): gain, \"sustain=drive 7:00..17:00\"; again for more")
    private List<String> controls = new ArrayList<>();

    @Option(names = "--setting", paramLabel = "\"WORD=MARK, …\"", description = "a pass of your own in place of those that are proposed; again for more")
    private List<String> settings = new ArrayList<>();

    @Option(names = "--check", paramLabel = "\"WORD=MARK, …\"", description = "with --setting: a last pass that is not learnt from; what was learnt is measured on it")
    private @Nullable String check;

    @Option(names = "--pause", paramLabel = "S", description = "seconds to turn between passes, 8 where nothing is said; the same for signal and recording")
    private double pauseS = 8;

    @Option(names = "--signal", paramLabel = "OUT.wav", description = "writes the file to send through the device")
    private @Nullable Path signal;

    @Option(names = "--recording", paramLabel = "FILE", description = "what came back")
    private @Nullable Path recording;

    @Option(names = "--rig", paramLabel = "RIG.json", description = "your gear, into which the device goes; without it a rig of that device alone")
    private @Nullable Path rig;

    @Option(names = "--out", paramLabel = "RIG.json", description = "where your gear with the device is written")
    private @Nullable Path out;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Mixin
    private final ForceOption force = new ForceOption();

    @Override
    public Integer call() {
        LearningPlan plan = plan(kind());
        SendThrough sent = sent(plan);
        if (signal == null && recording == null)
            throw new InputFault("gear learn", "there is nothing to do", "give --signal, or --recording with --out");
        if (signal != null) {
            OutputFile file = force.to(signal);
            file.check();
            file.write(SoundWriter.encode(sent.signal(), SoundWriter.Format.WAV_24));
            System.err.printf("verisonus: wrote %s; send it no louder than a guitar, and begin to record first%n",
                    signal);
            schedule(plan, sent);
        }
        if (recording != null) learn(plan, sent, recording);
        return 0;
    }

    private GearKind kind() {
        return DeviceLearning.KINDS.stream().filter(k -> k.word().equals(kind.strip().toLowerCase(Locale.ROOT)))
                .findFirst().orElseThrow(() -> new InputFault("--kind " + kind, "that is not learnt so",
                        "use " + DeviceLearning.KINDS.stream().map(GearKind::word).collect(Collectors.joining(", "))
                                + "; an amp is learnt by the command capture"));
    }

    private SendThrough sent(LearningPlan plan) {
        try {
            return new SendThrough(plan.kind(), plan.passes(), pauseS);
        } catch (IllegalArgumentException e) {
            throw new InputFault("--pause " + pauseS, "it is no pause to turn in", "use 1 to 120 seconds", e);
        }
    }

    private LearningPlan plan(GearKind of) {
        try {
            List<Knob> knobs = controls.stream().map(c -> Knob.said(c, of)).toList();
            if (settings.isEmpty()) return LearningPlan.usual(of, knobs);
            List<Map<String, Double>> all = new ArrayList<>(settings.stream().map(s -> setting(s, knobs)).toList());
            if (check != null) all.add(setting(check, knobs));
            return new LearningPlan(of, knobs, all, check == null
                    ? OptionalInt.empty()
                    : OptionalInt.of(all.size()
                            - 1));
        } catch (IllegalArgumentException e) {
            throw new InputFault("gear learn", String.valueOf(e.getMessage()),
                    "name every control once, as \"sustain=drive 0..10\"", e);
        }
    }

    private static Map<String, Double> setting(String said, List<Knob> knobs) {
        Map<String, Double> out = new LinkedHashMap<>();
        for (String part : said.split(",", -1)) {
            int at = part.lastIndexOf('=');
            String word = at < 0 ? part.strip() : part.substring(0, at).strip();
            Knob knob = knobs.stream().filter(k -> k.label().equals(word)).findFirst()
                    .orElseThrow(() -> new InputFault("--setting " + said, "there is no control \"" + word + "\"",
                            "name it with --control first"));
            double mark = knob.face().read(at < 0 ? "" : part.substring(at + 1)).orElseThrow(
                    () -> new InputFault("--setting " + said, "\"" + part.strip() + "\" ends in no mark of its scale",
                            "use " + knob.face().ends()));
            out.put(word, mark);
        }
        return out;
    }

    private void schedule(LearningPlan plan, SendThrough sent) {
        if (json.asked() && recording == null) {
            ObjectNode doc = Json.object("verisonus.passes/1");
            ArrayNode all = doc.putArray("passes");
            for (int p = 0; p < plan.passes(); p++) {
                ObjectNode one = all.addObject();
                Json.put(one, "turn_from_s", sent.turnFromS(p), 2);
                Json.put(one, "plays_from_s", sent.passAtS(p), 2);
                one.put("set", plan.words(p));
            }
            json.print(doc);
            return;
        }
        if (json.asked()) return;
        for (int p = 0; p < plan.passes(); p++)
            System.out.print(Figures.of("%6s  %s%n", clock(sent.turnFromS(p)), plan.change(p)));
        boolean checked = plan.checks().isPresent();
        System.out.print(Figures.of("%6s  end%s%n", clock(sent.signal().durationS()), checked
                ? "; the last pass is not learnt from, it measures how far off the rest comes"
                : ""));
    }

    private static String clock(double s) {
        return Figures.of("%d:%02d", (int) s / SECONDS_A_MINUTE, (int) s % SECONDS_A_MINUTE);
    }

    private void learn(LearningPlan plan, SendThrough sent, Path from) {
        if (out == null)
            throw new InputFault("gear learn", "a learnt device goes into a rig, and none is named",
                    "add --out RIG.json");
        if (name.isBlank() || Gear.find(name).isPresent())
            throw new InputFault("--name " + name, "it is not a name of your own", "choose one that no model has");
        OutputFile file = force.to(Objects.requireNonNull(out));
        file.check();
        Rig before = rig == null ? new Rig(List.of(), Map.of(), Map.of(), 32) : ToneInput.rig(rig);
        if (before.unit(name).isPresent())
            throw new InputFault("--name " + name, "there is such a device already", "use another name");
        SentBack back = SentBack.of(from.toString(), AudioInput.read(from), sent, plan::words);
        DeviceLearning.Learnt learnt;
        try {
            learnt = ToneInput.shared(workers -> DeviceLearning.of(name, plan, sent, back, workers, Progress.NONE));
        } catch (IllegalArgumentException e) {
            throw new InputFault("gear learn", String.valueOf(e.getMessage()), "name fewer controls, or other ones", e);
        }
        file.write(Json.text(ToneJson.write(before.with(learnt.unit()))));
        print(plan, learnt);
    }

    private void print(LearningPlan plan, DeviceLearning.Learnt l) {
        if (json.asked()) {
            ObjectNode doc = Json.object("verisonus.learnt_device/1").put("name", l.unit().name()).put("model",
                    l.unit().base());
            Json.put(doc, "apart_steps", l.apart(), 2);
            l.checkJnd().ifPresent(v -> Json.put(doc, "check_jnd", v, 2));
            l.checkPlainJnd().ifPresent(v -> Json.put(doc, "check_unlearnt_jnd", v, 2));
            Json.put(doc, "latency_s", l.back().latencyS(), 4);
            Json.put(doc, "drift_ppm", l.back().driftPpm(), 1);
            Json.put(doc, "cable_gain_db", l.back().gainDb(), 1);
            doc.put("polarity_turned", l.back().turned());
            ObjectNode dials = doc.putObject("controls");
            l.unit().dials().forEach((control, d) -> dials.put(control, d.words()));
            ArrayNode idle = doc.putArray("nothing_heard_of");
            l.idle().forEach(idle::add);
            json.print(doc);
            return;
        }
        System.out.print(Figures.of("learnt \"%s\": nearest is %s, %.1f steps of 3 dB off what was played%n",
                l.unit().name(), l.unit().base(), l.apart()));
        for (Knob k : plan.knobs()) {
            Dial dial = l.unit().dials().get(k.means());
            if (dial != null) System.out.print(Figures.of("  %-12s %s: %s%n", k.label(), k.means(), dial.words()));
        }
        for (String k : l.idle()) System.out.println("  " + k + ": nothing was heard of it; it is left out");
        if (l.checkJnd().isPresent())
            System.out.print(Figures.of(
                    "at a setting that was not learnt from it is %.1f JND off; the model turned as far, %.1f%n",
                    l.checkJnd().getAsDouble(), l.checkPlainJnd().orElse(Double.NaN)));
        if (l.back().turned()) System.out.println("the cables turn the polarity; it was turned back");
    }
}
