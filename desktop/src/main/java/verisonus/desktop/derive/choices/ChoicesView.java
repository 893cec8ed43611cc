package verisonus.desktop.derive.choices;

import java.util.function.Function;
import javafx.beans.property.ObjectProperty;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import verisonus.casebook.store.Goal;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.Wishes;
import verisonus.desktop.theme.Choices;
import verisonus.desktop.theme.Hint;

/** The choices before a search: what is asked most in sight, the rest one press away. */
public final class ChoicesView extends VBox {
    public ChoicesView(SearchChoices c, Button derive) {
        super(6);
        FlowPane first = row(derive,
                choice("effort", "how long to search", c.effort(), SearchChoices.Effort.values(), s -> switch (s) {
                    case QUICK -> "quick look";
                    case NORMAL -> "ten seconds";
                    case THOROUGH -> "thorough";
                }), choice("goal", "how near it shall come", c.goal(), Goal.values(), Goal::words),
                choice("start", "where the search begins", c.start(), SearchOptions.Start.values(), s -> switch (s) {
                    case NEUTRAL -> "from neutral";
                    case NEAREST -> "from nearest tone";
                }));
        FlowPane second = row(
                choice("order", "what is settled first", c.order(), SearchOptions.Order.values(), s -> switch (s) {
                    case TOGETHER -> "all together";
                    case CABINET_FIRST -> "cabinet first";
                    case GAIN_FIRST -> "gain first";
                }),
                choice("eq", "what the equalizer may do", c.equalizing(), SearchOptions.Equalizing.values(),
                        s -> switch (s) {
                            case EITHER -> "EQ cut or raised";
                            case CUT_FIRST -> "EQ cuts only";
                        }),
                choice("values", "whether controls may go to their ends", c.values(), SearchOptions.Values.values(),
                        s -> switch (s) {
                            case MODERATE -> "moderate values";
                            case FREE -> "any values";
                        }),
                choice("lows", "whose the lows are", c.lows(), SearchOptions.Lows.values(), s -> switch (s) {
                    case GUITAR_ALONE -> "guitar alone";
                    case ROOM_FOR_BASS -> "room for bass and kick";
                }), choice("track", "what the take has been through, so that it does not go through it twice", c
                        .track(), SearchOptions.Track.values(), s -> switch (s) {
                            case DRY -> "take is dry";
                            case THROUGH_AMP -> "take has an amp";
                            case THROUGH_AMP_AND_CABINET -> "take has amp and cabinet";
                        }),
                choice("claims-use", "how far what is said of the recording counts", c.claims(), Wishes.Use.values(),
                        s -> switch (s) {
                            case HONOURED -> "claims honoured";
                            case WEIGHED -> "claims weighed";
                            case IGNORED -> "claims ignored";
                        }),
                choice("aim", "which recordings it shall be near to", c.aim(), SearchChoices.Aim.values(),
                        s -> switch (s) {
                            case THIS -> "near this recording";
                            case COMMON -> "near what all share";
                        }));
        ToggleButton more = new ToggleButton("more choices");
        more.setId("more-choices");
        more.getStyleClass().addAll("plain", "small");
        more.selectedProperty().subscribe(on -> more.setText(on ? "fewer choices" : "more choices"));
        first.getChildren().add(more);
        second.visibleProperty().bind(more.selectedProperty());
        second.managedProperty().bind(more.selectedProperty());
        getChildren().addAll(first, second);
    }

    private static FlowPane row(javafx.scene.Node... parts) {
        FlowPane out = new FlowPane(8, 6, parts);
        out.setAlignment(Pos.CENTER_LEFT);
        return out;
    }

    private static <T> ChoiceBox<T> choice(String id, String about, ObjectProperty<T> value, T[] all,
            Function<T, String> words) {
        ChoiceBox<T> box = new ChoiceBox<>();
        box.getItems().setAll(all);
        box.setId(id);
        Hint.on(box, about);
        box.setAccessibleText(about);
        box.setConverter(Choices.named(words, value.get()));
        box.valueProperty().bindBidirectional(value);
        return box;
    }
}
