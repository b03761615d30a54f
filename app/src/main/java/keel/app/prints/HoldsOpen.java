package keel.app.prints;

import java.util.List;
import java.util.stream.Collectors;
import keel.core.standing.Hold;

/** A start that open holds forbid (409). A keeper may override with a reason. */
public final class HoldsOpen extends RuntimeException {

    private final transient List<Hold> holds;

    HoldsOpen(String machine, List<Hold> holds) {
        super(machine + " must not print: " + holds.stream().map(Hold::text).collect(Collectors.joining(" ")));
        this.holds = List.copyOf(holds);
    }

    public List<Hold> holds() {
        return holds;
    }
}
