package verisonus.core.search;

import java.util.List;
import java.util.Set;
import verisonus.core.compare.GapAttribute;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Impulse;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.sound.Sound;

/**
 * What a player wants of a tone besides being near.
 *
 * @param wantedSo attributes of the ledger that shall differ: they are not chased
 * @param claims what is said of the gear, and how far that counts
 * @param track what the take has been through
 * @param others further recordings of the same sound: what they have in common is wanted
 * @param impulses measured responses that may stand in place of cabinet and microphone
 * @param known tones besides the shipped ones from which a search may start
 * @param direct whether the reference was taken without loudspeaker and microphone, so that none are looked for
 * @param takes further takes of the phrase on the same guitar: what most of them show is believed
 * @param standIn whether the take is nobody's, so that notes of it that happen to fall on the record's mean nothing
 */
public record Wishes(Set<GapAttribute> wantedSo, List<ModelClaim> claims, SearchOptions.Track track, List<Sound> others,
        List<Impulse> impulses, List<StartingTone> known, boolean direct, List<Sound> takes, boolean standIn) {
    /** Nothing but to be near. */
    public static final Wishes NONE = new Wishes(Set.of(), List.of(), SearchOptions.Track.DRY, List.of(), List.of(),
            List.of(), false, List.of(), false);

    /** How far a claim counts. */
    public enum Use {
        /** Only what is claimed is tried, where it is owned. */
        HONOURED,
        /** What is claimed is preferred where it is about as near. */
        WEIGHED,
        /** As if nothing had been said. */
        IGNORED
    }

    /** That a model, or one of its kind, was used. */
    public record ModelClaim(Model model, Use use) {}

    public Wishes {
        wantedSo = Set.copyOf(wantedSo);
        claims = List.copyOf(claims);
        others = List.copyOf(others);
        impulses = List.copyOf(impulses);
        known = List.copyOf(known);
        takes = List.copyOf(takes);
    }

    public Wishes wantingSo(Set<GapAttribute> attributes) {
        return new Wishes(attributes, claims, track, others, impulses, known, direct, takes, standIn);
    }

    public Wishes claiming(List<ModelClaim> newClaims) {
        return new Wishes(wantedSo, newClaims, track, others, impulses, known, direct, takes, standIn);
    }

    public Wishes through(SearchOptions.Track newTrack) {
        return new Wishes(wantedSo, claims, newTrack, others, impulses, known, direct, takes, standIn);
    }

    public Wishes alsoNear(List<Sound> recordings) {
        return new Wishes(wantedSo, claims, track, recordings, impulses, known, direct, takes, standIn);
    }

    public Wishes offering(List<Impulse> responses) {
        return new Wishes(wantedSo, claims, track, others, responses, known, direct, takes, standIn);
    }

    public Wishes knowing(List<StartingTone> tones) {
        return new Wishes(wantedSo, claims, track, others, impulses, tones, direct, takes, standIn);
    }

    /** The reference was taken without loudspeaker and microphone. */
    public Wishes takenDirectly() {
        return new Wishes(wantedSo, claims, track, others, impulses, known, true, takes, standIn);
    }

    /** The phrase was played more than once. */
    public Wishes alsoPlayed(List<Sound> more) {
        return new Wishes(wantedSo, claims, track, others, impulses, known, direct, more, standIn);
    }

    /** The take is a stand-in's. */
    public Wishes playedByStandIn() {
        return new Wishes(wantedSo, claims, track, others, impulses, known, direct, takes, true);
    }

    /** Whether a model may be tried: the honoured claims about its kind name it, or nothing that is owned. */
    boolean allows(Model m, Rig rig) {
        List<Model> honoured = claimed(m.kind(), Use.HONOURED).stream().filter(rig::holds).toList();
        return honoured.isEmpty() || isNamed(m, honoured);
    }

    /** What a model that a weighed claim does not name must be better by, as a factor on its error. */
    double handicap(Model m) {
        List<Model> weighed = claimed(m.kind(), Use.WEIGHED);
        return weighed.isEmpty() || isNamed(m, weighed) ? 1 : 1.4;
    }

    /** A claim that names a model goes for the player's own devices that are one of it. */
    private static boolean isNamed(Model m, List<Model> claimed) {
        return claimed.contains(m) || claimed.contains(Gear.baseOf(m));
    }

    private List<Model> claimed(GearKind kind, Use use) {
        return claims.stream().filter(c -> c.use == use && c.model.kind() == kind).map(ModelClaim::model).toList();
    }

    boolean chases(GapAttribute attribute) {
        return !wantedSo.contains(attribute);
    }
}
