package verisonus.desktop.derive;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import verisonus.casebook.sheet.ToneSheet;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.work.Figures;
import verisonus.desktop.derive.chain.ChainFoot;
import verisonus.desktop.derive.chain.ChainTable;
import verisonus.desktop.derive.chain.WaysView;
import verisonus.desktop.derive.choices.ChoicesView;
import verisonus.desktop.derive.own.StartsView;
import verisonus.desktop.session.AgedTone;
import verisonus.desktop.session.CaseSession;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The derive bench: the chain as a table of ruled scales, and the ledger of what still differs. */
public final class DeriveView extends BorderPane {
    private static final double NARROW = 960;

    private final DeriveModel model;
    private final CaseSession session;
    private final AgedTone aged;
    private final Label verdict = Nodes.wrapped("", "heading");
    private final VBox open = Nodes.column(0);
    private final Label summary = Nodes.wrapped("", "quiet", "small");
    private final Button derive = new Button("Derive");
    private final Button step = new Button();
    private final Button sketch = new Button("Sketch it from the record alone");
    private final ChainTable table;
    private final LedgerView ledger;
    private final WaysView ways;
    private final ChainFoot foot;
    private final StartsView starts;
    private final ScrollPane chain;
    private final BorderPane left;
    private final ChoicesView schools;

    /** @param choose lets the player choose recordings to add */
    public DeriveView(DeriveModel model, Theme theme, Runnable choose) {
        this.model = model;
        session = model.session();
        aged = new AgedTone(session);
        getStyleClass().add("derive");
        ledger = new LedgerView(model, theme);
        table = new ChainTable(model.chain(), theme);
        derive.setId("derive");
        derive.getStyleClass().add("first");
        derive.setOnAction(_ -> model.derive());
        schools = new ChoicesView(model.choices(), derive);
        sketch.setId("sketch");
        Hint.on(sketch, "a guitar that is nobody's plays in place of yours: dirt and colour come near, all else"
                + " is open until you play it yourself");
        sketch.setOnAction(_ -> model.derive());
        step.setId("next-step");
        step.setOnAction(_ -> choose.run());
        VBox words = Nodes.column(2, verdict, open, summary, soFar(), aged(), new HBox(10, step, sketch));
        HBox.setHgrow(words, Priority.ALWAYS);
        VBox head = Nodes.column(8, words, schools);
        head.setPadding(new Insets(14, 16, 6, 22));
        ways = new WaysView(model.chain());
        ways.setPadding(new Insets(4, 12, 12, 22));
        chain = new ScrollPane(new VBox(table, ways));
        chain.setFitToWidth(true);
        chain.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        starts = new StartsView(model.starts(), theme, choose);
        left = new BorderPane(chain);
        left.setTop(head);
        foot = new ChainFoot(model.chain());
        left.setBottom(foot);
        setCenter(left);
        setRight(ledger);
        widthProperty().subscribe(w -> fitTo(w.doubleValue()));
        session.desk().open().subscribe(this::show);
        session.desk().sounds().subscribe(this::show);
        model.chain().shown().subscribe(this::show);
        show();
        session.desk().work().busy().subscribe(_ -> enable());
    }

    /** The best of a search that is still running. */
    private HBox soFar() {
        Label words = Nodes.wrapped("", "small");
        words.setId("so-far");
        Button hear = Nodes.plain("hear it");
        hear.setId("so-far-hear");
        hear.setMinWidth(USE_PREF_SIZE);
        hear.setOnAction(_ -> model.interim().hear());
        HBox box = new HBox(10, words, hear);
        model.interim().best().subscribe(b -> {
            words.setText(
                    b.map(s -> Figures.of("So far, after %.0f s: %s.", Math.max(1, s.afterS()), SoFarWords.of(s.tone(),
                            session.rig()))).orElse(""));
            box.setVisible(b.isPresent());
            box.setManaged(b.isPresent());
        });
        return box;
    }

