package verisonus.desktop.derive.gap;

import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.core.compare.GapLedger;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** Below the rows of the gap: on what and with whose ears it is heard, and the two spectra. */
public final class GapFoot extends VBox {
    private final GapModel model;
    private final ChoiceBox<Optional<PlaybackSystem>> heardOn = new ChoiceBox<>();
    private final CheckBox ownEars = new CheckBox("with my ears");

    public GapFoot(GapModel model, Theme theme) {
        super(4);
        this.model = model;
        SpectrumView spectrum = new SpectrumView(theme);
        spectrum.setPrefHeight(130);
        spectrum.setMinHeight(100);
        getChildren().addAll(heardOn(), Nodes.label("spectrum: ● reference   ◇ mine", "quiet", "small"), spectrum);
        model.spectra().subscribe(spectrum::show);
    }

    /** Nothing where nothing can be compared. Own ears are offered once a blind trial has said something of them. */
    public void show() {
        boolean compared = model.usual().map(GapLedger::isMeasured).orElse(true);
        setVisible(compared);
        setManaged(compared);
        boolean known = !model.ownSteps().byAttribute().isEmpty();
        ownEars.setVisible(known);
        ownEars.setManaged(known);
        if (!known) ownEars.setSelected(false);
    }

    private HBox heardOn() {
        heardOn.setId("heard-on");
        heardOn.setAccessibleText("playback system that the gap is heard on");
        heardOn.getItems().add(Optional.empty());
        PlaybackSystem.ALL.forEach(s -> heardOn.getItems().add(Optional.of(s)));
        heardOn.setConverter(Choices.named(s -> s.map(PlaybackSystem::name).orElse("as it is"), Optional.empty()));
        heardOn.valueProperty().bindBidirectional(model.heardOn());
        heardOn.setMaxWidth(200);
        Label on = Nodes.label("heard on", "quiet", "small");
        on.setMinWidth(Region.USE_PREF_SIZE);
        ownEars.setId("own-ears");
        Hint.on(ownEars, "count in the steps that your blind trials showed, with the usual ones beside");
        ownEars.selectedProperty().bindBidirectional(model.withOwnEars());
        HBox out = new HBox(8, on, heardOn, ownEars);
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }
}
