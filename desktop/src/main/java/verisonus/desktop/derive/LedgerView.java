package verisonus.desktop.derive;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.core.advise.PlayingShare;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The right half: what still differs, what to turn next, how it feels, what stays out of reach. One question at a time. */
final class LedgerView extends BorderPane {
    private final DeriveModel model;
    private final Theme theme;
    private final VBox rows = new VBox();
    private final VBox under;
    private final ScrollPane scroll = new ScrollPane();
    private final ToggleGroup questions = new ToggleGroup();
    private final NextView next;
    private final FeelView feel;
    private final BeyondView beyond;
    private final LevelsView levels;
    private final Label head = Nodes.label("What still differs", "heading");
    private final ChoiceBox<Optional<PlaybackSystem>> heardOn = new ChoiceBox<>();
    private final CheckBox ownEars = new CheckBox("with my ears");

    LedgerView(DeriveModel model, Theme theme) {
        this.model = model;
        this.theme = theme;
        SpectrumView spectrum = new SpectrumView(theme);
        spectrum.setPrefHeight(130);
        spectrum.setMinHeight(100);
        next = new NextView(model);
        feel = new FeelView(model, theme);
        beyond = new BeyondView(model);
        levels = new LevelsView(model);
        getStyleClass().addAll("ledger", "ruled-left");
        setPadding(new Insets(14, 22, 6, 16));
        setPrefWidth(344);
        HBox asked = new HBox(2, question("gap", "gap", "what still differs, most audible first"),
                question("next", "next move", "what to turn next (G)"),
                question("feel", "feel", "under the fingers, and where the dirt is made"),
                question("levels", "levels", "how loud it is at each point, and what clips or is starved"),
                question("reach", "reach", "what stays out of reach, and what is the playing's"));
        asked.setPadding(new Insets(0, 0, 4, -6));
        VBox top = Nodes.column(2, asked, head);
        top.setPadding(new Insets(0, 0, 6, 0));
        setTop(top);
        under = Nodes.column(4, heardOn(), Nodes.label("spectrum: ● reference   ◇ mine", "quiet", "small"), spectrum);
        model.spectra().subscribe(spectrum::show);
        scroll.setFitToWidth(true);
        setCenter(scroll);
        questions.selectedToggleProperty().subscribe((was, now) -> {
            if (now == null && was != null) questions.selectToggle(was);
            show();
        });
        model.advice().onAnswer(this::show);
        model.advice().said().subscribe(_ -> show());
        model.advice().heardOn().subscribe(_ -> show());
    }

    private ToggleButton question(String id, String words, String about) {
        ToggleButton out = new ToggleButton(words);
        out.setId("ask-" + id);
        out.setUserData(id);
        out.setToggleGroup(questions);
        out.getStyleClass().addAll("plain", "small", "question");
        out.setTooltip(new Tooltip(about));
        if (id.equals("gap")) out.setSelected(true);
        return out;
    }

    /** Brings a question to the front. */
    void ask(String id) {
        questions.getToggles().stream().filter(t -> id.equals(t.getUserData())).findFirst()
                .ifPresent(questions::selectToggle);
    }

    private HBox heardOn() {
        heardOn.setId("heard-on");
        heardOn.setAccessibleText("playback system that the gap is heard on");
        heardOn.getItems().add(Optional.empty());
        PlaybackSystem.ALL.forEach(s -> heardOn.getItems().add(Optional.of(s)));
        heardOn.setConverter(Choices.named(s -> s.map(PlaybackSystem::name).orElse("as it is"), Optional.empty()));
        heardOn.valueProperty().bindBidirectional(model.advice().heardOn());
        heardOn.setMaxWidth(200);
        Label on = Nodes.label("heard on", "quiet", "small");
        on.setMinWidth(Region.USE_PREF_SIZE);
        ownEars.setId("own-ears");
        ownEars.setTooltip(new Tooltip("count in the steps that your blind trials showed, with the usual ones beside"));
        ownEars.selectedProperty().bindBidirectional(model.advice().withOwnEars());
        ownEars.selectedProperty().subscribe(_ -> show());
        HBox out = new HBox(8, on, heardOn, ownEars);
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }

    void show() {
        String asked = questions.getSelectedToggle() == null
                ? "gap"
                : (String) questions.getSelectedToggle().getUserData();
        boolean gap = asked.equals("gap");
        setBottom(gap ? under : null);
        head.setText(switch (asked) {
            case "next" -> "What to turn next";
            case "feel" -> "Under the fingers";
            case "reach" -> "Out of reach";
            case "levels" -> "Levels on the way";
            default -> "What still differs";
        });
        Node body = switch (asked) {
            case "next" -> next.shown();
            case "feel" -> feel.shown();
            case "reach" -> beyond.shown();
            case "levels" -> levels.shown();
            default -> rows;
        };
        if (gap) fill();
        if (scroll.getContent() != body) scroll.setContent(body);
    }

