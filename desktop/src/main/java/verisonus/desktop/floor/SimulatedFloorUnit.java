package verisonus.desktop.floor;

import java.util.ArrayList;
import java.util.List;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;
import verisonus.core.plan.MidiMap;
import verisonus.core.rig.Tone;

/** A floor unit that ships with the program: it takes the control changes that are sent and reports what it holds. */
public final class SimulatedFloorUnit implements Receiver {
    static final String NAME = "simulated floor unit";

    private final List<MidiMap.Change> changes = new ArrayList<>();

    @Override
    public synchronized void send(MidiMessage message, long timeStamp) {
        if (message instanceof ShortMessage m && m.getCommand() == ShortMessage.CONTROL_CHANGE)
            changes.add(new MidiMap.Change(m.getChannel() + 1, m.getData1(), m.getData2()));
    }

    /** How many control changes came in. */
    public synchronized int received() {
        return changes.size();
    }

    /** What it holds of a tone whose map it shares: the same chain with the values as they came in. */
    public synchronized Tone holds(Tone shape, MidiMap map) {
        Tone out = shape;
        for (MidiMap.Change c : changes) out = map.received(out, c);
        return out;
    }

    @Override
    public void close() {
        // It stays as it is when the cable is pulled.
    }
}
