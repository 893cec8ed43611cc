package verisonus.desktop.derive.own;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.advise.SaidWord;
import verisonus.core.evidence.words.Word;
import verisonus.core.perform.wish.NewTone;
import verisonus.core.perform.wish.StartSound;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.StartingTone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.desktop.desk.CaseAsItStands;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.player.Source;
import verisonus.desktop.session.CaseSession;

/**
 * What a tone can begin from where there is a take and no record: a neutral chain and every starting tone of the player's gear, each played
 * on the player's own take and as loud as the others.
 */
public final class StartsModel {
    /** Steps of hearing beyond which a sound is no clearer what a word says. */
    private static final double CLEAR = 4;
    private static final String NEUTRAL = "neutral";

    /**
     * What was played.
     *
     * @param take on which, @param rig with which
     */
    public record Played(Sound take, Rig rig, List<StartSound> sounds) {}

    private final CaseSession session;
    private final Desk desk;
    private final ReadOnlyObjectWrapper<Optional<Played>> played = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyBooleanWrapper stopped = new ReadOnlyBooleanWrapper();
    /** What is being played, without its sounds. */
    private Optional<Played> underWay = Optional.empty();
    private final ReadOnlyObjectWrapper<Optional<StartSound>> heard = new ReadOnlyObjectWrapper<>(Optional.empty());

    public StartsModel(CaseSession session) {
        this.session = session;
        desk = session.desk();
        desk.open().subscribe((was, now) -> {
            boolean same = was.map(o -> o.entry().id()).equals(now.map(o -> o.entry().id()));
            if (!same) heard.set(Optional.empty());
        });
    }

    /** Whether a tone can only begin from something: there is a take, no record and no tone. */
    public boolean isAsked() {
        return session.tone().isEmpty() && isWithoutRecord();
    }

    /** Whether there is a take and nothing to hold a tone against. */
    public boolean isWithoutRecord() {
        return desk.open().get().isPresent() && desk.sounds().get().reference().isEmpty()
                && desk.sounds().get().di().isPresent();
    }

    /** Plays them all on the take, unless that was done or is under way. */
    public void play() {
        Optional<CaseAsItStands> now = desk.asItStands();
        Optional<Sound> take = now.flatMap(c -> c.sounds().di());
        if (!isAsked() || take.isEmpty()) return;
        Rig rig = now.orElseThrow().rig();
        Played asked = new Played(take.get(), rig, List.of());
        if (current().isPresent() || underWay.filter(asked::equals).isPresent()) return;
        underWay = Optional.of(asked);
        stopped.set(false);
        ExecutorService workers = desk.work().helpers();
        desk.forCase("Playing the starting tones", p -> {
            p.step(0.1, "on your take");
            List<StartSound> all = new ArrayList<>();
            all.add(StartSound.of(new StartingTone(NEUTRAL, NewTone.neutral(rig)), take.get()));
            all.addAll(StartSound.all(rig, take.get(), workers));
            return new Played(take.get(), rig, List.copyOf(all));
        }).otherwise(_ -> {
            underWay = Optional.empty();
            stopped.set(true);
        }).show(p -> {
            underWay = Optional.empty();
            played.set(Optional.of(p));
        });
    }

    /** What was played on the take of the open case, with the gear as it is; another case's is none of it. */
    public Optional<Played> current() {
        Optional<CaseAsItStands> now = desk.asItStands();
        return played.get().filter(p -> now.filter(c -> c.rig().equals(p.rig)
                && c.sounds().di().filter(d -> d == p.take).isPresent()).isPresent());
    }

    /** In the order of the gear, or with words the one that they fit best first. */
    public List<StartSound> sorted(String words) {
        List<StartSound> all = current().map(Played::sounds).orElse(List.of());
        List<SaidWord> said = Arrays.stream(words.split("[,;]", -1)).map(String::strip)
                .filter(w -> !w.isEmpty()).flatMap(w -> SaidWord.find(w, Word.shipped()).stream()).toList();
        if (said.isEmpty()) return named(all, words);
        return all.stream().sorted(Comparator.comparingDouble((StartSound s) -> -fit(s, said))).toList();
    }

    /** Words that are none of a listener's are looked for in the names. */
    private static List<StartSound> named(List<StartSound> all, String words) {
        String in = words.strip().toLowerCase(Locale.ROOT);
        return in.isEmpty()
                ? all
                : all.stream().filter(s -> (s.start().words() + " " + s.family()).contains(in)).toList();
    }

    /** How far it lies in the asked directions, in steps of what is clearly heard. */
    private static double fit(StartSound s, List<SaidWord> said) {
        double sum = 0;
        for (SaidWord w : said) {
            for (Word.Condition c : w.word().conditions()) {
                double v = s.traits().getOrDefault(c.trait(), 0.0) / c.trait().step();
                double towards = c.above() == w.more() ? v : -v;
                sum += Math.clamp(towards, -CLEAR, CLEAR) / w.word().conditions().size();
            }
        }
        return sum;
    }

    /** Plays one as mine; nothing is kept. */
    public void hear(StartSound s) {
        Optional<CaseAsItStands> now = desk.asItStands();
        if (now.isEmpty() || now.get().sounds().di().isEmpty()) return;
        Sound take = now.get().sounds().di().get();
        heard.set(Optional.of(s));
        desk.forCase("Playing it", p -> Renderer.render(NewTone.levelled(s.start().tone(), take), take, Quality.SEARCH,
                p)).show(mine -> {
                    if (heard.get().filter(s::equals).isEmpty()) return;
                    desk.hearMine(now.get().caseId(), mine, 0);
                    desk.player().choose(Source.MINE);
                    if (!desk.player().playing().get()) desk.player().toggle();
                });
    }

    /** The tone of the case begins from it. */
    public void begin(StartSound s) {
        Optional<Sound> take = desk.asItStands().flatMap(c -> c.sounds().di());
        if (take.isEmpty()) return;
        desk.forCase("Beginning from it", _ -> NewTone.levelled(s.start().tone(), take.get()))
                .show(tone -> session.take(DerivedTone.handed(tone.named(s.start().words()), Pairing.OTHER_PLAYING, 0),
                        "Begun from " + s.start().words()));
    }

    /** Whether the last playing was cancelled or failed, so that nothing is on its way. */
    public ReadOnlyBooleanProperty stopped() {
        return stopped.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Optional<Played>> played() {
        return played.getReadOnlyProperty();
    }

    /** The one that is heard. */
    public ReadOnlyObjectProperty<Optional<StartSound>> heard() {
        return heard.getReadOnlyProperty();
    }

}
