package keel.app.bench;

import keel.app.fleet.Parts;
import keel.app.upkeep.Rebuild;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Ends a film or screen while it is still fitted, so that the machine is held until it is changed. */
@Service
@Transactional
class Condemning {

    private final Parts parts;
    private final Rebuild rebuild;

    Condemning(Parts parts, Rebuild rebuild) {
        this.parts = parts;
        this.rebuild = rebuild;
    }

    void condemn(String code, String endReason) {
        Long machine = parts.condemn(code, endReason);
        if (machine != null) {
            rebuild.machine(machine);
        }
    }
}
