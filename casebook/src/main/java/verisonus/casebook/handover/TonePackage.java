package verisonus.casebook.handover;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.DeviceDocument;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.SafeFileName;
import verisonus.casebook.exchange.SettingsCsv;
import verisonus.casebook.exchange.ToneJson;
import verisonus.casebook.sheet.SheetContents;
import verisonus.casebook.sheet.SheetFormat;
import verisonus.casebook.sheet.SheetPart;
import verisonus.casebook.sheet.ToneSheet;
import verisonus.casebook.sheet.write.Paper;
import verisonus.core.rig.Block;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Unit;
import verisonus.core.simulate.LinearResponse;
import verisonus.core.sound.codec.SoundWriter;

/**
 * What is handed over with a tone.
 *
 * @param tone the settings
 * @param rig whose devices they are for
 * @param words what the player says beside it
 * @param clip how it sounds, a WAV or FLAC file's bytes, where the player gives one
 */
public record TonePackage(Tone tone, Rig rig, Words words, Optional<Clip> clip) {
    static final String SCHEMA = "verisonus.package/1";
    static final String CONTENTS = "package.json";
    static final String TONE = "tone.json";
    static final String DEVICES = "devices/";
    static final String RESPONSES = "responses/";
    static final String CLIP = "clip.";
    private static final int[] RATES_HZ = {44100, 48000, 96000};

    /**
     * What no file can know; each empty where nothing is said.
     *
     * @param guitar which guitar and pickup it was made with
     * @param heardOn on which loudspeakers it was judged
     * @param licence under which others may use it
     */
    public record Words(String guitar, String heardOn, String licence) {
        public static final Words NONE = new Words("", "", "");
    }

    /**
     * A sound to be put in.
     *
     * @param ending "wav" or "flac"
     */
    public record Clip(String ending, byte[] bytes) {}

    /** The files by name, in the order of the package; the same tone gives the same bytes but for the sheet, which says when it was made. */
    public Map<String, byte[]> files() {
        Map<String, byte[]> out = new LinkedHashMap<>();
        Optional<LinearResponse> response = LinearResponse.of(tone);
        out.put(TONE, bytes(Json.text(ToneJson.write(tone))));
        out.put("settings.csv", bytes(SettingsCsv.write(tone, SettingsCsv.columns(""))));
        ToneSheet sheet = ToneSheet.ofSettings(tone, rig);
        out.put("sheet.pdf", SheetFormat.PDF.write(sheet,
                sheet.settingsPage(new SheetContents(SheetPart.all(), List.of())), Paper.A4));
        for (Unit u : devices())
            out.put(DEVICES + SafeFileName.of(u.name(), "json"), bytes(Json.text(DeviceDocument.write(rig, u))));
        response.ifPresent(r -> {
            for (int rate : RATES_HZ) {
                out.put(RESPONSES + rate + "-24bit.wav", SoundWriter.encode(r.at(rate), SoundWriter.Format.WAV_24));
                out.put(RESPONSES + rate + "-float.wav", SoundWriter.encode(r.at(rate), SoundWriter.Format.WAV_FLOAT));
            }
        });
        clip.ifPresent(c -> out.put(CLIP + c.ending, c.bytes));
        Map<String, byte[]> all = new LinkedHashMap<>();
        all.put(CONTENTS, bytes(Json.text(contents(out, response))));
        all.putAll(out);
        return all;
    }

    /** The player's own devices that the tone stands on. */
    private List<Unit> devices() {
        List<Unit> out = new ArrayList<>();
        for (Block b : tone.blocks())
            rig.unit(b.model().name()).filter(u -> !out.contains(u)).ifPresent(out::add);
        out.sort(Comparator.comparing(Unit::name));
        return out;
    }

    private ObjectNode contents(Map<String, byte[]> files, Optional<LinearResponse> response) {
        ObjectNode out = Json.object(SCHEMA).put("name", tone.name());
        out.put("guitar", words.guitar).put("heard_on", words.heardOn).put("licence", words.licence);
        response.ifPresent(r -> {
            ObjectNode linear = out.putObject("response");
            r.blocks().forEach(linear.putArray("stands_for")::add);
            Json.put(linear, "null_db", r.nullDb(), 1);
        });
        files.keySet().forEach(out.putArray("files")::add);
        return out;
    }

    private static byte[] bytes(String text) {
        return text.getBytes(java.nio.charset.StandardCharsets.UTF_8);
    }
}
