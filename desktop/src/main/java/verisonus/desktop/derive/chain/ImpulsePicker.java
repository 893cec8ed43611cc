package verisonus.desktop.derive.chain;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.Popup;
import javafx.stage.Window;
import verisonus.casebook.exchange.ImpulseFolder;
import verisonus.core.advise.ImpulseRanking;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.desktop.theme.Nodes;

/**
 * Chooses an impulse response: a folder is read in the background, ranked against the reference where there is one, and the best
 * are offered with what speaks for and against them.
 */
public final class ImpulsePicker {
    private static final int OFFERED = 200;

    private final ChainModel model;

    /** One response to choose. */
    record Offer(Path file, String name, String words) {}

    ImpulsePicker(ChainModel model) {
        this.model = model;
    }

    void choose(Window owner, Block cabinet) {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle("Folder of impulse responses");
        File folder = chooser.showDialog(owner);
        if (folder != null) offerFrom(folder.toPath(), owner, cabinet);
    }

    void offerFrom(Path folder, Window owner, Block cabinet) {
        Optional<Sound> reference = model.session().wanted();
        Optional<Sound> di = model.session().di();
        Optional<Tone> tone = model.session().settings();
        model.session().desk().forCase("Ranking impulse responses", progress -> {
            ImpulseFolder read = ImpulseFolder.read(folder, progress);
            if (reference.isEmpty() || di.isEmpty() || tone.isEmpty()) {
                return read.entries().stream().limit(OFFERED)
                        .map(e -> new Offer(e.file(), e.name(), e.character().words())).toList();
            }
            ImpulseRanking ranking = new ImpulseRanking(reference.get(), di.get(), tone.get());
            return ranking.of(read.entries().stream().map(ImpulseFolder.Entry::character).toList()).stream()
                    .limit(OFFERED).map(r -> {
                        ImpulseFolder.Entry e = read.entries().get(r.index());
                        return new Offer(e.file(), e.name(), Figures.of("%.1f dB left · %s; %s",
                                r.leftDb(), e.character().words(), r.reason()));
                    }).toList();
        }).show(offers -> show(offers, owner, cabinet));
    }

    private void show(List<Offer> offers, Window owner, Block cabinet) {
        Popup popup = new Popup();
        popup.setAutoHide(true);
        ListView<Offer> list = new ListView<>();
        list.setId("impulses");
        list.getItems().setAll(offers);
        list.setPrefSize(560, 320);
        list.setCellFactory(_ -> new ListCell<>() {
            @Override
            protected void updateItem(Offer o, boolean empty) {
                super.updateItem(o, empty);
                setText(null);
                setGraphic(empty || o == null
                        ? null
                        : Nodes.column(1, Nodes.label(o.name(), "strong"), Nodes.label(o.words(), "quiet", "small")));
            }
        });
        Label head = Nodes.label("Impulse responses, nearest to the reference first. Enter takes one.", "small");
        VBox box = Nodes.column(6, head, list);
        box.setPadding(new Insets(10));
        box.getStyleClass().addAll("paper", "ruled");
        // A popup stands outside the window's tree: sheets and inks go along.
        box.getStylesheets().setAll(owner.getScene().getStylesheets());
        box.setStyle(owner.getScene().getRoot().getStyle()
                + "-fx-background-color: -paper; -fx-border-color: -rule;");
        Runnable take = () -> {
            Offer o = list.getSelectionModel().getSelectedItem();
            if (o == null) return;
            popup.hide();
            model.takeImpulse(cabinet, o.file());
        };
        list.setOnMouseClicked(e -> {
            if (e.getClickCount() == 2) take.run();
        });
        list.setOnKeyPressed(e -> {
            if (e.getCode() == javafx.scene.input.KeyCode.ENTER) take.run();
        });
        popup.getContent().add(box);
        popup.show(owner);
        list.getSelectionModel().selectFirst();
        list.requestFocus();
    }
}
