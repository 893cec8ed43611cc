package verisonus.cli.perform;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.RegionOptions;
import verisonus.core.perform.foot.FootLimits;
import verisonus.core.perform.foot.FootRide;
import verisonus.core.perform.foot.PedalRange;
import verisonus.core.perform.foot.PedalRangeFinder;
import verisonus.core.perform.foot.PedalUse;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** From where to where a foot may move a control. */
@Command(name = "pedal", mixinStandardHelpOptions = true, description = "From where to where a foot may move a control: heel where the change is first heard, toe before a limit breaks.")
public final class PedalCommand extends CommonOptions implements Callable<Integer> {
    @Mixin
    private ToneWithTake played = new ToneWithTake();

    @Option(names = "--control", paramLabel = "BLOCK/CONTROL", converter = PlaceConverter.class, description = "what the pedal moves")
    private @Nullable ControlPlace control;

    @Option(names = "--use", paramLabel = "PEDAL=BLOCK/CONTROL:HEEL:TOE", description = "check what is on a pedal already; again for more")
    private List<String> uses = new ArrayList<>();

    @Option(names = "--ridden", paramLabel = "REF", description = "read off the record what somebody rode while it was made, as moves for a foot; --from and --to choose a part")
    private @Nullable Path ridden;

    @Mixin
    private RegionOptions regions = new RegionOptions();

    @Option(names = "--least-clarity", paramLabel = "SHARE", description = "of the phrase's ups and downs that must be left, 0 to 1 (default: 0.5)")
    private double leastClarity = FootLimits.USUAL.leastClarity();

    @Option(names = "--longest-repeats", paramLabel = "S", description = "how long repeats may go on (default: 8)")
    private double longestRepeats = FootLimits.USUAL.longestRepeatsS();

