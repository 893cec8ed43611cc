package verisonus.casebook.exchange;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.Base64;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.rig.Impulse;
import verisonus.core.sound.Sound;
import verisonus.core.sound.SoundReader;
import verisonus.core.work.InputFault;

/**
 * The measured response of a block. It travels inside the tone, as 32-bit floats in base 64, so that a tone is whole by itself;
 * a tone written by hand may name a WAV file instead, beside the tone: {@code "impulse_file": "box.wav"}.
 */
final class ImpulseJson {
    private ImpulseJson() {}

    static void write(Impulse impulse, ObjectNode out) {
        float[] x = impulse.sound().mid();
        ByteBuffer bytes = ByteBuffer.allocate(4 * x.length).order(ByteOrder.LITTLE_ENDIAN);
        for (float v : x) bytes.putFloat(v);
        out.put("name", impulse.name()).put("sample_rate_hz", impulse.sound().rateHz()).put("samples", Base64
                .getEncoder().encodeToString(bytes.array()));
    }

    static Optional<Impulse> read(String name, JsonNode block) {
        if (block.has("impulse_file")) {
            Path file = Path.of(name).resolveSibling(block.get("impulse_file").asString(""));
            return Optional.of(new Impulse(String.valueOf(file.getFileName()), SoundReader.read(file).sound()));
        }
        JsonNode node = block.path("impulse");
        if (!node.isObject()) return Optional.empty();
        try {
            ByteBuffer bytes = ByteBuffer.wrap(Base64.getDecoder().decode(node.path("samples").asString("")))
                    .order(ByteOrder.LITTLE_ENDIAN);
            float[] x = new float[bytes.remaining() / 4];
            for (int i = 0; i < x.length; i++) x[i] = bytes.getFloat();
            if (x.length < 16) throw new InputFault(name, "its impulse response is empty", "name a WAV file instead");
            return Optional.of(new Impulse(node.path("name").asString("impulse"),
                    Sound.mono(x, node.path("sample_rate_hz").asInt(48000))));
        } catch (IllegalArgumentException e) {
            throw new InputFault(name, "its impulse response cannot be read", "name a WAV file instead", e);
        }
    }
}
