package verisonus.desktop.derive.advice;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import verisonus.core.perform.school.School;
import verisonus.core.perform.school.Side;
import verisonus.core.work.Sentence;
import verisonus.desktop.theme.FileDialogs;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;

/** Where players part ways: both sides of each question on this tone, heard, priced, and decided with a reason. */
public final class SchoolsView {
    private static final FileChooser.ExtensionFilter RESPONSES = new FileChooser.ExtensionFilter("Impulse responses",
            "*.wav", "*.WAV");

    private final AdviceModel model;
    private final VBox body = new VBox(5);
    private final TextField reason = new TextField();

    public SchoolsView(AdviceModel model) {
        this.model = model;
        reason.setId("school-reason");
        reason.setPromptText("why, in your words");
        reason.setAccessibleText("why it is decided so; kept in the logbook");
    }

    public Node shown() {
        Optional<List<School>> found = model.schools();
        Button ask = new Button((found.isPresent() ? "try both again (" : "try both ways (")
                + model.price(AdviceModel.Asked.SCHOOLS) + ")");
        ask.setId("ask-both");
        Hint.on(ask, "each other way is made as dirty and as loud, played, and held against the record");
        ask.setOnAction(_ -> model.askSchools(Optional.empty()));
        Button measured = Nodes.plain("the same with a measured loudspeaker…");
        measured.setId("ask-both-measured");
        Hint.on(measured, "an impulse response (WAV) of your own beside the modelled loudspeaker");
        measured.setOnAction(_ -> FileDialogs.open(measured.getScene().getWindow(), "A measured loudspeaker", RESPONSES)
                .ifPresent(f -> model.askSchools(Optional.of(f))));
        body.getChildren().setAll(ask, measured);
        Label said = Nodes.wrapped(model.said().get(), "small", "said");
        if (!said.getText().isEmpty()) body.getChildren().add(said);
        found.ifPresent(this::fill);
        return body;
    }

    private void fill(List<School> schools) {
        if (schools.isEmpty())
            body.getChildren().add(Nodes.wrapped("Your gear leaves nothing to decide here.", "quiet"));
        int n = 0;
        for (School s : schools) {
            body.getChildren().add(Nodes.padded(Nodes.label(Sentence.begun(s.question()), "strong"), 8, 0, 0, 0));
            for (Side side : s.sides()) body.getChildren().add(row(s, side, ++n));
        }
        if (!schools.isEmpty()) body.getChildren().add(Nodes.padded(reason, 10, 0, 0, 0));
    }

    private Node row(School school, Side side, int n) {
        boolean now = side.price().isEmpty();
        Label words = Nodes.wrapped(Sentence.begun(side.words()) + (now ? " (as it is)" : ""), "small");
        words.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(words, Priority.ALWAYS);
        Button hear = small("hear", "hear-side-" + n, "plays it in mine's place");
        hear.setOnAction(_ -> model.hear(side));
        Button take = small(now ? "stay" : "take", "take-side-" + n, "decides it; the reason goes into the logbook");
        take.setOnAction(_ -> {
            model.decide(school, side, reason.getText());
            reason.clear();
        });
        HBox line = new HBox(8, words, hear, take);
        line.setAlignment(Pos.BASELINE_LEFT);
        VBox out = new VBox(line);
        side.price().ifPresent(p -> out.getChildren().add(Nodes.wrapped(p.words(), "quiet", "small")));
        out.setPadding(new Insets(0, 0, 2, 0));
        return out;
    }

    private static Button small(String words, String id, String about) {
        Button out = Nodes.plain(words);
        out.setId(id);
        out.getStyleClass().add("small");
        out.setMinWidth(Region.USE_PREF_SIZE);
        Hint.on(out, about);
        return out;
    }
}
