package verisonus.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ScrollPane;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.theme.Hint;

/** What can be pressed on the benches as commands of the finder, so that nothing must be known by its place. */
final class BenchCommands {
    /** Parts of a row that stand there once a setting or a device: they are reached in their table. */
    private static final List<String> ONE_A_ROW = List.of("lock-", "wanted-", "count-", "scale-", "choice-");

    private BenchCommands() {}

    static List<Command> of(Desk desk, Map<Bench, Node> benches) {
        List<Command> out = new ArrayList<>();
        benches.forEach((bench, root) -> buttons(root).filter(BenchCommands::isNamed)
                .forEach(b -> out.add(command(desk, bench, b))));
        return out;
    }

    private static boolean isNamed(ButtonBase b) {
        String id = Optional.ofNullable(b.getId()).orElse("");
        return !id.isEmpty() && !b.getText().isBlank() && b.isVisible() && ONE_A_ROW.stream().noneMatch(id::startsWith);
    }

    private static Command command(Desk desk, Bench bench, ButtonBase b) {
        String said = Hint.of(b).orElse("");
        String words = b.getText().substring(0, 1).toUpperCase(java.util.Locale.ROOT) + b.getText().substring(1);
        return Command.of(words + " · " + bench.words(), "", () -> {
            desk.bench().set(bench);
            b.fire();
        }).also(said);
    }

    private static Stream<ButtonBase> buttons(Node n) {
        if (n instanceof ButtonBase b) return Stream.of(b);
        if (n instanceof ScrollPane s) return Stream.ofNullable(s.getContent()).flatMap(BenchCommands::buttons);
        return n instanceof Parent p
                ? p.getChildrenUnmodifiable().stream().flatMap(BenchCommands::buttons)
                : Stream.empty();
    }
}
