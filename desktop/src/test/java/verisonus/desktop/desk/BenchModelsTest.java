package verisonus.desktop.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Region;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.desktop.derive.DeriveModel;
import verisonus.desktop.derive.SettingRow;
import verisonus.desktop.listen.ListenModel;
import verisonus.desktop.measure.MeasureModel;
import verisonus.desktop.record.Inputs;
import verisonus.desktop.sheet.SheetModel;
import verisonus.desktop.travel.TravelModel;

/** What each bench does, without its view. */
class BenchModelsTest {
    private static final Inputs INPUTS = new Inputs(_ -> DeskFixture.notes(1, 0.2), true, true);

    @TempDir
    private Path dir;
    private DeskFixture fixture;

    @BeforeEach
    void open() {
        fixture = new DeskFixture(dir);
    }

    @AfterEach
    void close() {
        fixture.close();
    }

    private void mark() {
        fixture.book().addRegion(fixture.open().media().get(0).id(), Region.Role.CORE_TONE, 0.2, 3.4);
        fixture.desk().refresh();
        fixture.settle();
    }

    private void keepTone() {
        Tone t = new Tone("t",
                List.of(Block.of("chiming edge").with("gain", 4).with("treble", 5), Block.of("2×12 open"),
                        Block.of("dynamic microphone").with("level", -3)));
        fixture.keepTone(t, new GapLedger(List.of(), 0));
    }

    @Nested
    class Listening {
        private final ListenModel model() {
            ListenModel m = new ListenModel(fixture.desk());
            fixture.settle();
            return m;
        }

        @Test
        void drawsTheReferencesCourse() {
            assertThat(model().course().get().orElseThrow().levelDb().length).isGreaterThan(100);
        }

        @Test
        void marksInEitherDirectionWithTheChosenRole() {
            ListenModel m = model();
            m.role().set(Region.Role.ECHO_TAIL);
            m.mark(3, 1);
            Region r = fixture.open().region().orElseThrow();
            assertThat(r.fromS()).isEqualTo(1);
            assertThat(r.toS()).isEqualTo(3);
            assertThat(r.role()).isEqualTo(Region.Role.ECHO_TAIL);
        }

        @Test
        void aSlipOfTheHandMarksNothing() {
            model().mark(1, 1.2);
            assertThat(fixture.open().regions()).isEmpty();
        }

        @Test
        void marksEndWithTheRecording() {
            model().mark(2, 99);
            assertThat(fixture.open().region().orElseThrow().toS()).isCloseTo(4, within(1e-6));
        }

        @Test
        void typedTimesMoveARegionOrAreRefused() {
            ListenModel m = model();
            m.mark(1, 3);
            assertThat(m.moveTo(0.5, 2.5)).isTrue();
            assertThat(fixture.open().region().orElseThrow().fromS()).isEqualTo(0.5);
            for (double[] bad : new double[][]{{2, 2.1}, {-1, 2}, {1, 50}, {Double.NaN, 2}}) {
                assertThat(m.moveTo(bad[0], bad[1])).isFalse();
            }
            m.relabel(Region.Role.NOISE);
            assertThat(fixture.open().region().orElseThrow().role()).isEqualTo(Region.Role.NOISE);
            m.remove();
            assertThat(fixture.open().regions()).isEmpty();
        }
    }

    @Nested
    class Measuring {
        @Test
        void needsARegion() {
            MeasureModel m = new MeasureModel(fixture.desk());
            assertThat(m.canMeasure()).isFalse();
            m.measure();
            fixture.settle();
            assertThat(m.findings()).isEmpty();
        }

        @Test
        void keepsWhatItFoundAndSaysHowMuchCanBeLeantOn() {
            mark();
            MeasureModel m = new MeasureModel(fixture.desk());
            m.measure();
            fixture.settle();
            assertThat(m.findings()).hasSizeGreaterThan(9);
            assertThat(m.summary()).startsWith("3.2 s measured.").contains("you can lean on");
            m.selected().set(2);
            assertThat(m.chosen()).contains(m.findings().get(2));
            m.selected().set(999);
            assertThat(m.chosen()).contains(m.findings().get(m.findings().size() - 1));
            assertThat(fixture.open().standing(Bench.MEASURE)).isEqualTo(Standing.DONE);
        }
    }

