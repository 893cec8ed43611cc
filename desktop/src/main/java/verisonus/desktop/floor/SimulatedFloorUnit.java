package verisonus.desktop.floor;

import java.util.LinkedHashMap;
import java.util.Map;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;
import verisonus.core.plan.MidiMap;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;

/** A floor unit that ships with the program: it takes what is sent on its channel and reports what it holds. */
public final class SimulatedFloorUnit implements Receiver {
    static final String NAME = "simulated floor unit";

    private final int channel;
    private final Map<Integer, Integer> controllers = new LinkedHashMap<>();
    private int program = -1;

    /** @param channel 1 to 16; others are not listened to */
    public SimulatedFloorUnit(int channel) {
        this.channel = channel;
    }

    @Override
    public synchronized void send(MidiMessage message, long timeStamp) {
        if (!(message instanceof ShortMessage m) || m.getChannel() != channel - 1) return;
        if (m.getCommand() == ShortMessage.PROGRAM_CHANGE) {
            program = m.getData1();
            controllers.clear();
        } else if (m.getCommand() == ShortMessage.CONTROL_CHANGE) {
            controllers.put(m.getData1(), m.getData2());
        }
    }

    /** The chosen program, −1 before any. */
    public synchronized int program() {
        return program;
    }

    /** What it holds of a tone whose map it shares: the same chain with the values as they came in. */
    public synchronized Tone holds(Tone shape) {
        MidiMap map = new MidiMap(shape);
        Tone out = shape;
        for (Map.Entry<Integer, Integer> e : controllers.entrySet()) {
            var line = map.line(e.getKey());
            if (line.isEmpty()) continue;
            Block b = out.find(line.get().block()).orElseThrow();
            out = out.with(b.with(line.get().control().name(), MidiMap.received(line.get().control(), e.getValue())));
        }
        return out;
    }

    @Override
    public void close() {
        // It stays as it is when the cable is pulled.
    }
}
