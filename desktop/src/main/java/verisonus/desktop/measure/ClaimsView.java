package verisonus.desktop.measure;

import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import verisonus.casebook.store.Judgements.ClaimEntry;
import verisonus.core.evidence.words.Claim;
import verisonus.core.work.Sentence;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** What is said about the recording's gear, by whom and how surely, and what the evidence says to it. */
final class ClaimsView extends VBox {
    private final MeasureModel model;

    ClaimsView(MeasureModel model) {
        super(8);
        this.model = model;
        setPadding(new Insets(6, 22, 10, 22));
        List<ClaimEntry> claims = model.desk().open().get().map(OpenCase::claims).orElse(List.of());
        if (claims.isEmpty()) {
            getChildren()
                    .add(Nodes.wrapped("Nothing noted yet. Note what is said about this recording's gear and who says"
                            + " so; the evidence then speaks for it, against it, or stays silent.", "quiet"));
        }
        for (ClaimEntry c : claims) getChildren().add(line(c));
        getChildren().add(entry());
    }

    private VBox line(ClaimEntry c) {
        Claim.Judgement j = model.judge(c.claim());
        Label verdict = Nodes.label(switch (j.standing()) {
            case SUPPORTED -> "● supported";
            case CONTRADICTED -> "✕ contradicted";
            case UNDECIDED -> "○ undecided";
        }, j.standing() == Claim.Standing.CONTRADICTED ? "warned" : "reference-ink");
        verdict.setMinWidth(116);
        Button remove = Nodes.plain("remove");
        remove.setOnAction(_ -> model.removeClaim(c));
        String source = c.claim().source().isBlank() ? "no source" : c.claim().source();
        HBox top = new HBox(8, verdict, Nodes.label(Sentence.begun(c.claim().says().words())),
                Nodes.label(source + ", " + c.claim().certainty().words(), "quiet", "small"), remove);
        top.setAlignment(Pos.CENTER_LEFT);
        return Nodes.column(0, top, Nodes.padded(Nodes.wrapped(j.why(), "aside"), 0, 0, 0, 124));
    }

    private HBox entry() {
        ChoiceBox<Claim.Says> says = new ChoiceBox<>();
        says.getItems().setAll(Claim.Says.values());
        says.setConverter(Choices.named(Claim.Says::words, Claim.Says.ECHO));
        says.setValue(Claim.Says.SINGLE_COIL);
        says.setAccessibleText("what is said");
        says.setId("claim-says");
        TextField source = Nodes.field("", "who says so");
        source.setPromptText("who says so");
        source.setPrefColumnCount(14);
        source.setId("claim-source");
        ChoiceBox<Claim.Certainty> certainty = new ChoiceBox<>();
        certainty.getItems().setAll(Claim.Certainty.values());
        certainty.setConverter(Choices.named(Claim.Certainty::words, Claim.Certainty.LIKELY));
        certainty.setValue(Claim.Certainty.LIKELY);
        certainty.setAccessibleText("how certain the source is");
        Button note = new Button("Note it");
        note.setId("claim-note");
        Hint.on(note, "kept with the case, with its source");
        note.setOnAction(_ -> model.claim(new Claim(says.getValue(), source.getText().strip(), certainty.getValue())));
        HBox out = new HBox(8, says, source, certainty, note);
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }
}
