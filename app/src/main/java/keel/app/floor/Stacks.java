package keel.app.floor;

import java.time.Clock;
import keel.app.fleet.ShopSettings;
import keel.app.upkeep.MachineNow;
import keel.core.standing.Defaults;
import org.springframework.stereotype.Component;

/** Draws machines in cross-section as they stand now. */
@Component
public class Stacks {

    private final ShopSettings settings;
    private final Clock clock;

    Stacks(ShopSettings settings, Clock clock) {
        this.settings = settings;
        this.clock = clock;
    }

    public StackDrawing of(MachineNow machine) {
        Defaults defaults = settings.defaults();
        return StackDrawing.of(machine, part -> Ages.full(defaults, part), clock.instant());
    }
}
