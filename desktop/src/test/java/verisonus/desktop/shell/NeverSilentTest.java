package verisonus.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.Proxy;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeoutException;
import java.util.function.Supplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.testfx.util.WaitForAsyncUtils;
import verisonus.casebook.store.Medium;
import verisonus.core.sound.Sound;
import verisonus.desktop.derive.DeriveModel;
import verisonus.desktop.derive.DeriveView;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.WindowFixture;
import verisonus.desktop.listen.ListenModel;
import verisonus.desktop.measure.MeasureModel;
import verisonus.desktop.session.CaseSession;
import verisonus.desktop.theme.Theme;

/** Every command of the finder, pressed in a book and a case that hold nothing, a record, a take: none of them does nothing and says nothing. */
class NeverSilentTest {
    private static final Sound NOTES = DeskFixture.notes(4, 0.4);

    @TempDir
    private Path dir;
    private WindowFixture window;
    private final List<String> happened = new ArrayList<>();

    /** What is there. */
    enum Holding {
        NOTHING,
        EMPTY_CASE,
        RECORD_ONLY,
        TAKE_ONLY,
        BOTH
    }

    @BeforeEach
    void open() throws TimeoutException {
        window = new WindowFixture(dir, NOTES, NOTES);
    }

    @AfterEach
    void close() {
        window.close();
    }

    private void hold(Holding what) {
        window.on(() -> {
            for (Medium m : List.copyOf(window.desk().open().get().orElseThrow().media())) {
                boolean keep = what == Holding.BOTH || what == Holding.RECORD_ONLY && m.role() == Medium.Role.REFERENCE
                        || what == Holding.TAKE_ONLY && m.role() == Medium.Role.DI;
                if (!keep) window.desk().removeMedium(m);
            }
            return true;
        });
        if (what == Holding.NOTHING) {
            for (int i = 0; i < 12 && window.on(() -> window.desk().open().get()).isPresent(); i++) window.undo();
            assertThat(window.on(() -> window.desk().open().get())).isEmpty();
        }
        window.settle();
    }

    private WindowCommands.Shell shell() {
        return (WindowCommands.Shell) Proxy.newProxyInstance(getClass().getClassLoader(),
                new Class<?>[]{WindowCommands.Shell.class}, (_, method, args) -> {
                    happened.add(method.getName() + (args == null ? "" : " " + args[0]));
                    return null;
                });
    }

    private List<Command> commands() {
        DeriveModel derive = new DeriveModel(new CaseSession(window.desk()));
        MeasureModel measure = new MeasureModel(window.desk());
        Theme theme = new Theme();
        Supplier<DeriveView> view = () -> new DeriveView(derive, theme, () -> happened.add("choose"));
        derive.said().subscribe(this::heard);
        measure.said().subscribe(this::heard);
        theme.inks().subscribe(() -> happened.add("theme"));
        window.desk().bench().subscribe(b -> happened.add("bench " + b));
        window.desk().changes().subscribe(() -> happened.add("changed"));
        window.desk().player().source().subscribe(() -> happened.add("source"));
        window.desk().player().playing().subscribe(() -> happened.add("playing"));
        window.desk().work().busy().subscribe(() -> happened.add("busy"));
        return new WindowCommands(window.desk(), theme, new ListenModel(window.desk()), measure, derive, view, shell())
                .all();
    }

    private void heard(String words) {
        if (!words.isEmpty()) happened.add(words);
    }

    @ParameterizedTest
    @EnumSource
    void noCommandIsSilent(Holding what) {
        hold(what);
        List<Command> all = window.on(this::commands);
        window.settle();
        List<String> silent = new ArrayList<>();
        for (Command c : all) {
            // Where one is already, or what is heard already, answers itself: it is in sight.
            boolean there = c.name().startsWith("Go to bench") || c.name().startsWith("Hear the reference")
                    || c.name().equals("Hear Reference");
            WaitForAsyncUtils.waitForAsyncFx(30_000, () -> {
                happened.clear();
                c.action().run();
                return true;
            });
            window.on(() -> {
                window.desk().work().cancel();
                return true;
            });
            window.settle();
            if (happened.isEmpty() && !there) silent.add(c.name());
        }
        window.on(() -> {
            window.desk().work().cancel();
            return true;
        });
        assertThat(silent).isEmpty();
    }

    @Test
    void aRecordAndATakeBecomeAToneInOnePressAndItComesToTheFront() {
        hold(Holding.BOTH);
        DeriveModel derive = window.on(() -> {
            window.desk().bench().set(Bench.LISTEN);
            DeriveModel d = new DeriveModel(new CaseSession(window.desk()));
            d.derive();
            return d;
        });
        window.settle();
        assertThat(window.<Boolean>on(() -> window.desk().open().get().orElseThrow().tone().isPresent())).isTrue();
        assertThat(window.<Boolean>on(() -> window.desk().open().get().orElseThrow().region().isPresent())).isTrue();
        assertThat(window.on(() -> window.desk().bench().get())).isEqualTo(Bench.DERIVE);
        assertThat(window.on(() -> derive.said().get())).startsWith("Studied: ");
    }

    @Test
    void whoWentElsewhereIsToldThatTheToneIsReady() {
        hold(Holding.BOTH);
        DeriveModel derive = window.on(() -> {
            DeriveModel d = new DeriveModel(new CaseSession(window.desk()));
            d.said().subscribe(w -> {
                if (w.startsWith("Studied"))
                    window.desk().work().onWindow(() -> window.desk().bench().set(Bench.SHEET));
            });
            d.derive();
            return d;
        });
        window.settle();
        assertThat(window.on(() -> window.desk().bench().get())).isEqualTo(Bench.SHEET);
        assertThat(window.on(() -> derive.said().get())).contains("is ready: 3 shows it");
    }
}
