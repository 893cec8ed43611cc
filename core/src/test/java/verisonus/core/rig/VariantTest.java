package verisonus.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class VariantTest {
    private static final Tone BASE = new Tone("rhythm", List.of(Block.of("mid-hump overdrive").switched(false),
            Block.of("chiming edge"), Block.of("2×12 open"), Block.of("dynamic microphone"),
            Block.of("clean echo").with(ControlNames.MIX, 20)));

    private static Tone changed(long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        Tone out = BASE;
        for (Block b : BASE.blocks()) {
            Block c = r.nextInt(3) == 0 ? b.switched(!b.on()) : b;
            for (Control k : b.model().turnable())
                if (r.nextInt(6) == 0) c = c.with(k.name(), k.isChoice() ? 1 : k.valueAt(r.nextDouble()));
            out = out.with(c);
        }
        return out;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void theDifferencesPutOnTheToneMakeTheChangedOneAgain(long seed) {
        Tone changed = changed(seed);
        Variant v = Variant.between("lead", BASE, changed);
        assertThat(v.on(BASE).blocks()).isEqualTo(changed.blocks());
        assertThat(v.on(BASE).name()).isEqualTo("lead");
    }

    @Test
    void whatIsTheSameIsNoDifference() {
        Variant none = Variant.between("same", BASE, BASE);
        assertThat(none.differences()).isZero();
        assertThat(none.on(BASE).blocks()).isEqualTo(BASE.blocks());
    }

    @Test
    void onlyWhatDiffersIsKept() {
        Variant v = Variant.between("lead", BASE, BASE.with(BASE.find("drive").orElseThrow().switched(true))
                .with(BASE.find("echo").orElseThrow().with(ControlNames.MIX, 35)));
        assertThat(v.switches()).isEqualTo(Map.of("drive", true));
        assertThat(v.settings()).isEqualTo(Map.of(new ControlPlace("echo", "mix"), 35.0));
        assertThat(v.differences()).isEqualTo(2);
    }

    @Test
    void whatTheToneHasNoLongerIsNamedAndLeftOut() {
        Variant v = new Variant("lead", Map.of(new ControlPlace("echo", "mix"), 35.0), Map.of("phaser", true));
        Tone without = BASE.without("echo");
        assertThat(v.lost(without)).isNotEmpty();
        assertThat(v.lost(BASE)).hasSize(1);
        assertThat(v.on(without).blocks()).isEqualTo(without.blocks());
    }

    @Test
    void aPlaceIsWrittenAndReadBack() {
        ControlPlace p = new ControlPlace("echo 2", "low cut");
        assertThat(ControlPlace.parse(p.toString())).isEqualTo(p);
        for (String bad : List.of("", "echo", "/mix", "echo/"))
            assertThatThrownBy(() -> ControlPlace.parse(bad)).isInstanceOf(RuntimeException.class);
    }
}
