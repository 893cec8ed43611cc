package verisonus.core.evidence;

import java.util.List;
import java.util.Optional;
import verisonus.core.evidence.dirt.ClippingReading;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.gear.CabinetEstimator;
import verisonus.core.evidence.gear.CabinetReading;
import verisonus.core.evidence.gear.PickupReading;
import verisonus.core.evidence.gear.TakenAt;
import verisonus.core.evidence.level.DynamicsReading;
import verisonus.core.evidence.level.LevelControl;
import verisonus.core.evidence.level.SpectrumReading;
import verisonus.core.evidence.level.StereoReading;
import verisonus.core.evidence.level.WidthReading;
import verisonus.core.evidence.notes.PlayedNote;
import verisonus.core.evidence.notes.TempoCourse;
import verisonus.core.evidence.notes.TempoReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.OnsetCurve;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.evidence.study.CompanyEstimator;
import verisonus.core.sound.Sound;

/**
 * What surrounds the tone itself: who else plays, where it was taken, what was done to level and width, what was played.
 *
 * @param company who else plays, and which bands are the guitar's own
 * @param cabinet whether a speaker's fall is there
 * @param takenAt where along the way the track was taken
 * @param pickup bright or dark
 * @param clipping how a clipper treats the wave
 * @param control gate and compressor
 * @param width how a stereo guitar came to be wide
 * @param pulse whether the tempo holds; empty where there is none
 * @param notes beginnings, those played and those that the echo adds
 */
public record Circumstances(CompanyEstimator.Company company, Finding<CabinetReading> cabinet, Finding<TakenAt> takenAt,
        Finding<PickupReading> pickup, ClippingReading clipping, LevelControl control, Finding<WidthReading> width,
        Optional<TempoCourse> pulse, List<PlayedNote> notes) {
    public Circumstances {
        notes = List.copyOf(notes);
    }

    /** The same with gate and compressor as they are known otherwise. */
    Circumstances controlled(LevelControl newControl) {
        return new Circumstances(company, cabinet, takenAt, pickup, clipping, newControl, width, pulse, notes);
    }

    /** Notes that were played, without what the echo adds. */
    public List<PlayedNote> played() {
        return notes.stream().filter(n -> !n.byEcho()).toList();
    }

    /**
     * @param sound the region at the rate that most ask at
     * @param low its middle at 16 kHz
     */
    static Circumstances of(Sound sound, Sound low, OnsetCurve onsets, CompanyEstimator.Company company,
            SpectrumReading spectrum,
            Finding<SaturationReading> dirt, Finding<ReverbReading> space, Finding<EchoReading> echo,
            DynamicsReading dynamics, Finding<TempoReading> tempo, StereoReading stereo) {
        Finding<CabinetReading> cabinet = CabinetEstimator.estimate(spectrum, company.probability());
        return new Circumstances(company, cabinet, TakenAt.estimate(cabinet, dirt, space),
                PickupReading.estimate(spectrum, dirt, cabinet), ClippingReading.of(low),
                LevelControl.of(low, dynamics, dirt), WidthReading.estimate(sound, stereo),
                tempo.value().map(t -> TempoCourse.of(sound, t.bpm())), PlayedNote.of(onsets, echo.value()));
    }
}
