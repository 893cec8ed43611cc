package verisonus.desktop.shell;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Supplier;
import verisonus.core.work.Figures;
import verisonus.desktop.derive.DeriveModel;
import verisonus.desktop.derive.DeriveView;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.listen.ListenModel;
import verisonus.desktop.measure.MeasureModel;
import verisonus.desktop.player.Source;
import verisonus.desktop.theme.Theme;

/** All that the window can be told to do whichever bench is shown, with its keys and the other words for it. */
final class WindowCommands {
    /** What the window does itself. */
    interface Shell {
        void goTo(Bench bench);

        void chooseRecordings();

        void paste();

        void changeLast();

        void tap();

        void sendTone();

        void chooseMap();

        void showGear();

        void newCase();

        void openFinder();

        void showKeys();

        void walk();

        void explain();

        void say(String text);
    }

    private final Desk desk;
    private final Theme theme;
    private final ListenModel listen;
    private final MeasureModel measure;
    private final DeriveModel derive;
    private final Supplier<DeriveView> deriving;
    private final Shell shell;

    WindowCommands(Desk desk, Theme theme, ListenModel listen, MeasureModel measure, DeriveModel derive,
            Supplier<DeriveView> deriving, Shell shell) {
        this.desk = desk;
        this.theme = theme;
        this.listen = listen;
        this.measure = measure;
        this.derive = derive;
        this.deriving = deriving;
        this.shell = shell;
    }

    private void play() {
        boolean nothing = Arrays.stream(Source.values()).noneMatch(desk.player()::has);
        if (nothing) shell.say("There is nothing to play yet: add a recording (Ctrl+O).");
        else desk.player().toggle();
    }

    private void hear(Source s) {
        if (desk.player().has(s)) desk.player().choose(s);
        else shell.say(switch (s) {
            case REFERENCE -> "There is no recording yet: add one with the wanted sound (Ctrl+O).";
            case MINE -> "There is no tone yet to hear as yours: Ctrl+D makes one.";
            default -> "There is nothing to hear as " + s.words() + " yet.";
        });
    }

    private void louder(double db) {
        desk.player().step(db);
        shell.say(Figures.read("Listening level %+.0f dB.", desk.player().levelDb().get()));
    }

    private void derive() {
        boolean choose = derive.lacksRecordings();
        derive.derive();
        if (choose) shell.chooseRecordings();
    }

    List<Command> all() {
        List<Command> out = new ArrayList<>();
        for (Bench b : Bench.values()) {
            out.add(Command.of("Go to bench " + b.words(), String.valueOf(b.number()), () -> shell.goTo(b)));
        }
        out.add(Command.of("Add recordings", "Ctrl+O", shell::chooseRecordings)
                .also("open file import load choose song take di backing wav"));
        out.add(Command.of("The file that came last is something else", "Ctrl+R", shell::changeLast)
                .also("role kind dropped reference take backing guess wrong"));
        out.add(Command.of("Add the recordings that were copied", "Ctrl+V", shell::paste).also("paste file"));
        out.add(Command.of("Play or pause", "Space", this::play).also("start stop listen"));
        for (Source s : Source.values()) {
            if (!s.isNamed()) continue;
            out.add(Command.of("Hear " + s.words(), s.key(), () -> hear(s)));
        }
        out.add(Command.of("Loop the region on or off", "L", () -> {
            desk.player().looping().set(!desk.player().looping().get());
            shell.say(desk.player().looping().get() ? "The region is looped." : "The region is not looped.");
        }));
        out.add(Command.of("Hear it in the mix on or off", "", () -> {
            if (desk.player().hasBacking().get()) desk.player().inTheMix().set(!desk.player().inTheMix().get());
            else shell.say("There is no band to hear it in: add bass and drums that begin with the record (Ctrl+O).");
        }));
        out.add(Command.of("Louder by 1 dB", "Ctrl+Up", () -> louder(1)).also("volume up level"));
        out.add(Command.of("Softer by 1 dB", "Ctrl+Down", () -> louder(-1))
                .also("volume down level quieter"));
        out.add(Command.of("Mark the next passage worth studying", "A", () -> {
            if (!listen.acceptNext())
                shell.say(desk.sounds().get().reference().isEmpty()
                        ? "There is no recording yet to mark a passage in (Ctrl+O)."
                        : "Nothing more stands out.");
        }));
        out.add(Command.of("Hear the reference another way: middle, sides, ringing part …", "I", () -> {
            listen.nextIsolation();
            shell.say("Heard: " + desk.isolation().get().words() + ", " + desk.isolation().get().about() + ".");
        }));
        out.add(Command.of("Tap the tempo", "T", shell::tap)
                .also("bpm beat"));
        out.add(Command.of("Measure the region", "Ctrl+M", () -> measure.measure())
                .also("analyse analyze evidence"));
        out.add(Command.of("Hear an exchanged part as it comes, or balanced", "F", () -> {
            if (!derive.chain().edits().toggleBalance())
                shell.say(
                        "No part was exchanged last: exchange one in Derive, then this turns its balance on and off.");
        }));
        out.add(Command.of("Set the control that is turning to where it stands", "K", () -> {
            if (!derive.chain().here())
                shell.say("No control is turning: ask what one does in Derive, then turn it slowly.");
        })
                .also("sweep here mark spot stop"));
        out.add(Command.of("Next gap: find the move that helps most, then make it", "G", () -> {
            desk.bench().set(Bench.DERIVE);
            if (derive.session().tone().isEmpty()) shell.say("There is no tone yet: Ctrl+D makes one.");
            else deriving.get().next();
        }));
        out.add(Command.of("Derive a tone", "Ctrl+D", this::derive)
                .also("make match create find get settings sound amp search"));
        out.add(Command.of("Send the tone to a floor unit over MIDI", "", shell::sendTone)
                .also("export program transmit"));
        out.add(Command.of("Choose the control map of your floor unit", "", shell::chooseMap)
                .also("midi controller numbers csv"));
        out.add(Command.of("My gear", "Ctrl+G", shell::showGear)
                .also("rig own equipment amps pedals devices"));
        out.add(Command.of("Undo", "Ctrl+Z", () -> shell.say(desk.undo().map(w -> "Taken back: " + w)
                .orElse("Nothing to take back."))));
        out.add(Command.of("Redo", "Ctrl+Shift+Z", () -> shell.say(desk.redo().map(w -> "Made again: " + w)
                .orElse("Nothing to make again."))));
        out.add(Command.of("New case", "", () -> shell.newCase())
                .also("begin create song project"));
        out.add(Command.of("Day or night", "Ctrl+N", theme::turn)
                .also("dark light theme"));
        out.add(Command.of("Find a command, see all keys", "Ctrl+K", shell::openFinder)
                .also("shortcuts keyboard help"));
        out.add(Command.of("Every key on one page", "Shift+F1", shell::showKeys)
                .also("shortcuts keyboard help sheet"));
        out.add(Command.of("Walk through the program, step by step", "", shell::walk)
                .also("tour begin learn tutorial first help"));
        out.add(Command.of("Explain what is under focus", "F1", shell::explain)
                .also("help what"));
        return out;
    }
}
