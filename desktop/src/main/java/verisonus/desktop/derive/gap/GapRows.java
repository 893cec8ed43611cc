package verisonus.desktop.derive.gap;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import verisonus.core.advise.PlayingShare;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.work.Figures;
import verisonus.core.work.Sentence;
import verisonus.desktop.theme.Hint;
import verisonus.desktop.theme.Nodes;
import verisonus.desktop.theme.Theme;

/** The rows of the gap: on the notes and after them, the more audible first; then what is left open, wanted, or the playing's. */
public final class GapRows extends VBox {
    private static final String OPEN = "Nothing in the recording is known to be the guitar's own, so nothing can be compared. Lay a take of"
            + " its phrase under it, or mark where the guitar stands alone.";

    private static final String AFTER = "After and between the notes";

    /** Half of what is just heard. */
    private static final double UNHEARD_JND = 0.5;
    private static final int WORTH_FOLDING = 2;

    private final GapModel model;
    private final Supplier<Optional<PlayingShare>> playing;
    private final Theme theme;
    private boolean unfolded;

    /** @param playing how far the player's own takes lie apart, once that was asked */
    public GapRows(GapModel model, Supplier<Optional<PlayingShare>> playing, Theme theme) {
        this.model = model;
        this.playing = playing;
        this.theme = theme;
    }

    /** Fills the list anew. */
    public void show() {
        Optional<GapLedger> ledger = model.ledger();
        List<GapRow> all = ledger.map(GapLedger::rows).orElse(List.of());
        List<GapRow> gears = all.stream().filter(r -> ledger.orElseThrow().counts(r)).toList();
        List<GapRow> notes = gears.stream().filter(r -> !isRest(r)).toList();
        List<GapRow> rests = gears.stream().filter(GapRows::isRest).toList();
        boolean restsFirst = most(rests) > Math.max(1, most(notes));
        getChildren().clear();
        if (restsFirst) {
            section(AFTER, rests);
            section("On the notes", notes);
        } else {
            getChildren().setAll(lines(notes));
        }
        boolean open = ledger.isPresent() && !ledger.get().isMeasured();
        if (open) getChildren().addFirst(Nodes.wrapped(OPEN, "small", "said"));
        else if (model.withOwnEars().get()) getChildren().addFirst(Nodes.wrapped(enough(gears), "small", "said"));
        if (!restsFirst) section(AFTER, rests);
        section("Left open by the passage",
                all.stream().filter(r -> r.attribute() == GapAttribute.COLOUR_LEFT_OPEN && r.audibility() >= 1)
                        .toList());
        section("Left so, as wanted", all.stream().filter(r -> model.isWantedSo(r)).toList());
        section("By the playing, not by the gear", all.stream().filter(r -> !r.ofTone()).toList());
        if (unfolded) getChildren().add(fold("fewer", "names what makes no difference on one line"));
    }

    private static double most(List<GapRow> rows) {
        return rows.stream().mapToDouble(GapRow::audibility).max().orElse(0);
    }

    /** What was measured of two sounds; what is left open is one figure. */
    private static String figures(GapRow r) {
        String unit = r.unit().equals("index") ? "" : " " + r.unit();
        return r.attribute() == GapAttribute.COLOUR_LEFT_OPEN
                ? "up to " + figure(r.candidate(), r.unit()) + unit
                : figure(r.reference(), r.unit()) + " → " + figure(r.candidate(), r.unit()) + unit;
    }

    /** A line a row; of those that nobody hears only the names, on one line, until they are asked for. */
    private List<Node> lines(List<GapRow> rows) {
        List<GapRow> silent = rows.stream()
                .filter(r -> r.audibility() < UNHEARD_JND && !model.isWantedSo(r)).toList();
        if (unfolded || silent.size() < WORTH_FOLDING)
            return List.copyOf(rows.stream().map(r -> line(r, r.ofTone())).toList());
        List<Node> out = new ArrayList<>();
        for (GapRow r : rows) {
            if (!silent.contains(r)) out.add(line(r, r.ofTone()));
        }
        out.add(fold(
                "no difference: " + Sentence.listed(silent.stream().map(r -> r.attribute().playersWords()).toList()),
                "less than half of what is just heard; press to see their figures"));
        return out;
    }

    private Node fold(String words, String about) {
        Button fold = Nodes.plain(words);
        fold.setId(unfolded ? "fold-rows" : "unfold-rows");
        fold.getStyleClass().addAll("small", "quiet", "setting");
        fold.setWrapText(true);
        Hint.on(fold, about);
        fold.setOnAction(_ -> {
            unfolded = !unfolded;
            show();
        });
        return Nodes.padded(fold, 5, 0, 2, 0);
    }

    private static boolean isRest(GapRow r) {
        return GapAttribute.REST.contains(r.attribute());
    }

    private void section(String title, List<GapRow> of) {
        if (of.isEmpty()) return;
        getChildren().add(Nodes.padded(Nodes.label(title, "strong", "small"), 10, 0, 0, 0));
        getChildren().addAll(lines(of));
    }

    private VBox line(GapRow r, boolean ofTone) {
        boolean heard = r.audibility() >= 1;
        Label what = Nodes.label(r.attribute().playersWords(), heard ? "strong" : "quiet");
        Label figures = Nodes.label(figures(r), "quiet", "small");
        if (r.attribute().isBand())
            Hint.on(figures, r.attribute().words().replace("spectrum ", "").replace('-', '–'));
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        Label jnd = Nodes.label(Figures.of("%.1f JND", r.audibility()), heard ? "strong" : "quiet");
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
            ToggleButton wanted = new ToggleButton(model.isWantedSo(r) ? "mend it" : "leave it so");
            wanted.setId("wanted-" + r.attribute().words().replace(' ', '-'));
            wanted.getStyleClass().addAll("plain", "small");
            wanted.setMinWidth(Region.USE_PREF_SIZE);
            Hint.on(wanted, "a difference that you want leaves the score, and no move tries to mend it");
            wanted.setOnAction(_ -> model.toggleWantedSo(r));
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
        long usual = model.usual().map(GapLedger::audibleRows).orElse(0L);
        return Figures.of(own == 0
                ? "Enough for your ears; most listeners would hear %2$d of these."
                : "You would hear %1$d of these, most listeners %2$d.", own, usual);
    }

    /** Beside a figure in the player's own steps, the one in everybody's. */
    private Optional<String> usual(GapRow r) {
        if (!model.withOwnEars().get() || model.ownSteps().find(r.attribute()).isEmpty()) return Optional.empty();
        return model.usual().flatMap(g -> g.find(r.attribute()))
                .map(u -> Figures.of("usually %.1f", u.audibility()));
    }

    /** What to do about it, or why nothing: below hearing, or the hand's own spread is as large. */
    private String words(GapRow r, boolean heard) {
        Optional<PlayingShare> share = playing.get();
        if (heard && share.isPresent() && share.get().explains(r)) {
            return Figures.of("your takes differ by %.1f JND here: the playing, not the gear",
                    share.get().floorJnd().getOrDefault(r.attribute(), 0.0));
        }
        return heard ? r.advice() : "below hearing";
    }

    /** Shares and indices are told apart by their second decimal, all else by the first. */
    public static String figure(double v, String unit) {
        boolean share = unit.equals("index") || unit.equals("correlation") || unit.equals("dB per dB")
                || unit.isEmpty();
        return Figures.read(share ? "%.2f" : "%.1f", v);
    }
}
