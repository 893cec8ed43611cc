package verisonus.desktop.shell;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.Tooltip;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import javax.sound.midi.Receiver;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.plan.MidiMap;
import verisonus.core.rig.Tone;
import verisonus.core.work.OutputFault;
import verisonus.desktop.derive.DeriveModel;
import verisonus.desktop.derive.DeriveView;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.floor.FloorSender;
import verisonus.desktop.floor.PlayersMap;
import verisonus.desktop.floor.SimulatedFloorUnit;
import verisonus.desktop.gear.GearModel;
import verisonus.desktop.gear.GearView;
import verisonus.desktop.listen.ListenModel;
import verisonus.desktop.listen.ListenView;
import verisonus.desktop.measure.MeasureModel;
import verisonus.desktop.measure.MeasureView;
import verisonus.desktop.perform.PerformView;
import verisonus.desktop.player.ListeningBar;
import verisonus.desktop.player.Source;
import verisonus.desktop.record.Guitarist;
import verisonus.desktop.record.Inputs;
import verisonus.desktop.record.RecordModel;
import verisonus.desktop.sheet.SheetModel;
import verisonus.desktop.sheet.SheetView;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;
import verisonus.desktop.travel.ThroughChoice;
import verisonus.desktop.travel.TravelModel;
import verisonus.desktop.travel.TravelView;
import verisonus.desktop.trial.TrialView;

/** The whole window: margin, title and thread, bench, work strip, listening bar; keys and dropped files. */
public final class ShellView extends StackPane implements AutoCloseable {
    private final Desk desk;
    private final RecordModel record;
    private final Theme theme;
    private final Map<Bench, Node> benches = new EnumMap<>(Bench.class);
    private final BorderPane middle = new BorderPane();
    private final Label note = Nodes.label("", "note");
    private final MarginView margin;
    private final ListenModel listen;
    private final MeasureModel measure;
    private final DeriveModel derive;
    private final DeriveView deriving;
    private final TrialView trial;
    private final PerformView perform;
    private final List<Command> commands;
    private final CommandFinder finder;
    private final GearView gear;
    private final ThreadView thread;
    private final SimulatedFloorUnit floorUnit = new SimulatedFloorUnit();
    private final PauseTransition tapped = new PauseTransition(Duration.seconds(2));

