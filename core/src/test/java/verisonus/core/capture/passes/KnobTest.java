package verisonus.core.capture.passes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;

class KnobTest {
    @Test
    void whatAWordMeansDependsOnTheKindOfDevice() {
        assertThat(Knob.said("sustain", GearKind.DRIVE).means()).isEqualTo(ControlNames.DRIVE);
        assertThat(Knob.said("sustain", GearKind.COMPRESSOR).means()).isEqualTo(ControlNames.THRESHOLD);
        assertThat(Knob.said("time", GearKind.ECHO).means()).isEqualTo(ControlNames.TIME);
        assertThat(Knob.said("time", GearKind.REVERB).means()).isEqualTo(ControlNames.DECAY);
    }

    @Test
    void aScaleStandsBehindTheWordOrBehindWhatItMeans() {
        Knob delay = Knob.said("delay 20..600 ms", GearKind.ECHO);
        assertThat(delay.label()).isEqualTo("delay");
        assertThat(delay.face().words()).isEqualTo("20..600 ms");
        Knob odd = Knob.said("squeeze=drive 7:00..17:00", GearKind.DRIVE);
        assertThat(odd.label()).isEqualTo("squeeze");
        assertThat(odd.means()).isEqualTo(ControlNames.DRIVE);
        assertThat(odd.face().words()).isEqualTo("7:00..17:00");
        assertThat(Knob.said("gain", GearKind.DRIVE).face()).isEqualTo(Knob.TENS);
    }

    @Test
    void whatMeansNothingIsRefusedWithWhatThereIs() {
        assertThatThrownBy(() -> Knob.said("sparkle", GearKind.ECHO)).hasMessageContaining("sparkle=CONTROL")
                .hasMessageContaining("feedback");
        assertThatThrownBy(() -> Knob.said("sparkle=drives", GearKind.DRIVE)).hasMessageContaining("is no control");
        assertThatThrownBy(() -> Knob.said("", GearKind.DRIVE)).hasMessageContaining("names no control");
    }
}
