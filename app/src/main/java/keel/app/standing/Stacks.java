package keel.app.standing;

import java.time.Clock;
import org.springframework.stereotype.Component;

/** Draws machines in cross-section as they stand now. */
@Component
public class Stacks {

    private final Clock clock;

    Stacks(Clock clock) {
        this.clock = clock;
    }

    public StackDrawing of(MachineNow machine) {
        return StackDrawing.of(machine, clock.instant());
    }
}
