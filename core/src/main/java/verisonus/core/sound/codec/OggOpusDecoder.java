package verisonus.core.sound.codec;

import com.jcraft.jogg.Packet;
import com.jcraft.jogg.Page;
import com.jcraft.jogg.StreamState;
import com.jcraft.jogg.SyncState;
import io.github.jaredmdobson.concentus.OpusException;
import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/** Opus in Ogg (RFC 7845), ended where the last page says. */
final class OggOpusDecoder {
    /** The first packet of the first page stands here. */
    private static final int FIRST_PACKET = 28;
    private static final int HEADERS = 2;

    private final AudioBytes bytes;

    OggOpusDecoder(AudioBytes bytes) {
        this.bytes = bytes;
    }

    static boolean isOne(AudioBytes bytes) {
        return bytes.startsWith("OggS") && bytes.hasAt(FIRST_PACKET, "OpusHead");
    }

    DecodedSound decode() throws OpusException {
        SyncState sync = new SyncState();
        StreamState stream = new StreamState();
        Page page = new Page();
        Packet packet = new Packet();
        sync.init();
        int at = sync.buffer(bytes.data().length);
        System.arraycopy(bytes.data(), 0, sync.data, at, bytes.data().length);
        sync.wrote(bytes.data().length);
        DecodingBudget budget = new DecodingBudget(bytes, 0);
        @Nullable
        OpusPackets packets = null;
        boolean started = false;
        boolean ended = false;
        int headers = 0;
        long lastGranule = -1;
        for (int found = sync.pageout(page); found != 0; found = sync.pageout(page)) {
            if (found < 0) continue;
            if (packets != null && budget.isSpent(packets.frames())) break;
            if (!started) {
                stream.init(page.serialno());
                started = true;
            }
            if (stream.pagein(page) < 0) continue;
            if (page.granulepos() > 0) lastGranule = page.granulepos();
            ended |= page.eos() != 0;
            while (stream.packetout(packet) == 1) {
                byte[] p = Arrays.copyOfRange(packet.packet_base, packet.packet, packet.packet + packet.bytes);
                if (headers++ == 0) packets = new OpusPackets(bytes, p);
                else if (packets != null && headers > HEADERS) packets.add(p);
            }
        }
        if (packets == null) throw bytes.fault("its Opus header is incomplete");
        long shown = ended && lastGranule > packets.before() ? lastGranule - packets.before() : Long.MAX_VALUE;
        DecodedSound out = packets.decoded(shown);
        return ended ? out : out.warning("it ends early: the end of the recording is missing");
    }
}
