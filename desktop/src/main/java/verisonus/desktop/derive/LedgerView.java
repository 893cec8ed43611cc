package verisonus.desktop.derive;

import java.util.List;
import java.util.Locale;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.compare.GapRow;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** What still differs, most audible first, and the spectra under it. */
final class LedgerView extends BorderPane {
    private final DeriveModel model;
    private final Theme theme;
    private final VBox rows = new VBox();
    private final SpectrumView spectrum;

    LedgerView(DeriveModel model, Theme theme) {
        this.model = model;
        this.theme = theme;
        spectrum = new SpectrumView(theme);
        spectrum.setPrefHeight(130);
        spectrum.setMinHeight(100);
        getStyleClass().addAll("ledger", "ruled-left");
        setPadding(new Insets(14, 22, 6, 16));
        setPrefWidth(344);
        VBox head = Nodes.column(2, Nodes.label("What still differs", "heading"),
                Nodes.label("most audible first, at matched loudness", "quiet", "small"));
        head.setPadding(new Insets(0, 0, 6, 0));
        setTop(head);
        ScrollPane scroll = new ScrollPane(rows);
        scroll.setFitToWidth(true);
        setCenter(scroll);
        setBottom(Nodes.column(4, Nodes.label("spectrum: ● reference   ◇ mine", "quiet", "small"), spectrum));
        model.spectra().subscribe(spectrum::show);
    }

    void show() {
        List<GapRow> all = model.tone().map(DerivedTone::gap).map(g -> g.rows()).orElse(List.of());
        rows.getChildren().setAll(all.stream().filter(GapRow::ofTone).map(this::line).toList());
        List<GapRow> playing = all.stream().filter(r -> !r.ofTone()).toList();
        if (playing.isEmpty()) return;
        rows.getChildren()
                .add(Nodes.padded(Nodes.label("By the playing, not by the gear", "strong", "small"), 10, 0, 0, 0));
        rows.getChildren().addAll(playing.stream().map(this::line).toList());
    }

    private VBox line(GapRow r) {
        boolean heard = r.audibility() >= 1;
        Label what = Nodes.label(r.attribute().replace("spectrum ", "").replace('-', '–'), heard ? "strong" : "quiet");
        Label figures = Nodes.label(
                figure(r.reference(), r.unit()) + " → " + figure(r.candidate(), r.unit()) + " " + r.unit(), "quiet",
                "small");
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        Label jnd = Nodes.label(String.format(Locale.ROOT, "%.1f JND", r.audibility()), heard ? "strong" : "quiet");
        what.setMinWidth(Region.USE_PREF_SIZE);
        jnd.setMinWidth(Region.USE_PREF_SIZE);
        HBox top = new HBox(10, what, figures, space, jnd);
        top.setAlignment(Pos.BASELINE_LEFT);
        String said = heard ? r.advice() : "below hearing";
        VBox box = Nodes.column(1, top, new GapLine(r, theme), Nodes.wrapped(said, "small", heard ? "said" : "quiet"));
        box.getStyleClass().add("ruled-below");
        box.setPadding(new Insets(5, 0, 5, 0));
        return box;
    }

    /** Shares and indices are told apart by their second decimal, all else by the first. */
    private static String figure(double v, String unit) {
        boolean share = unit.equals("index") || unit.equals("correlation");
        return String.format(Locale.ROOT, share ? "%.2f" : "%.1f", v).replace('-', '−');
    }
}