    public ShellView(Desk desk, Theme theme) {
        this.desk = desk;
        record = recording(desk);
        this.theme = theme;
        getStyleClass().add("shell");
        setFocusTraversable(true);
        measure = new MeasureModel(desk);
        derive = new DeriveModel(desk);
        listen = new ListenModel(desk);
        benches.put(Bench.LISTEN, new ListenView(listen, theme, record, this::chooseRecordings));
        benches.put(Bench.MEASURE, new MeasureView(measure, theme));
        deriving = new DeriveView(derive, theme, this::chooseRecordings);
        benches.put(Bench.DERIVE, deriving);
        perform = new PerformView(desk, theme);
        benches.put(Bench.PERFORM, perform);
        trial = new TrialView(desk, theme, new SecureRandom(), Clock.systemUTC());
        benches.put(Bench.TRIAL, trial);
        TravelModel travel = new TravelModel(desk, inputs(desk));
        benches.put(Bench.TRAVEL, new TravelView(travel, theme));
        benches.put(Bench.SHEET, new SheetView(new SheetModel(desk), theme));
        commands = commands();
        finder = new CommandFinder(this::everyCommand);
        thread = new ThreadView(desk, this::goTo);
        gear = new GearView(new GearModel(desk), () -> goTo(desk.bench().get()));
        margin = new MarginView(desk, this::showGear);
        middle.setTop(header());
        BorderPane frame = new BorderPane(middle);
        frame.setLeft(margin);
        frame.setBottom(new VBox(new WorkStrip(desk.work()), new ListeningBar(desk.player(), theme,
                new ThroughChoice(travel))));
        getChildren().addAll(frame, note, finder);
        note.setVisible(false);
        setAlignment(note, javafx.geometry.Pos.TOP_CENTER);
        setMargin(note, new Insets(84, 0, 0, 230));
        desk.bench().subscribe(this::goTo);
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) e.acceptTransferModes(TransferMode.COPY);
        });
        setOnDragDropped(e -> desk.addFiles(e.getDragboard().getFiles().stream().map(java.io.File::toPath).toList()));
    }

    private void showGear() {
        middle.setCenter(gear);
        thread.setAway(true);
    }

    /** To a bench, also from what is no bench. */
    private void goTo(Bench b) {
        desk.bench().set(b);
        middle.setCenter(benches.get(b));
        thread.setAway(false);
    }

    /** Offers the devices that take MIDI, sends to the chosen one and says what became of it. */
    private void sendTone() {
        Optional<Tone> tone = derive.tone().map(DerivedTone::tone);
        if (tone.isEmpty()) {
            say("Derive a tone first.");
            return;
        }
        Optional<MidiMap> map = PlayersMap.read();
        if (map.isEmpty()) {
            say("No two devices number their controls alike: choose the map of yours first"
                    + " (a CSV file: block, control, controller, channel).");
            return;
        }
        ContextMenu menu = new ContextMenu();
        for (String device : FloorSender.devices()) {
            MenuItem item = new MenuItem(device);
            item.setOnAction(_ -> sendTo(device, tone.get(), map.get()));
            menu.getItems().add(item);
        }
        menu.show(this, getScene().getWindow().getX() + 240, getScene().getWindow().getY() + 110);
    }

    private void chooseMap() {
        FileDialogs.open(getScene().getWindow(), "Control map of your floor unit",
                new javafx.stage.FileChooser.ExtensionFilter("CSV", "*.csv", "*.CSV"))
                .ifPresent(f -> desk.work().run("Reading " + f.getFileName(), _ -> PlayersMap.choose(f),
                        m -> say(m.lines().size() + " settings are in the map.")));
    }

    private void sendTo(String device, Tone tone, MidiMap map) {
        try {
            boolean simulated = device.equals(FloorSender.devices().getLast());
            Receiver receiver = simulated ? floorUnit : FloorSender.open(device);
            int left = new FloorSender(receiver).send(tone, map);
            if (!simulated) receiver.close();
            say("Sent to " + device + (left > 0 ? ", " + left + " settings are not in the map" : "")
                    + (simulated ? "; it took " + floorUnit.received() + " control changes" : ""));
        } catch (OutputFault e) {
            desk.work().tell(e);
        }
    }

    private HBox header() {
        Label title = Nodes.label("", "title");
        title.setId("case-title");
        Label about = Nodes.label("", "quiet");
        desk.open().subscribe(o -> {
            title.setText(o.map(c -> c.entry().name()).orElse("No case yet"));
            about.setText(o.map(ShellView::about).orElse("Press + new case, at the left."));
        });
        VBox words = Nodes.column(0, title, about);
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        Button night = Nodes.plain("night");
        night.setId("night");
        night.setTooltip(new Tooltip("day or night (Ctrl+N)"));
        night.setOnAction(_ -> theme.turn());
        theme.inks().subscribe(() -> night.setText(theme.isNight() ? "day" : "night"));
        Button find = Nodes.plain("find: Ctrl+K");
        find.setTooltip(new Tooltip("every command by name (Ctrl+K)"));
        find.setOnAction(_ -> openFinder());
        VBox corner = Nodes.column(0, night, find);
        corner.setMinWidth(Region.USE_PREF_SIZE);
        corner.setAlignment(javafx.geometry.Pos.TOP_RIGHT);
        HBox header = new HBox(16, words, space, thread, corner);
        header.setPadding(new Insets(12, 12, 8, 22));
        header.getStyleClass().addAll("header", "ruled-below");
        return header;
    }

    private static String about(OpenCase c) {
        String region = c.region().map(r -> String.format(java.util.Locale.ROOT, "%s %.1f–%.1f s", r.role().words(),
                r.fromS(), r.toS())).orElse("no region marked");
        return c.entry().artist().isEmpty() ? region : c.entry().artist() + " · " + region;
    }

    private List<Command> commands() {
        List<Command> out = new java.util.ArrayList<>();
        for (Bench b : Bench.values()) {
            out.add(Command.of("Go to bench " + b.words(), String.valueOf(b.number()), () -> goTo(b)));
        }
        out.add(Command.of("Add recordings", "Ctrl+O", this::chooseRecordings)
                .also("open file import load choose song take di backing wav"));
        out.add(Command.of("Add the recordings that were copied", "Ctrl+V", this::paste).also("paste file"));
        out.add(Command.of("Play or pause", "Space", desk.player()::toggle).also("start stop listen"));
        for (Source s : Source.values()) {
            if (!s.isNamed()) continue;
            out.add(Command.of("Hear " + s.words(), s.key(), () -> desk.player().choose(s)));
        }
        out.add(Command.of("Loop the region on or off", "L",
                () -> desk.player().looping().set(!desk.player().looping().get())));
        out.add(Command.of("Hear it in the mix on or off", "", () -> {
            if (desk.player().hasBacking().get()) desk.player().inTheMix().set(!desk.player().inTheMix().get());
        }));
        out.add(Command.of("Louder by 1 dB", "Ctrl+Up", () -> desk.player().step(1))
                .also("volume up level"));
        out.add(Command.of("Softer by 1 dB", "Ctrl+Down", () -> desk.player().step(-1))
                .also("volume down level quieter"));
        out.add(Command.of("Mark the next passage worth studying", "A", () -> {
            if (!listen.acceptNext()) say("Nothing more stands out.");
        }));
        out.add(Command.of("Hear the reference another way: middle, sides, ringing part …", "I", () -> {
            listen.nextIsolation();
            say("Heard: " + desk.isolation().get().words() + ", " + desk.isolation().get().about() + ".");
        }));
        out.add(Command.of("Tap the tempo", "T", this::tap)
                .also("bpm beat"));
        out.add(Command.of("Measure the region", "Ctrl+M", () -> measure.measure())
                .also("analyse analyze evidence"));
        out.add(Command.of("Hear an exchanged part as it comes, or balanced", "F",
                () -> derive.chain().toggleBalance()));
        out.add(Command.of("Next gap: find the move that helps most, then make it", "G", () -> {
            desk.bench().set(Bench.DERIVE);
            deriving.next();
        }));
        out.add(Command.of("Derive a tone", "Ctrl+D", () -> derive.derive())
                .also("make match create find get settings sound amp search"));
        out.add(Command.of("Send the tone to a floor unit over MIDI", "", this::sendTone)
                .also("export program transmit"));
        out.add(Command.of("Choose the control map of your floor unit", "", this::chooseMap)
                .also("midi controller numbers csv"));
        out.add(Command.of("My gear", "Ctrl+G", this::showGear)
                .also("rig own equipment amps pedals devices"));
        out.add(Command.of("Undo", "Ctrl+Z", () -> say(desk.undo().map(w -> "Taken back: " + w)
                .orElse("Nothing to take back."))));
        out.add(Command.of("Redo", "Ctrl+Shift+Z", () -> say(desk.redo().map(w -> "Made again: " + w)
                .orElse("Nothing to make again."))));
        out.add(Command.of("New case", "", () -> margin().ask())
                .also("begin create song project"));
        out.add(Command.of("Day or night", "Ctrl+N", theme::turn)
                .also("dark light theme"));
        out.add(Command.of("Find a command, see all keys", "Ctrl+K", this::openFinder)
                .also("shortcuts keyboard help"));
        out.add(Command.of("Explain what is under focus", "F1", this::explain)
                .also("help what"));
        return out;
    }

    private List<Command> everyCommand() {
        List<Command> all = new java.util.ArrayList<>(commands);
        all.addAll(BenchCommands.of(desk, benches));
        return all;
    }

    private void chooseRecordings() {
        desk.addFiles(FileDialogs.recordings(getScene().getWindow()));
    }

    /** Files that were copied in another program are added as if they were dropped. */
    private void paste() {
        List<java.nio.file.Path> files = Clipboard.getSystemClipboard().getFiles().stream().map(java.io.File::toPath)
                .toList();
        if (files.isEmpty()) {
            say("There is no file to paste: copy a recording first, or choose one with Ctrl+O.");
        } else {
            desk.addFiles(files);
        }
    }

    /** Taps stand as the region's tempo two seconds after the last. */
    private void tap() {
        if (desk.bench().get() == Bench.PERFORM) {
            perform.tap();
            return;
        }
        say(measure.tap(System.nanoTime()));
        tapped.setOnFinished(_ -> measure.settleTaps());
        tapped.playFromStart();
    }

    private MarginView margin() {
        return margin;
    }

    private void openFinder() {
        finder.open();
    }

    /** Records from the machine's input; where there is none the demo's guitarist plays the open case's phrase. */
    private static RecordModel recording(Desk desk) {
        return new RecordModel(desk, inputs(desk));
    }

    private static Inputs inputs(Desk desk) {
        Guitarist standIn = Guitarist.found();
        return new Inputs(take -> standIn.play(desk.open().get().map(o -> o.entry().name()).orElse(""), take));
    }

    /** Says what the focused part is for: its accessible words, its tooltip where it has one. */
    private void explain() {
        Optional<Node> focus = Optional.ofNullable(getScene().getFocusOwner());
        String said = focus.map(Node::getAccessibleText).filter(t -> !t.isEmpty())
                .or(() -> focus.filter(n -> n instanceof javafx.scene.control.Control)
                        .map(n -> ((javafx.scene.control.Control) n).getTooltip()).map(Tooltip::getText))
                .orElse("Move the focus with Tab, then press F1 again.");
        say(said);
    }

    /** Shows one line until the next key. */
    private void say(String text) {
        note.setText(text);
        note.setVisible(true);
    }

    private void key(KeyEvent e) {
        if (e.getCode() == KeyCode.ESCAPE) desk.work().dismissFault();
        note.setVisible(false);
        boolean typing = e.getTarget() instanceof TextInputControl;
        // A field keeps its own keys, its undo among them; only the finder and F1 reach through.
        boolean reaches = e.getCode() == KeyCode.F1 || e.isControlDown() && e.getCode() == KeyCode.K;
        if (typing && !reaches) return;
        // Space plays, so Enter is what presses the button under focus.
        if (e.getCode() == KeyCode.ENTER && e.getTarget() instanceof ButtonBase b) {
            e.consume();
            b.fire();
            return;
        }
        boolean plain = !e.isControlDown() && !e.isAltDown() && !e.isMetaDown();
        if (plain && trial.key(e.getCode())) {
            e.consume();
            return;
        }
        for (Command c : commands) {
            if (c.keys().filter(k -> k.match(e)).isPresent()) {
                e.consume();
                c.action().run();
                return;
            }
        }
    }

    /** Ends what plays on a thread of its own. */
    @Override
    public void close() {
        record.close();
    }

    public Desk desk() {
        return desk;
    }
}
