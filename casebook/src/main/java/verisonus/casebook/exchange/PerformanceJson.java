package verisonus.casebook.exchange;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.perform.foot.PedalUse;
import verisonus.core.perform.song.Section;
import verisonus.core.perform.song.SongMap;
import verisonus.core.perform.song.SwitchWay;
import verisonus.core.perform.time.NoteSum;
import verisonus.core.perform.time.TempoBinding;
import verisonus.core.rig.ControlPlace;
import verisonus.core.work.InputFault;

/** What belongs to the playing of a tone: what follows the beat, what is under a foot, a song's sections. */
public final class PerformanceJson {
    private PerformanceJson() {}

    /** The beat and what follows it. */
    public record Tempo(double bpm, List<TempoBinding> bindings) {
        public Tempo {
            TempoBinding.check(bpm);
            bindings = List.copyOf(bindings);
        }
    }

    /** A song's sections and how the device changes between them. */
    public record Song(List<SongMap.Part> parts, SwitchWay way) {
        public static final Song NONE = new Song(List.of(), SwitchWay.FLOOR_UNIT);

        public Song {
            parts = List.copyOf(parts);
        }
    }

    public static ObjectNode write(Tempo t) {
        ObjectNode out = Json.object().put("bpm", t.bpm);
        ArrayNode list = out.putArray("bindings");
        for (TempoBinding b : t.bindings)
            list.addObject().put("place", b.place().toString()).put("length", b.length().words());
        return out;
    }

    public static Tempo tempo(String name, JsonNode n) {
        return read(name, () -> {
            List<TempoBinding> out = new ArrayList<>();
            for (JsonNode b : n.path("bindings"))
                out.add(new TempoBinding(ControlPlace.parse(b.path("place").asString("")),
                        NoteSum.parse(b.path("length").asString(""))));
            return new Tempo(n.path("bpm").asDouble(), out);
        });
    }

    public static ObjectNode write(PedalUse p) {
        return Json.object().put("pedal", p.pedal()).put("place", p.place().toString()).put("low", p.low()).put("high",
                p.high());
    }

    public static PedalUse pedal(String name, JsonNode n) {
        return read(name, () -> new PedalUse(n.path("pedal").asString(""),
                ControlPlace.parse(n.path("place").asString("")), n.path("low").asDouble(),
                n.path("high").asDouble()));
    }

    public static ObjectNode write(Song s) {
        ObjectNode out = Json.object().put("one_move", s.way.oneMove()).put("gap_ms", s.way.gapMs()).put("tails_go_on",
                s.way.tailsGoOn());
        ArrayNode list = out.putArray("parts");
        for (SongMap.Part p : s.parts)
            list.addObject().put("section", p.section().name()).put("from_s", p.section().fromS())
                    .put("to_s", p.section().toS()).put("variant", p.variant());
        return out;
    }

    public static Song song(String name, JsonNode n) {
        return read(name, () -> {
            List<SongMap.Part> out = new ArrayList<>();
            for (JsonNode p : n.path("parts"))
                out.add(new SongMap.Part(new Section(p.path("section").asString(""), p.path("from_s").asDouble(),
                        p.path("to_s").asDouble()), p.path("variant").asString("")));
            return new Song(out, new SwitchWay(n.path("one_move").asBoolean(true), n.path("gap_ms").asDouble(),
                    n.path("tails_go_on").asBoolean(true)));
        });
    }

    private static <T> T read(String name, java.util.function.Supplier<T> work) {
        try {
            return work.get();
        } catch (IllegalArgumentException e) {
            throw new InputFault(name, "what it says of the playing cannot be used (" + e.getMessage() + ")",
                    "restore it from a copy", e);
        }
    }
}
