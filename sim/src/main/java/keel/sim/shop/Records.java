package keel.sim.shop;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import keel.core.wear.Usage;

/** What one machine's people wrote down, what was true, and the simulator's own sums of what its parts went through. */
final class Records {

    private final String machine;
    private final List<Happening> happenings = new ArrayList<>();
    private final List<Truth> truths = new ArrayList<>();
    private Usage total = Usage.NONE;
    private Usage film = Usage.NONE;
    private Usage screen = Usage.NONE;
    private int keys;

    Records(String machine) {
        this.machine = machine;
    }

    String key() {
        return machine + '-' + ++keys;
    }

    void add(Happening happening) {
        happenings.add(happening);
    }

    void add(Truth truth) {
        truths.add(truth);
    }

    void service(Instant at, String who, String kind, Map<String, Object> values, String note) {
        add(new Happening.ServiceDone(at, who, machine, kind, values, note));
    }

    void used(Usage run) {
        total = total.plus(run);
        film = film.plus(run);
        screen = screen.plus(run);
    }

    void filmBegins() {
        film = Usage.NONE;
    }

    void screenBegins() {
        screen = Usage.NONE;
    }

    List<Happening> happenings() {
        return happenings;
    }

    List<Truth> truths() {
        return truths;
    }

    Shop.Sums sums() {
        return new Shop.Sums(total, film, screen);
    }
}
