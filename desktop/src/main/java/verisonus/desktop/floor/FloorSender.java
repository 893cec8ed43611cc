package verisonus.desktop.floor;

import java.util.ArrayList;
import java.util.List;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiDevice;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.MidiUnavailableException;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;
import verisonus.core.plan.MidiMap;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.work.OutputFault;

/** Sends a tone to a floor unit: the program first, then a control change a setting. */
public final class FloorSender {
    private final Receiver receiver;
    private final int channel;

    /** @param channel 1 to 16 */
    public FloorSender(Receiver receiver, int channel) {
        if (channel < 1 || channel > 16) throw new IllegalArgumentException("MIDI channel " + channel);
        this.receiver = receiver;
        this.channel = channel;
    }

    /** Names of the devices that take MIDI; the simulated unit last. */
    public static List<String> devices() {
        List<String> out = new ArrayList<>();
        for (MidiDevice.Info info : MidiSystem.getMidiDeviceInfo()) {
            try {
                if (MidiSystem.getMidiDevice(info).getMaxReceivers() != 0) out.add(info.getName());
            } catch (MidiUnavailableException e) {
                // Another program holds it; it is not offered.
                continue;
            }
        }
        out.add(SimulatedFloorUnit.NAME);
        return out;
    }

    /** @throws OutputFault where the device has gone or is held by another program */
    public static Receiver open(String name) {
        for (MidiDevice.Info info : MidiSystem.getMidiDeviceInfo()) {
            if (!info.getName().equals(name)) continue;
            try {
                MidiDevice device = MidiSystem.getMidiDevice(info);
                if (device.getMaxReceivers() == 0) continue;
                device.open();
                return device.getReceiver();
            } catch (MidiUnavailableException e) {
                throw new OutputFault(name, "it cannot be opened: " + e.getMessage(),
                        "close the program that holds it, or plug it in again");
            }
        }
        throw new OutputFault(name, "there is no such MIDI device", "plug it in, then choose again");
    }

    /**
     * Sends all settings.
     *
     * @param program 0 to 127
     * @return how many settings found no controller
     */
    public int send(Tone tone, int program) {
        MidiMap map = new MidiMap(tone);
        try {
            receiver.send(new ShortMessage(ShortMessage.PROGRAM_CHANGE, channel - 1, program, 0), -1);
            for (MidiMap.Line l : map.lines()) {
                Block b = tone.find(l.block()).orElseThrow();
                receiver.send(new ShortMessage(ShortMessage.CONTROL_CHANGE, channel - 1, l.controller(),
                        MidiMap.sent(l.control(), b.get(l.control().name()))), -1);
            }
        } catch (InvalidMidiDataException e) {
            throw new IllegalArgumentException("program " + program, e);
        }
        return map.leftOut();
    }
}