    @Option(names = "--loudness-window", paramLabel = "LU", description = "how far the loudness may move (default: 3)")
    private double loudness = FootLimits.USUAL.loudnessLu();

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        if (control == null && uses.isEmpty() && ridden == null)
            throw new InputFault("pedal", "there is nothing to do",
                    "give --control, --ridden with the record, or --use to check what is there");
        if (ridden == null) {
            regions.withoutReference();
            regions.withoutTake();
        }
        Tone tone = played.tone();
        ObjectNode doc = Json.object("verisonus.pedal/1");
        if (control != null) {
            PedalRange r = new PedalRangeFinder(tone, played.take(), limits()).of(control, Progress.NONE);
            Control c = tone.find(control.block()).orElseThrow().model().control(control.control());
            write(doc, r);
            if (!json.asked()) print(r, c);
        }
        if (ridden != null) ridden(ridden, tone, doc);
        List<PedalUse> used = uses.stream().map(u -> use(u, tone)).toList();
        List<String> faults = new ArrayList<>(PedalUse.faults(used, tone, List.of()));
        Optional<Sound> phrase = used.isEmpty() ? Optional.empty() : Optional.of(played.take());
        for (PedalUse u : used) phrase.flatMap(p -> u.louder(tone, p, limits().loudnessLu())).ifPresent(faults::add);
        ArrayNode said = doc.putArray("faults");
        faults.forEach(said::add);
        if (json.asked()) {
            json.print(doc);
        } else {
            faults.forEach(System.out::println);
        }
        return 0;
    }

    private void ridden(Path record, Tone tone, ObjectNode doc) {
        List<FootRide> rides = FootRide
                .read(regions.reference(record), regions.take(played.takeFile()), regions.takeAtS(), tone,
                        Progress.NONE)
                .stream().map(r -> r.later(regions.fromS())).toList();
        ArrayNode out = doc.putArray("ridden");
        for (FootRide r : rides) {
            ObjectNode one = out.addObject().put("what", r.what());
            r.place().ifPresentOrElse(p -> one.put("control", p.toString()), () -> one.putNull("control"));
            ArrayNode moves = one.putArray("moves");
            for (FootRide.Move m : r.moves()) {
                ObjectNode move = moves.addObject();
                Json.put(move, "from_s", m.fromS(), 2);
                Json.put(move, "to_s", m.toS(), 2);
                boolean speed = r.scale() == FootRide.Scale.HZ;
                Json.put(move, speed ? "from_hz" : "from_db", m.from(), speed ? 2 : 1);
                Json.put(move, speed ? "to_hz" : "to_db", m.to(), speed ? 2 : 1);
                Json.put(move, "from_value", m.fromValue(), speed ? 2 : 1);
                Json.put(move, "to_value", m.toValue(), speed ? 2 : 1);
            }
        }
        if (json.asked()) return;
        if (rides.isEmpty())
            System.out.println(
                    "nothing that a hand rode can be followed: level, speed and repeats stand still, or hide in the playing");
        for (FootRide r : rides) {
            System.out.println(r.what() + r.place().map(p -> ", " + p)
                    .orElse(r.scale() == FootRide.Scale.HZ ? ", which nothing in the tone makes" : ", its level"));
            for (FootRide.Move m : r.moves()) System.out.println("  " + m.words(v -> shown(r, tone, v)));
        }
    }

    private static String shown(FootRide r, Tone tone, double value) {
        return r.place().flatMap(p -> tone.find(p.block()).flatMap(b -> b.model().find(p.control())))
                .map(c -> c.display(value)).orElse(r.scale().words(value));
    }

    private FootLimits limits() {
        try {
            return new FootLimits(leastClarity, FootLimits.USUAL.mostDryLossDb(), longestRepeats, loudness);
        } catch (IllegalArgumentException e) {
            throw new InputFault("the limits", String.valueOf(e.getMessage()), "see pedal --help", e);
        }
    }

    private static PedalUse use(String said, Tone tone) {
        String form = "write pedal=echo/mix:5:40";
        int equals = said.indexOf('=');
        String[] part = said.substring(equals + 1).split(":", -1);
        if (equals <= 0 || part.length != 3) throw new InputFault(said, "it names no pedal, control and ends", form);
        ControlPlace place = new PlaceConverter().convert(part[0]);
        double heel = number(said, part[1]);
        double toe = number(said, part[2]);
        if (heel > toe)
            throw new InputFault(said, "its range is turned round: the heel stands above the toe",
                    "name the lower value first, or turn the pedal's direction on the device");
        if (heel == toe) throw new InputFault(said, "it does not move", "give two different values");
        tone.find(place.block()).flatMap(b -> b.model().find(place.control())).ifPresent(c -> {
            if (heel < c.minimum() || toe > c.maximum())
                throw new InputFault(said, place + " goes from " + c.display(c.minimum()) + " to "
                        + c.display(c.maximum()), "stay within it");
        });
        return new PedalUse(said.substring(0, equals), place, heel, toe);
    }

    private static double number(String said, String text) {
        try {
            double v = Double.parseDouble(text);
            if (Double.isFinite(v)) return v;
        } catch (NumberFormatException e) {
            throw new InputFault(said, "\"" + text + "\" is no number", "write pedal=echo/mix:5:40", e);
        }
        throw new InputFault(said, "\"" + text + "\" is no number", "write pedal=echo/mix:5:40");
    }

    private static void write(ObjectNode doc, PedalRange r) {
        doc.put("control", r.place().toString()).put("useful", r.isUseful());
        Json.put(doc, "low", r.low(), 3);
        Json.put(doc, "high", r.high(), 3);
        Json.put(doc, "start", r.start(), 3);
        doc.put("low_because", r.lowWhy()).put("high_because", r.highWhy()).put("plain_track_will_do", r.even());
        ArrayNode anchors = doc.putArray("anchors");
        for (PedalRange.Anchor a : r.anchors()) {
            ObjectNode one = anchors.addObject();
            Json.put(one, "travel_percent", 100 * a.travel(), 0);
            Json.put(one, "value", a.value(), 3);
            Json.put(one, "heard_jnd", a.heardJnd(), 2);
            one.put("repeats", a.repeats() < 0 ? null : Integer.valueOf(a.repeats()));
            if (a.repeatsS() < 0) one.putNull("repeats_s");
            else Json.put(one, "repeats_s", a.repeatsS(), 2);
        }
    }

    private static void print(PedalRange r, Control c) {
        if (!r.isUseful()) {
            System.out.println(r.place() + ": nothing for a foot, " + Objects.requireNonNull(r.lowWhy()));
            return;
        }
        System.out.printf("%s: heel %s (%s), toe %s (%s); in the tone %s%n", r.place(), c.display(r.low()), r.lowWhy(),
                c.display(r.high()), r.highWhy(), c.display(r.start()));
        System.out.println(r.even() ? "the control's own track will do" : "set the pedal's curve to these places:");
        for (PedalRange.Anchor a : r.anchors())
            System.out.printf(Locale.ROOT, "%4.0f %%  %-10s %5.1f JND%s%n", 100 * a.travel(), c.display(a.value()), a
                    .heardJnd(),
                    a.repeats() < 0
                            ? ""
                            : Figures.of("  %d repeats, %.1f s", a.repeats(), a.repeatsS()));
    }
}