    @Nested
    class Deriving {
        @Test
        void saysWhatIsMissing() {
            DeriveModel m = new DeriveModel(fixture.desk());
            assertThat(m.missing()).contains("Listen bench");
            mark();
            assertThat(m.missing()).isEmpty();
            fixture.desk().addCase("Empty");
            fixture.settle();
            assertThat(m.missing()).contains("Add a recording");
        }

        @Test
        void turningAControlIsMeasuredAndKeptWithTheEarlierValue() {
            mark();
            keepTone();
            DeriveModel m = new DeriveModel(fixture.desk());
            SettingRow treble = m.settings().stream().filter(r -> r.place().toString().equals("amp/treble")).findFirst()
                    .orElseThrow();
            m.turn(treble, 9);
            fixture.settle();
            DerivedTone t = fixture.open().tone().orElseThrow();
            assertThat(t.tone().find("amp").orElseThrow().get("treble")).isEqualTo(9);
            assertThat(t.earlier().orElseThrow().find("amp").orElseThrow().get("treble")).isEqualTo(5);
            assertThat(t.gap().rows()).isNotEmpty();
            assertThat(fixture.book().logbook().get(0).text()).contains("amp treble to 9.0");
            assertThat(fixture.desk().sounds().get().mine()).isPresent();
        }

        @Test
        void locksAndLetsGo() {
            mark();
            keepTone();
            DeriveModel m = new DeriveModel(fixture.desk());
            m.toggleLock(m.settings().get(0));
            assertThat(fixture.open().tone().orElseThrow().locked().holds("amp", "gain")).isTrue();
            m.toggleLock(m.settings().get(0));
            assertThat(fixture.open().tone().orElseThrow().locked()).isEqualTo(Locks.NONE);
        }

        @Test
        void aBlockIsTakenOutAndPutBack() {
            mark();
            keepTone();
            DeriveModel m = new DeriveModel(fixture.desk());
            for (boolean on : new boolean[]{false, true}) {
                m.toggleBlock(m.settings().get(0).block());
                fixture.settle();
                assertThat(fixture.open().tone().orElseThrow().tone().find("amp").orElseThrow().on()).isEqualTo(on);
            }
        }
    }

    @Nested
    class Travelling {
        @Test
        void waitsForAToneThenFollowsTheLevel() {
            TravelModel m = new TravelModel(fixture.desk(), INPUTS);
            assertThat(m.travelled().get()).isEmpty();
            mark();
            keepTone();
            assertThat(m.travelled().get()).hasSize(6);
            double before = m.travelled().get().get(0).bands().get(0).changeDb();
            m.levelDbSpl().set(50);
            fixture.settle();
            assertThat(m.travelled().get().get(0).bands().get(0).changeDb()).isLessThan(before);
        }
    }

    @Nested
    class Sheets {
        @Test
        void areMadeWhenTheirBenchIsShownAndExported() throws IOException {
            mark();
            keepTone();
            SheetModel m = new SheetModel(fixture.desk());
            assertThat(m.sheet().get()).isEmpty();
            fixture.desk().bench().set(Bench.SHEET);
            fixture.settle();
            assertThat(m.sheet().get().orElseThrow().title()).isEqualTo("Test Case");
            for (String name : List.of("sheet.md", "sheet.html", "sheet.csv")) {
                Path out = dir.resolve(name);
                m.export(out);
                fixture.settle();
                assertThat(Files.readString(out)).contains("Test Case").contains("chiming edge");
                assertThat(m.said().get()).contains(name);
            }
            assertThat(fixture.desk().book().logbook().get(0).text()).isEqualTo("Derived");
        }

        @Test
        void whereNothingCanBeWrittenAreSaidSo() {
            mark();
            keepTone();
            SheetModel m = new SheetModel(fixture.desk());
            fixture.desk().bench().set(Bench.SHEET);
            fixture.settle();
            m.export(dir.resolve("no/such/folder/sheet.md"));
            fixture.settle();
            assertThat(fixture.desk().work().fault().get()).contains("sheet.md").contains("; ");
        }
    }
}
