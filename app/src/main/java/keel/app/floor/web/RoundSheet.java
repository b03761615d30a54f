package keel.app.floor.web;

import java.util.Map;
import java.util.stream.Collectors;
import keel.core.quick.LabelCode;
import keel.core.round.Round;

/** The round on paper: the codes of its machines, to be scanned from the wall. */
final class RoundSheet {

    private RoundSheet() {}

    /** By the machine's code. */
    static Map<String, Label> codes(Round round) {
        return round.items().stream()
                .map(Round.Line::chore)
                .filter(c -> c.machine() != null)
                .collect(Collectors.toMap(
                        c -> c.machine(),
                        c -> Label.of(new LabelCode(LabelCode.LabelKind.MACHINE, c.machine()), c.name(), ""),
                        (a, b) -> a));
    }
}
