package verisonus.desktop.trial;

import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;

/** A part of the bench that may ask: while it does, nothing else is seen. */
interface Asking {
    ReadOnlyBooleanProperty running();

    /** The one sentence over the question. */
    String heading();

    /** The question, the same words in the same places every time. */
    void ask(VBox into);

    /** @return whether the key was one of the question's */
    boolean key(KeyCode code);
}
