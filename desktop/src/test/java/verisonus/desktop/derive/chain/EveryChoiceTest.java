package verisonus.desktop.derive.chain;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.session.CaseSession;

/** Whatever a model lets choose can be set, is heard, and is taken back. */
class EveryChoiceTest {
    @TempDir
    private Path dir;

    /** One model of every set of choices: those that share a set share its way through the window. */
    static Stream<Model> choosing() {
        Map<List<String>, Model> first = new LinkedHashMap<>();
        for (Model m : Gear.MODELS) {
            List<String> names = m.controls().stream().filter(Control::isChoice).map(c -> m.kind() + c.name()).toList();
            if (!names.isEmpty()) first.putIfAbsent(names, m);
        }
        return first.values().stream();
    }

    private static Tone holding(Model m) {
        List<Block> blocks = new ArrayList<>(List.of(Block.of("chiming edge"), Block.of("2×12 open"),
                Block.of("dynamic microphone")));
        if (blocks.stream().anyMatch(b -> b.model().kind() == m.kind())) {
            blocks.replaceAll(b -> b.model().kind() == m.kind() ? Block.of(m.name()) : b);
        } else {
            blocks.add(m.kind() == GearKind.AMP ? 0 : blocks.size(), Block.of(m.name()));
        }
        return new Tone("t", blocks);
    }

    @ParameterizedTest
    @MethodSource("choosing")
    void isSetAndTakenBack(Model m) {
        try (DeskFixture fixture = new DeskFixture(dir)) {
            fixture.keepTone(holding(m), new GapLedger(List.of(), 0));
            ChainModel model = new ChainModel(new CaseSession(fixture.desk()));
            fixture.settle();
            Tone before = model.session().settings().orElseThrow();
            String id = before.blocks().stream().filter(b -> b.model().equals(m)).findFirst().orElseThrow().id();
            List<SettingRow> rows = SettingRow.of(model.session().tone().orElseThrow(), Set.of(id)).stream()
                    .filter(r -> r.block().id().equals(id) && r.control().isChoice()).toList();
            assertThat(rows).isNotEmpty();
            for (SettingRow r : rows) {
                double other = r.value() == 0 ? 1 : 0;
                model.turn(r, other);
                fixture.settle();
                assertThat(model.session().settings().orElseThrow().find(id).orElseThrow().get(r.control().name()))
                        .isEqualTo(other);
                assertThat(fixture.desk().sounds().get().mine()).isPresent();
                fixture.desk().undo();
                fixture.settle();
                assertThat(model.session().settings().orElseThrow()).isEqualTo(before);
            }
        }
    }
}
