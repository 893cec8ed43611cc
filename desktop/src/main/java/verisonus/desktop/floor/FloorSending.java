package verisonus.desktop.floor;

import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import javax.sound.midi.Receiver;
import verisonus.core.plan.MidiMap;
import verisonus.core.rig.Tone;
import verisonus.core.work.OutputFault;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.theme.FileDialogs;

/** Sends the tone to a floor unit by the player's own map of its controls, and says what became of it. */
public final class FloorSending {
    private final Supplier<Optional<Tone>> tone;
    private final Desk desk;
    private final Consumer<String> say;
    private final SimulatedFloorUnit simulated = new SimulatedFloorUnit();

    public FloorSending(Supplier<Optional<Tone>> tone, Desk desk, Consumer<String> say) {
        this.tone = tone;
        this.desk = desk;
        this.say = say;
    }

    /** Offers the devices that take MIDI, over the window that holds this node. */
    public void offer(Node over) {
        Optional<Tone> now = tone.get();
        if (now.isEmpty()) {
            say.accept("Derive a tone first.");
            return;
        }
        Optional<MidiMap> map = PlayersMap.read();
        if (map.isEmpty()) {
            say.accept("No two devices number their controls alike: choose the map of yours first"
                    + " (a CSV file: block, control, controller, channel).");
            return;
        }
        ContextMenu menu = new ContextMenu();
        for (String device : FloorSender.devices()) {
            MenuItem item = new MenuItem(device);
            item.setOnAction(_ -> send(device, now.get(), map.get()));
            menu.getItems().add(item);
        }
        Window window = over.getScene().getWindow();
        menu.show(over, window.getX() + 240, window.getY() + 110);
    }

    public void chooseMap(Window over) {
        FileDialogs
                .open(over, "Control map of your floor unit", new FileChooser.ExtensionFilter("CSV", "*.csv", "*.CSV"))
                .ifPresent(f -> desk.forBook("Reading " + f.getFileName(), _ -> PlayersMap.choose(f))
                        .show(m -> say.accept(m.lines().size() + " settings are in the map.")));
    }

    private void send(String device, Tone sent, MidiMap map) {
        try {
            boolean standIn = device.equals(FloorSender.devices().getLast());
            Receiver receiver = standIn ? simulated : FloorSender.open(device);
            int left = new FloorSender(receiver).send(sent, map);
            if (!standIn) receiver.close();
            say.accept("Sent to " + device + (left > 0 ? ", " + left + " settings are not in the map" : "")
                    + (standIn ? "; it took " + simulated.received() + " control changes" : ""));
        } catch (OutputFault e) {
            desk.work().tell(e);
        }
    }
}
