package keel.demo;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import keel.sim.shop.Happening;
import org.springframework.stereotype.Component;

/** How each kind of happening is entered; none may be without a way, and none may have two. */
@Component
class Telling {

    private final Map<Class<? extends Happening>, Consumer<Happening>> ways = new HashMap<>();

    Telling(List<Chapter> chapters) {
        chapters.forEach(c -> c.tell(this));
        Set<Class<?>> missing = new HashSet<>(List.of(Happening.class.getPermittedSubclasses()));
        missing.removeAll(ways.keySet());
        if (!missing.isEmpty()) {
            throw new IllegalStateException("Nobody knows how to enter " + missing);
        }
    }

    <H extends Happening> void on(Class<H> kind, Consumer<H> how) {
        if (ways.put(kind, h -> how.accept(kind.cast(h))) != null) {
            throw new IllegalStateException("Two ways to enter " + kind);
        }
    }

    void enter(Happening happening) {
        ways.get(happening.getClass()).accept(happening);
    }
}
