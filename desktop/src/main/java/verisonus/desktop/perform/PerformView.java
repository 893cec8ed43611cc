package verisonus.desktop.perform;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Region;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Places;
import verisonus.desktop.theme.Theme;

/** The perform bench: one sentence, a row of places, and the question of the place that is seen. */
public final class PerformView extends BorderPane {
    private final Desk desk;
    private final Label heading = Nodes.wrapped("", "heading");
    private final Button derive = new Button("Go to Derive");
    private final Places<PerformPlace> places = new Places<>(List.of(PerformPlace.values()), PerformPlace::words,
            PerformPlace::question);
    private final Map<PerformPlace, Node> nodes = new EnumMap<>(PerformPlace.class);
    private final VariantsModel variants;
    private final TimePart time;

    public PerformView(Desk desk, Theme theme) {
        this.desk = desk;
        getStyleClass().add("perform");
        setPadding(new Insets(14, 22, 10, 22));
        variants = new VariantsModel(desk);
        time = new TimePart(new TimeModel(desk), theme);
        derive.setId("perform-derive");
        derive.setOnAction(_ -> desk.bench().set(Bench.DERIVE));
        setTop(Nodes.padded(Nodes.column(6, heading, derive, places), 0, 0, 10, 0));
        nodes.put(PerformPlace.SOUNDS, new SoundsPart(variants, new VariantMaker(desk, variants), theme));
        nodes.put(PerformPlace.BEAT, scrolled(time));
        nodes.put(PerformPlace.FOOT, scrolled(new FootPart(new FootModel(desk), theme)));
        nodes.put(PerformPlace.SONG, scrolled(new SongPart(new SongModel(desk))));
        nodes.put(PerformPlace.ELSEWHERE, scrolled(Nodes.column(18, new ElsewherePart(new ElsewhereModel(desk)),
                new RoomPart(new RoomModel(desk, variants)))));
        places.at().subscribe(_ -> show());
        variants.changed(this::show);
        desk.sounds().subscribe(_ -> show());
    }

    private static ScrollPane scrolled(Region part) {
        part.setPadding(new Insets(0, 12, 14, 0));
        ScrollPane out = new ScrollPane(part);
        out.setFitToWidth(true);
        return out;
    }

    private void show() {
        boolean ready = Ground.of(desk).isPresent();
        PerformPlace at = places.at().get();
        heading.setText(!ready || at == PerformPlace.SOUNDS ? variants.heading() : at.question());
        derive.setVisible(!ready);
        derive.setManaged(!ready);
        places.setVisible(ready);
        places.setManaged(ready);
        Node now = nodes.get(at);
        setCenter(ready ? now : null);
    }

    /** One tap of the tempo. */
    public void tap() {
        time.tap();
    }

    /** Letters hear the sounds. @return whether the key was one of them */
    public boolean key(KeyCode code) {
        if (desk.bench().get() != Bench.PERFORM || places.at().get() != PerformPlace.SOUNDS) return false;
        int place = code.getName().length() == 1 ? code.getName().charAt(0) - 'A' : -1;
        return place >= 0 && variants.hear(place);
    }
}
