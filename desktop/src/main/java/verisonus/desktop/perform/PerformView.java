package verisonus.desktop.perform;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The perform bench: one page from the variants to the song and the van, each part with its own question. */
public final class PerformView extends BorderPane {
    private final Label heading = Nodes.wrapped("", "heading");
    private final VBox body = new VBox(18);
    private final TimePart time;
    private final Button derive = new Button("Go to Derive");

    public PerformView(Desk desk, Theme theme) {
        getStyleClass().add("perform");
        setPadding(new Insets(14, 22, 10, 22));
        VariantsModel variants = new VariantsModel(desk);
        time = new TimePart(new TimeModel(desk), theme);
        derive.setId("perform-derive");
        derive.setOnAction(_ -> desk.bench().set(Bench.DERIVE));
        setTop(Nodes.padded(Nodes.column(6, heading, derive), 0, 0, 8, 0));
        body.getChildren().addAll(part("Which sounds does the song need?", new VariantsPart(variants)),
                part("What follows the beat?", time),
                part("What moves under a foot?", new FootPart(new FootModel(desk), theme)),
                part("What is played when?", new SongPart(new SongModel(desk))),
                part("With less, or on other gear?", new ElsewherePart(new ElsewhereModel(desk))));
        ScrollPane scroll = new ScrollPane(body);
        scroll.setFitToWidth(true);
        setCenter(scroll);
        variants.variants().subscribe(_ -> heading.setText(variants.heading()));
        variants.matrix().subscribe(_ -> heading.setText(variants.heading()));
        desk.sounds().subscribe(_ -> {
            boolean ready = Ground.of(desk).isPresent();
            heading.setText(variants.heading());
            body.setVisible(ready);
            body.setManaged(ready);
            derive.setVisible(!ready);
            derive.setManaged(!ready);
        });
    }

    /** One tap of the tempo. */
    public void tap() {
        time.tap();
    }

    private static VBox part(String question, Node content) {
        List<Node> all = new ArrayList<>(List.of(Nodes.label(question, "heading"), content));
        VBox out = new VBox(6);
        out.getChildren().addAll(all);
        out.getStyleClass().add("ruled-below");
        out.setPadding(new Insets(0, 12, 14, 0));
        return out;
    }
}
