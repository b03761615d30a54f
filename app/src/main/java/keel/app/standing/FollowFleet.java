package keel.app.standing;

import keel.app.fleet.MachineChanged;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Rebuilds what follows when the fleet changes, in the same transaction. */
@Component
class FollowFleet {

    private final Rebuild rebuild;

    FollowFleet(Rebuild rebuild) {
        this.rebuild = rebuild;
    }

    @EventListener
    void on(MachineChanged changed) {
        rebuild.machine(changed.machineId());
    }
}