    private void fill() {
        boolean known = !model.advice().ownSteps().byAttribute().isEmpty();
        ownEars.setVisible(known);
        ownEars.setManaged(known);
        if (!known) ownEars.setSelected(false);
        Optional<GapLedger> ledger = model.advice().ledger();
        List<GapRow> all = ledger.map(GapLedger::rows).orElse(List.of());
        List<GapRow> gears = all.stream().filter(r -> ledger.orElseThrow().counts(r)).toList();
        rows.getChildren().setAll(gears.stream().filter(r -> !isRest(r)).map(r -> line(r, true)).toList());
        if (ownEars.isSelected()) rows.getChildren().addFirst(Nodes.wrapped(enough(gears), "small", "said"));
        section("After and between the notes", gears.stream().filter(LedgerView::isRest).toList());
        section("Left open by the passage",
                all.stream().filter(r -> r.attribute() == GapAttribute.COLOUR_LEFT_OPEN && r.audibility() >= 1)
                        .toList());
        section("Wanted so", all.stream().filter(r -> model.isWantedSo(r)).toList());
        section("By the playing, not by the gear", all.stream().filter(r -> !r.ofTone()).toList());
    }

    /** What was measured of two sounds; what is left open is one figure. */
    private static String figures(GapRow r) {
        String unit = r.unit().equals("index") ? "" : " " + r.unit();
        return r.attribute() == GapAttribute.COLOUR_LEFT_OPEN
                ? "up to " + figure(r.candidate(), r.unit()) + unit
                : figure(r.reference(), r.unit()) + " → " + figure(r.candidate(), r.unit()) + unit;
    }

    private static boolean isRest(GapRow r) {
        return GapAttribute.REST.contains(r.attribute());
    }

    private void section(String title, List<GapRow> of) {
        if (of.isEmpty()) return;
        rows.getChildren().add(Nodes.padded(Nodes.label(title, "strong", "small"), 10, 0, 0, 0));
        rows.getChildren().addAll(of.stream().map(r -> line(r, r.ofTone())).toList());
    }

    private VBox line(GapRow r, boolean ofTone) {
        boolean heard = r.audibility() >= 1;
        Label what = Nodes.label(r.attribute().playersWords(), heard ? "strong" : "quiet");
        Label figures = Nodes.label(figures(r), "quiet", "small");
        if (r.attribute().isBand())
            figures.setTooltip(new Tooltip(r.attribute().words().replace("spectrum ", "").replace('-', '–')));
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        Label jnd = Nodes.label(String.format(Locale.ROOT, "%.1f JND", r.audibility()), heard ? "strong" : "quiet");
        what.setMinWidth(Region.USE_PREF_SIZE);
        jnd.setMinWidth(Region.USE_PREF_SIZE);
        HBox top = new HBox(10, what, figures, space, jnd);
        usual(r).ifPresent(u -> top.getChildren().add(Nodes.label(u, "quiet", "small")));
        top.setAlignment(Pos.BASELINE_LEFT);
        HBox said = new HBox(8, Nodes.wrapped(words(r, heard), "small", heard ? "said" : "quiet"));
        said.setAlignment(Pos.TOP_LEFT);
        if (ofTone && r.attribute() != GapAttribute.COLOUR_LEFT_OPEN && (heard || model.isWantedSo(r))) {
            Region push = new Region();
            HBox.setHgrow(push, Priority.ALWAYS);
            ToggleButton wanted = new ToggleButton(model.isWantedSo(r) ? "chase it" : "wanted so");
            wanted.setId("wanted-" + r.attribute().words().replace(' ', '-'));
            wanted.getStyleClass().addAll("plain", "small");
            wanted.setMinWidth(Region.USE_PREF_SIZE);
            wanted.setTooltip(new Tooltip("a difference that is wanted leaves the score and is not chased"));
            wanted.setOnAction(_ -> model.advice().toggleWantedSo(r));
            said.getChildren().addAll(push, wanted);
        }
        VBox box = Nodes.column(1, top, new GapLine(r, theme), said);
        box.getStyleClass().add("ruled-below");
        box.setPadding(new Insets(5, 0, 5, 0));
        return box;
    }

    /** Whether it is enough for these ears, and for others. */
    private String enough(List<GapRow> gears) {
        long own = gears.stream().filter(r -> r.audibility() >= 1).count();
        long usual = model.advice().usual().map(GapLedger::audibleRows).orElse(0L);
        return String.format(Locale.ROOT, own == 0
                ? "Enough for your ears; most listeners would hear %2$d of these."
                : "You would hear %1$d of these, most listeners %2$d.", own, usual);
    }

    /** Beside a figure in the player's own steps, the one in everybody's. */
    private Optional<String> usual(GapRow r) {
        if (!ownEars.isSelected() || model.advice().ownSteps().find(r.attribute()).isEmpty()) return Optional.empty();
        return model.advice().usual().flatMap(g -> g.find(r.attribute()))
                .map(u -> String.format(Locale.ROOT, "usually %.1f", u.audibility()));
    }

    /** What to do about it, or why nothing: below hearing, or the hand's own spread is as large. */
    private String words(GapRow r, boolean heard) {
        Optional<PlayingShare> share = model.advice().playing();
        if (heard && share.isPresent() && share.get().explains(r)) {
            return String.format(Locale.ROOT, "your takes differ by %.1f JND here: the playing, not the gear",
                    share.get().floorJnd().getOrDefault(r.attribute(), 0.0));
        }
        return heard ? r.advice() : "below hearing";
    }

    /** Shares and indices are told apart by their second decimal, all else by the first. */
    static String figure(double v, String unit) {
        boolean share = unit.equals("index") || unit.equals("correlation") || unit.equals("dB per dB")
                || unit.isEmpty();
        return String.format(Locale.ROOT, share ? "%.2f" : "%.1f", v).replace('-', '−');
    }
}
