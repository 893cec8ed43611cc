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
import verisonus.core.rig.Tone;
import verisonus.core.work.OutputFault;

/** Sends a tone to a floor unit: a control change a setting, by the player's own map. */
public final class FloorSender {
    private final Receiver receiver;

    public FloorSender(Receiver receiver) {
        this.receiver = receiver;
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
     * Sends the settings that the player's map knows.
     *
     * @return how many of the tone's settings are not in the map
     */
    public int send(Tone tone, MidiMap map) {
        try {
            for (MidiMap.Change c : map.changes(tone))
                receiver.send(new ShortMessage(ShortMessage.CONTROL_CHANGE, c.channel() - 1, c.controller(), c.value()),
                        -1);
        } catch (InvalidMidiDataException e) {
            throw new IllegalArgumentException(e);
        }
        return map.leftOut(tone).size();
    }
}
