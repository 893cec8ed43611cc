package verisonus.core.evidence.signs;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class SortedWindowTest {
    @Test
    void theMedianIsThatOfSortingWhateverComesAndGoes() {
        Random r = new Random(3);
        SortedWindow w = new SortedWindow(18);
        Deque<Float> there = new ArrayDeque<>();
        for (int i = 0; i < 2000; i++) {
            // Few different values, so that equal ones come and go too.
            float v = r.nextInt(12) / 4f;
            w.add(v);
            there.addLast(v);
            if (there.size() > 1 + r.nextInt(17)) w.remove(there.removeFirst());
            List<Float> sorted = there.stream().sorted().toList();
            assertThat(w.median()).isEqualTo(sorted.get(sorted.size() / 2));
            if (there.size() == 18) w.remove(there.removeFirst());
        }
        w.clear();
        w.add(7);
        assertThat(w.median()).isEqualTo(7);
    }
}
