package verisonus.desktop.shell;

import java.nio.file.Path;
import java.security.SecureRandom;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.animation.PauseTransition;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
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
import org.jspecify.annotations.Nullable;
import verisonus.casebook.arrival.ArrivedFile;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.GearKind;
import verisonus.core.work.Figures;
import verisonus.desktop.derive.DeriveModel;
import verisonus.desktop.derive.DeriveView;
import verisonus.desktop.desk.Arrivals;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.floor.FloorSending;
import verisonus.desktop.gear.GearModel;
import verisonus.desktop.gear.GearView;
import verisonus.desktop.listen.ListenModel;
import verisonus.desktop.listen.ListenView;
import verisonus.desktop.measure.MeasureModel;
import verisonus.desktop.measure.MeasureView;
import verisonus.desktop.perform.PerformView;
import verisonus.desktop.player.ListeningBar;
import verisonus.desktop.record.Guitarist;
import verisonus.desktop.record.Inputs;
import verisonus.desktop.record.RecordModel;
import verisonus.desktop.session.CaseSession;
import verisonus.desktop.sheet.SheetModel;
import verisonus.desktop.sheet.SheetView;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;
import verisonus.desktop.travel.ThroughChoice;
import verisonus.desktop.travel.TravelModel;
import verisonus.desktop.travel.TravelView;
import verisonus.desktop.trial.TrialView;
import verisonus.desktop.walk.Walk;
import verisonus.desktop.walk.WalkStrip;

/** The whole window: margin, title and thread, bench, work strip, listening bar; keys and dropped files. */
public final class ShellView extends StackPane implements AutoCloseable, WindowCommands.Shell {
    private final Desk desk;
    private final RecordModel record;
    private final Theme theme;
    private final Benches benches = new Benches();
    private final BorderPane middle = new BorderPane();
    private final Label note = Nodes.label("", "note");
    private final MarginView margin;
    private final ListenModel listen;
    private final MeasureModel measure;
    private final DeriveModel derive;
    private final List<Command> commands;
    private final CommandFinder finder;
    private @Nullable GearView gear;
    private final ThreadView thread;
    private final FloorSending floor;
    private final Arrivals arrivals;
    private final TravelModel travel;
    private final KeySheet keys;
    private final WalkStrip walk;
    private Consumer<Path> openBook = f -> say(
            "Close this casebook and open the other: verisonus open " + f.getFileName());
    private final PauseTransition tapped = new PauseTransition(Duration.seconds(2));

