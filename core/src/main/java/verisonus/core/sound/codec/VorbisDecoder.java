package verisonus.core.sound.codec;

import com.jcraft.jogg.Packet;
import com.jcraft.jogg.Page;
import com.jcraft.jogg.StreamState;
import com.jcraft.jogg.SyncState;
import com.jcraft.jorbis.Block;
import com.jcraft.jorbis.Comment;
import com.jcraft.jorbis.DspState;
import com.jcraft.jorbis.Info;
import verisonus.core.sound.Sound;

/** Ogg Vorbis by the JOrbis library, cut at the last page's granule position. */
final class VorbisDecoder {
    /** A header of words without any: type, "vorbis", no vendor, no comment, the framing bit. */
    private static final byte[] NO_WORDS = {3, 'v', 'o', 'r', 'b', 'i', 's', 0, 0, 0, 0, 0, 0, 0, 0, 1};

    private final AudioBytes bytes;
    private final SyncState sync = new SyncState();
    private final StreamState stream = new StreamState();
    private final Page page = new Page();
    private final Packet packet = new Packet();
    private final Info info = new Info();
    private final Comment comment = new Comment();
    private long lastGranule = -1;
    private int headers;
    private boolean streamStarted;
    private boolean ended;

    VorbisDecoder(AudioBytes bytes) {
        this.bytes = bytes;
    }

    DecodedSound decode() {
        sync.init();
        info.init();
        comment.init();
        int at = sync.buffer(bytes.data().length);
        System.arraycopy(bytes.data(), 0, sync.data, at, bytes.data().length);
        sync.wrote(bytes.data().length);
        DspState dsp = new DspState();
        Block block = new Block(dsp);
        SampleSink sink = null;
        DecodingBudget budget = new DecodingBudget(bytes, 0);
        for (int found = sync.pageout(page); found != 0; found = sync.pageout(page)) {
            // Bytes between pages are passed over.
            if (found < 0) continue;
            if (sink != null && budget.isSpent(sink.frames())) break;
            if (!streamStarted) {
                stream.init(page.serialno());
                streamStarted = true;
            }
            if (stream.pagein(page) < 0) continue;
            if (page.granulepos() > 0) lastGranule = page.granulepos();
            ended |= page.eos() != 0;
            while (stream.packetout(packet) == 1) {
                if (headers < 3) {
                    tame();
                    if (info.synthesis_headerin(comment, packet) < 0)
                        throw bytes.fault("the Ogg file holds no Vorbis sound");
                    if (++headers == 3) {
                        bytes.requireShape(info.channels, info.rate);
                        dsp.synthesis_init(info);
                        block.init(dsp);
                        sink = new SampleSink(info.channels);
                    }
                } else if (sink != null) {
                    decodePacket(dsp, block, sink);
                }
            }
        }
        if (sink == null) throw bytes.fault("the Vorbis headers are incomplete");
        return finish(sink);
    }

    /** Words are none of ours, so the library gets none; tables are built only from a setup that can be one. */
    private void tame() {
        if (headers == 1) {
            packet.packet_base = NO_WORDS;
            packet.packet = 0;
            packet.bytes = NO_WORDS.length;
        } else if (headers == 2) {
            VorbisSetup.check(bytes, packet.packet_base, packet.packet, packet.bytes);
        }
    }

    private DecodedSound finish(SampleSink sink) {
        Sound sound = new Sound(sink.channels(), info.rate);
        if (lastGranule > 0 && lastGranule < sound.frames()) sound = sound.sliceFrames(0, (int) lastGranule);
        DecodedSound decoded = new DecodedSound(sound);
        return ended ? decoded : decoded.warning("damaged: the end of the Ogg file is missing");
    }

    private void decodePacket(DspState dsp, Block block, SampleSink sink) {
        if (block.synthesis(packet) == 0) dsp.synthesis_blockin(block);
        float[][][] pcm = new float[1][][];
        int[] index = new int[info.channels];
        for (int n = dsp.synthesis_pcmout(pcm, index); n > 0; n = dsp.synthesis_pcmout(pcm, index)) {
            for (int c = 0; c < info.channels; c++) sink.add(c, pcm[0][c], index[c], n);
            sink.advance(n);
            dsp.synthesis_read(n);
        }
    }
}