    /** What has become of a tone that was kept when the simulation sounded otherwise. */
    private HBox aged() {
        Label words = Nodes.wrapped("", "small", "gap-ink");
        words.setId("aged");
        Button accept = Nodes.plain("take it as it sounds now");
        accept.setId("aged-accept");
        accept.setMinWidth(USE_PREF_SIZE);
        accept.setOnAction(_ -> aged.accept());
        HBox box = new HBox(10, words, accept);
        HBox.setHgrow(words, Priority.ALWAYS);
        aged.aged().subscribe(a -> {
            words.setText(a.map(AgedTone.Aged::words).orElse(""));
            box.setVisible(a.isPresent());
            box.setManaged(a.isPresent());
        });
        return box;
    }

    /** Goes on to the next gap: looks for the move, then makes it. */
    public void next() {
        ledger.ask("next");
        model.advice().next();
    }

    /** A narrow window keeps settings and locks in sight and leaves out what they rest on, which the tooltips say too. */
    private void fitTo(double width) {
        boolean narrow = width < NARROW;
        ledger.setPrefWidth(narrow ? 290 : 344);
        table.fit(narrow);
    }

    private void show() {
        Optional<DerivedTone> tone = session.tone();
        String missing = session.missing();
        boolean own = model.starts().isWithoutRecord();
        boolean begins = model.starts().isAsked();
        verdict.setText(begins
                ? "No record here. What should the tone start from?"
                : tone.map(ToneSheet::nearnessInOneLine).orElse("No tone derived yet."));
        open.getChildren().setAll(tone.filter(_ -> !begins).map(ToneSheet::leftOpen).orElse(List.of()).stream()
                .map(s -> Nodes.wrapped("○ " + s, "small")).toList());
        open.setManaged(!open.getChildren().isEmpty());
        summary.setText(unheard().or(() -> tone.map(DeriveView::summary)).orElse(session.canBegin()
                ? "The recording and the dry take are ready: the search takes about ten seconds."
                        + (missing.isEmpty() ? "" : " It looks for the best passage by itself.")
                : missing));
        derive.setText(tone.isPresent() ? "Derive again" : "Derive");
        if (own)
            summary.setText(begins
                    ? ""
                    : "Say how it should sound, or turn the controls yourself. The logbook keeps every step.");
        summary.setManaged(!summary.getText().isEmpty());
        left.setCenter(begins ? starts : chain);
        starts.setVisible(begins);
        foot.setVisible(!begins);
        foot.setManaged(!begins);
        schools.setVisible(!own);
        schools.setManaged(!own);
        starts.show();
        boolean begun = !own && session.desk().open().get().isPresent() && session.lacksRecording();
        step.setText("Choose recordings…");
        step.setVisible(begun);
        step.setManaged(begun);
        sketch.setVisible(begun && model.canSketch());
        sketch.setManaged(sketch.isVisible());
        enable();
        table.show();
        ways.setVisible(tone.isPresent());
        tone.ifPresent(t -> ways.show(t.tone()));
        ledger.show();
        ledger.setVisible(tone.isPresent());
        ledger.setManaged(tone.isPresent() || !begins);
        foot.showLegend(tone.isPresent());
    }

    private void enable() {
        derive.setDisable(!session.canBegin() || session.desk().work().busy().get());
    }

    /** Names the blocks that could as well be left out, once they have been weighed. */
    private Optional<String> unheard() {
        return model.chain().contributions().filter(c -> !c.unheard().isEmpty()).map(c -> {
            String names = String.join(", ", c.unheard());
            return c.unheardTogetherJnd().map(t -> t >= 1
                    ? Figures.of("Each unheard alone: %s; all out together %.1f JND.", names, t)
                    : "Could be left out, even together: " + names + ".")
                    .orElse("Could be left out: " + names + ".");
        });
    }

    private static String summary(DerivedTone t) {
        int locked = t.locked().places().size();
        List<String> helps = t.remarks().sketch().helps();
        String help = helps.isEmpty() ? "" : " Would help most: " + String.join("; ", helps) + ".";
        return Figures.of("From a take of %s, in %.0f s%s.%s", t.search().pairing().said(),
                t.search().seconds(),
                locked == 0 ? "" : locked == 1 ? "; one setting locked" : "; " + locked + " settings locked", help);
    }
}
