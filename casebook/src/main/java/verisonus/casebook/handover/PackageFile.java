package verisonus.casebook.handover;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.exchange.DeviceDocument;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.work.InputFault;

/**
 * A package as a file. One that comes from somebody else is read whole before anything is written, within limits of number and size, and
 * holds nothing but the names that a package has; its tone and its devices must be readable.
 */
public final class PackageFile {
    /** How such a file ends. */
    public static final String ENDING = ".verisonus-tone";
    private static final int MOST_FILES = 64;
    private static final int MOST_BYTES = 64 << 20;
    /** A name is one of these, or a file of a plain name in one of the two folders. */
    private static final Pattern NAMES = Pattern.compile("package\\.json|tone\\.json|settings\\.csv|sheet\\.pdf"
            + "|clip\\.(wav|flac)|responses/[0-9]{5,6}-(24bit|float)\\.wav|devices/[^/\\\\:\\p{Cntrl}]{1,120}\\.json");
    private static final String AGAIN = "ask for it again, from whoever made it";

    private PackageFile() {}

    /** The package as bytes; no time of day goes into it but the sheet's. */
    public static byte[] write(TonePackage tone) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            for (Map.Entry<String, byte[]> e : tone.files().entrySet()) {
                ZipEntry entry = new ZipEntry(e.getKey());
                entry.setTime(0);
                zip.putNextEntry(entry);
                zip.write(e.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /**
     * What was handed over.
     *
     * @param files all of it, by name
     * @param tone its settings
     * @param rig everything that can be simulated, with its devices
     * @param said what stands in its list
     */
    public record Opened(Map<String, byte[]> files, Tone tone, Rig rig, JsonNode said) {}

    /**
     * Reads one.
     *
     * @param name stands in errors
     * @throws InputFault where it is no package, or holds what none does
     */
    public static Opened read(String name, byte[] bytes) {
        Map<String, byte[]> files = files(name, bytes);
        byte[] list = files.get(TonePackage.CONTENTS);
        byte[] tone = files.get(TonePackage.TONE);
        if (list == null || tone == null) throw new InputFault(name, "it is no package of a tone", AGAIN);
        JsonNode said = json(name, TonePackage.CONTENTS, list);
        if (!said.path("schema").asString("").equals(TonePackage.SCHEMA))
            throw new InputFault(name, "it is a package of a kind that is not read",
                    "open it with a newer version of this program");
        Rig rig = Rig.everything();
        for (Map.Entry<String, byte[]> e : files.entrySet()) {
            String inner = name + "/" + e.getKey();
            if (e.getKey().startsWith(TonePackage.DEVICES))
                rig = DeviceDocument.into(rig, inner, json(name, e.getKey(), e.getValue()));
            if (e.getKey().endsWith(".wav") || e.getKey().endsWith(".flac")) SoundReader.decode(inner, e.getValue());
        }
        return new Opened(files, ToneJson.read(name + "/" + TonePackage.TONE, json(name, TonePackage.TONE, tone)), rig,
                said);
    }

    private static JsonNode json(String name, String inner, byte[] bytes) {
        return Json.parse(name + "/" + inner, new String(bytes, StandardCharsets.UTF_8));
    }

    private static Map<String, byte[]> files(String name, byte[] bytes) {
        Map<String, byte[]> out = new LinkedHashMap<>();
        int left = MOST_BYTES;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes), StandardCharsets.UTF_8)) {
            for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                if (out.size() >= MOST_FILES)
                    throw new InputFault(name, "it holds more files than a package has", AGAIN);
                if (!NAMES.matcher(e.getName()).matches() || e.getName().contains(".."))
                    throw new InputFault(name, "it holds a file that no package has", AGAIN);
                byte[] content = content(name, zip, left);
                left -= content.length;
                if (out.put(e.getName(), content) != null)
                    throw new InputFault(name, "it holds a file twice", AGAIN);
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new InputFault(name, "it is damaged and cannot be opened", AGAIN, e);
        }
        return out;
    }

    /** What a file says of its own size is not asked: it ends where too much has come. */
    private static byte[] content(String name, InputStream in, int most) throws IOException {
        byte[] out = in.readNBytes(most + 1);
        if (out.length > most) throw new InputFault(name, "it unpacks to more than a package holds", AGAIN);
        return out;
    }
}
