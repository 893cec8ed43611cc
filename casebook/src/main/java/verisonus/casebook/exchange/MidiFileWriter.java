package verisonus.casebook.exchange;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import verisonus.core.plan.MidiMap;
import verisonus.core.rig.Tone;
import verisonus.core.work.InputFault;

/** A tone's settings as a Standard MIDI File of one track: a control change a setting, one after the other. */
public final class MidiFileWriter {
    private static final int TICKS_PER_QUARTER = 480;
    private static final int APART_TICKS = 10;
    private static final int TRACK_NAME = 3;

    private MidiFileWriter() {}

    /** @throws InputFault where the map moves nothing of the tone */
    public static byte[] write(Tone tone, MidiMap map) {
        if (map.changes(tone).isEmpty())
            throw new InputFault("the map", "it moves no setting of " + tone.name(),
                    "name blocks and controls as the tone does");
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, TICKS_PER_QUARTER);
            Track track = sequence.createTrack();
            byte[] name = tone.name().getBytes(StandardCharsets.UTF_8);
            track.add(new MidiEvent(new MetaMessage(TRACK_NAME, name, name.length), 0));
            long at = 0;
            for (MidiMap.Change c : map.changes(tone)) {
                track.add(new MidiEvent(
                        new ShortMessage(ShortMessage.CONTROL_CHANGE, c.channel() - 1, c.controller(), c.value()),
                        at += APART_TICKS));
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            MidiSystem.write(sequence, 0, out);
            return out.toByteArray();
        } catch (InvalidMidiDataException e) {
            throw new IllegalStateException(e);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
