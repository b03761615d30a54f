package keel.app.floor.web;

import java.time.Clock;
import keel.app.failures.Failures;
import keel.app.fleet.ShopSettings;
import keel.app.standing.MachineNow;
import keel.app.standing.PartsReading;
import org.springframework.stereotype.Component;

/** The lives of a machine's parts beside its failures, as more than one of its pages draws them. */
@Component
class MachineLives {

    private final PartsReading parts;
    private final Failures failures;
    private final ShopSettings settings;
    private final Clock clock;

    MachineLives(PartsReading parts, Failures failures, ShopSettings settings, Clock clock) {
        this.parts = parts;
        this.failures = failures;
        this.settings = settings;
        this.clock = clock;
    }

    LifeStrips of(MachineNow machine) {
        return LifeStrips.of(
                machine,
                parts.spans(machine.id()),
                failures.seenSince(machine.id(), machine.since()),
                clock.instant(),
                settings.zone());
    }
}
