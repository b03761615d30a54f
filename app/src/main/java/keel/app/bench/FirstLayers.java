package keel.app.bench;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.fleet.MachineRef;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogFilter;
import keel.app.people.LogKind;
import keel.app.people.LogLine;
import keel.app.people.Logbook;
import keel.core.plate.FirstLayerTest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** First-layer tests of machines: judged by core, kept in the logbook. Patches are named like places of the plate. */
@Service
@Transactional
public class FirstLayers {

    public static final int COLUMNS = 6;
    public static final int ROWS = 4;

    private static final int KEPT = 8;

    private final Logbook logbook;
    private final Clock clock;

    FirstLayers(Logbook logbook, Clock clock) {
        this.logbook = logbook;
        this.clock = clock;
    }

    public static FirstLayerTest judge(Set<String> held) {
        return FirstLayerTest.of(
                COLUMNS,
                ROWS,
                held.stream()
                        .map(z -> new FirstLayerTest.Patch(z.charAt(0) - 'A', z.charAt(1) - '1'))
                        .collect(Collectors.toSet()));
    }

    /** Writes a test down. */
    public void keep(MachineRef machine, Set<String> held) {
        FirstLayerTest test = judge(held);
        logbook.write(LogDraft.of(
                        LogKind.FIRST_LAYER_TEST,
                        machine.id(),
                        "MACHINE",
                        machine.id(),
                        clock.instant(),
                        machine.name() + ": first-layer test, " + held.size() + " of " + COLUMNS * ROWS
                                + " patches held. " + test.says(),
                        Map.of("held", held, "finding", test.finding()),
                        Actor.current())
                .noting(test.next()));
    }

    /** Earlier tests of a machine, newest first. */
    @Transactional(readOnly = true)
    public List<LogLine> earlier(MachineRef machine) {
        return logbook.lines(
                new LogFilter(machine.code(), null, LogKind.FIRST_LAYER_TEST, null, null, null, null, 0, KEPT));
    }
}