    public ShellView(Desk desk, Theme theme) {
        this.desk = desk;
        record = recording(desk);
        this.theme = theme;
        getStyleClass().add("shell");
        setFocusTraversable(true);
        measure = new MeasureModel(desk);
        derive = new DeriveModel(new CaseSession(desk));
        listen = new ListenModel(desk);
        arrivals = new Arrivals(desk, this::take);
        arrivals.said().subscribe(this::sayIfAny);
        derive.said().subscribe(this::sayIfAny);
        measure.said().subscribe(this::sayIfAny);
        floor = new FloorSending(derive.session()::settings, desk, this::say);
        walk = new WalkStrip(new Walk(desk));
        travel = new TravelModel(desk, inputs(desk));
        benches.put(Bench.LISTEN, () -> new ListenView(listen, theme, record, this::chooseRecordings));
        benches.put(Bench.MEASURE, () -> new MeasureView(measure, theme));
        benches.put(Bench.DERIVE, () -> new DeriveView(derive, theme, this::chooseRecordings));
        benches.put(Bench.PERFORM, () -> new PerformView(desk, theme));
        benches.put(Bench.TRIAL, () -> new TrialView(desk, theme, new SecureRandom(), Clock.systemUTC()));
        benches.put(Bench.TRAVEL, () -> new TravelView(travel, theme));
        benches.put(Bench.SHEET, () -> new SheetView(new SheetModel(desk), theme));
        benches.makeSoon();
        commands = new WindowCommands(desk, theme, listen, measure, derive,
                () -> (DeriveView) benches.get(Bench.DERIVE), this).all();
        finder = new CommandFinder(this::everyCommand);
        keys = new KeySheet(commands);
        thread = new ThreadView(desk, this::goTo);
        margin = new MarginView(desk, this::showGear);
        middle.setTop(header());
        BorderPane frame = new BorderPane(middle);
        frame.setLeft(margin);
        frame.setBottom(new VBox(walk, new WorkStrip(desk.work()), new ListeningBar(desk.player(), theme,
                new ThroughChoice(travel))));
        getChildren().addAll(frame, note, finder, keys);
        note.setVisible(false);
        setAlignment(note, javafx.geometry.Pos.TOP_CENTER);
        setMargin(note, new Insets(84, 0, 0, 230));
        desk.bench().subscribe(this::goTo);
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) e.acceptTransferModes(TransferMode.COPY);
        });
        setOnDragDropped(e -> arrivals.add(e.getDragboard().getFiles().stream().map(java.io.File::toPath).toList()));
    }

    @Override
    public void showGear() {
        if (gear == null) gear = new GearView(new GearModel(desk), () -> goTo(desk.bench().get()));
        middle.setCenter(gear);
        thread.setAway(true);
    }

    /** To a bench, also from what is no bench. */
    @Override
    public void goTo(Bench b) {
        desk.bench().set(b);
        middle.setCenter(benches.get(b));
        thread.setAway(false);
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
        Hint.on(night, "day or night (Ctrl+N)");
        night.setOnAction(_ -> theme.turn());
        theme.inks().subscribe(() -> night.setText(theme.isNight() ? "day" : "night"));
        Button find = Nodes.plain("find: Ctrl+K");
        Hint.on(find, "every command by name (Ctrl+K)");
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
        String region = c.region().map(r -> Figures.of("%s %.1f–%.1f s", r.role().words(),
                r.fromS(), r.toS())).orElse("no region marked");
        return c.entry().artist().isEmpty() ? region : c.entry().artist() + " · " + region;
    }

    private List<Command> everyCommand() {
        List<Command> all = new java.util.ArrayList<>(commands);
        all.addAll(BenchCommands.of(desk, benches.all()));
        return all;
    }

    @Override
    public void chooseRecordings() {
        arrivals.add(FileDialogs.recordings(getScene().getWindow()));
    }

    /** Files that were copied in another program are added as if they were dropped. */
    @Override
    public void paste() {
        List<Path> files = Clipboard.getSystemClipboard().getFiles().stream().map(java.io.File::toPath)
                .toList();
        if (files.isEmpty()) {
            say("There is no file to paste: copy a recording first, or choose one with Ctrl+O.");
        } else {
            arrivals.add(files);
        }
    }

    /** Taps stand as the region's tempo two seconds after the last. */
    @Override
    public void tap() {
        if (desk.bench().get() == Bench.PERFORM) {
            ((PerformView) benches.get(Bench.PERFORM)).tap();
            return;
        }
        say(measure.tap(System.nanoTime()));
        tapped.setOnFinished(_ -> measure.settleTaps());
        tapped.playFromStart();
    }

    @Override
    public void newCase() {
        margin.ask();
    }

    @Override
    public void changeLast() {
        arrivals.changeLast();
    }

    @Override
    public void sendTone() {
        floor.offer(this);
    }

    @Override
    public void chooseMap() {
        floor.chooseMap(getScene().getWindow());
    }

    @Override
    public void showKeys() {
        keys.open();
    }

    @Override
    public void walk() {
        walk.begin();
    }

    /** Offers the walk, where the casebook is one to learn with. */
    void offerWalk() {
        walk.offer();
    }

    /** What is no recording goes where it belongs. */
    private void take(ArrivedFile f) {
        switch (f.kind()) {
            case IMPULSE -> takeImpulse(f.file());
            case RESPONSE -> travel.importSystem(f.file());
            case TONE -> derive.takeTone(f.file());
            case RIG -> desk.forBook("Reading " + f.file().getFileName(),
                    _ -> ToneJson.readRig(f.file().toString(), Json.read(f.file())))
                    .keep(desk.book()::keepRig).begin();
            case CASEBOOK -> openBook.accept(f.file());
            case REFERENCE, TAKE, BACKING -> throw new IllegalStateException("a recording joins the case by itself");
        }
    }

    private void takeImpulse(Path file) {
        Optional<Block> cabinet = derive.session().settings().flatMap(t -> t.first(GearKind.CABINET));
        if (cabinet.isEmpty()) {
            say("Derive a tone first: the response then takes the place of its loudspeaker and microphone.");
            return;
        }
        derive.chain().takeImpulse(cabinet.get(), file);
    }

    /** @param how opens another casebook in the place of this one */
    void setOpenBook(Consumer<Path> how) {
        openBook = how;
    }

    @Override
    public void openFinder() {
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

    /** Says what the focused part is for: its accessible words, or its hint where it has one. */
    @Override
    public void explain() {
        Optional<Node> focus = Optional.ofNullable(getScene().getFocusOwner());
        String said = focus.map(Node::getAccessibleText).filter(t -> !t.isEmpty())
                .or(() -> focus.flatMap(Hint::of))
                .orElse("Move the focus with Tab, then press F1 again.");
        say(said);
    }

    private void sayIfAny(String text) {
        if (!text.isEmpty()) say(text);
    }

    /** Shows one line until the next key. */
    @Override
    public void say(String text) {
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
        if (plain && (benches.ifMade(Bench.TRIAL).filter(t -> ((TrialView) t).key(e.getCode())).isPresent()
                || benches.ifMade(Bench.PERFORM).filter(p -> ((PerformView) p).key(e.getCode())).isPresent())) {
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
        benches.close();
        record.close();
    }

    public Desk desk() {
        return desk;
    }
}
