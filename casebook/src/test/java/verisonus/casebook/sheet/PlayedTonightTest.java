package verisonus.casebook.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import verisonus.casebook.exchange.PerformanceJson;
import verisonus.casebook.sheet.page.Page;
import verisonus.casebook.sheet.write.MarkdownPage;
import verisonus.core.perform.foot.PedalUse;
import verisonus.core.perform.song.Section;
import verisonus.core.perform.song.SongMap;
import verisonus.core.perform.song.SwitchWay;
import verisonus.core.perform.time.NoteSum;
import verisonus.core.perform.time.TempoBinding;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;

class PlayedTonightTest {
    private static final Tone TONE = new Tone("rhythm", List.of(Block.of("chiming edge"),
            Block.of("clean echo").with("time", 400).with("mix", 20)));
    private static final Variant LEAD = new Variant("lead", Map.of(new ControlPlace("amp", "gain"), 6.5),
            Map.of("echo", false));
    private static final Rig RIG = Rig.everything().scaling(TONE.find("amp").orElseThrow().model(),
            DeviceScale.HUNDREDS);

    private static String written(PlayedTonight p) {
        Page page = new Page("t");
        p.write(page, TONE, RIG);
        return MarkdownPage.of(page);
    }

    private static SongMap.Part part(String name, double from, String variant) {
        return new SongMap.Part(new Section(name, from, from + 30), variant);
    }

    @Test
    void nothingIsSaidWhereNothingIsKept() {
        assertThat(written(PlayedTonight.NOTHING)).doesNotContain("played");
    }

    @Test
    void variantsShowOnlyWhatDiffersOnTheDevicesScale() {
        String s = written(new PlayedTonight(List.of(LEAD), Optional.empty(), List.of(), PerformanceJson.Song.NONE));
        assertThat(s).contains("lead").contains("echo off, amp gain 65").doesNotContain("6.5");
    }

    @Test
    void theBeatThePedalAndTheSongAreWalkedThrough() {
        PerformanceJson.Tempo tempo = new PerformanceJson.Tempo(150,
                List.of(new TempoBinding(new ControlPlace("echo", "time"), NoteSum.parse("quarter"))));
        String s = written(new PlayedTonight(List.of(LEAD), Optional.of(tempo),
                List.of(new PedalUse("left pedal", new ControlPlace("echo", "mix"), 5, 40)),
                new PerformanceJson.Song(List.of(part("verse", 0, ""), part("solo", 95, "lead")),
                        SwitchWay.SEPARATE_BOXES)));
        assertThat(s).contains("150.0 BPM").contains("quarter, 400 ms").contains("heel 5 %, toe 40 %")
                .contains("1:35").contains("as above").contains("echo off").contains("amp by hand or pedal")
                .contains("Left pedal does nothing in lead");
    }

    @Test
    void aSongWhoseVariantHasGoneStillHasItsSections() {
        String s = written(new PlayedTonight(List.of(), Optional.empty(), List.of(),
                new PerformanceJson.Song(List.of(part("verse", 0, "lost")), SwitchWay.FLOOR_UNIT)));
        assertThat(s).contains("verse").contains("lost");
    }
}
