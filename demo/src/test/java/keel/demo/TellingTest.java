package keel.demo;

import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import keel.sim.shop.Happening;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** Every kind of happening has one way to be entered: what nobody knows, or two do, is noticed at the start. */
class TellingTest {

    private final List<Happening> entered = new ArrayList<>();

    @SuppressWarnings("unchecked")
    private void knowAll(Telling telling) {
        for (Class<?> kind : Happening.class.getPermittedSubclasses()) {
            telling.on((Class<? extends Happening>) kind, entered::add);
        }
    }

    @Test
    void whatIsKnownIsEntered() {
        Happening cured = new Happening.WasteCured(Instant.EPOCH, "keeper");
        new Telling(List.of(this::knowAll)).enter(cured);
        Assertions.assertThat(entered).containsExactly(cured);
    }

    @Test
    void whatNobodyKnowsIsNoticed() {
        Chapter little = t -> t.on(Happening.WasteCured.class, entered::add);
        assertThatThrownBy(() -> new Telling(List.of(little))).hasMessageContaining("RunDone");
    }

    @Test
    void whatTwoKnowIsNoticed() {
        Chapter again = t -> t.on(Happening.WasteCured.class, entered::add);
        assertThatThrownBy(() -> new Telling(List.of(this::knowAll, again))).hasMessageContaining("WasteCured");
    }
}
