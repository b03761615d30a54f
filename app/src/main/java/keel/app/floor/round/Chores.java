package keel.app.floor.round;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.app.people.Role;
import keel.app.screen.ScreenVerdicts;
import keel.app.standing.MachineNow;
import keel.core.screen.ScreenVerdict;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** All that needs hands, from everywhere, in one form; the same work once, for its weightiest reason. */
@Component
@Transactional(readOnly = true)
class Chores {

    private final MachineChores atMachines;
    private final PrintChores prints;
    private final StartChores starts;
    private final ShopChores besides;
    private final RuleChores rules;
    private final ScreenVerdicts verdicts;
    private final Costing costing;

    Chores(
            MachineChores atMachines,
            PrintChores prints,
            StartChores starts,
            ShopChores besides,
            RuleChores rules,
            ScreenVerdicts verdicts,
            Costing costing) {
        this.atMachines = atMachines;
        this.prints = prints;
        this.starts = starts;
        this.besides = besides;
        this.rules = rules;
        this.verdicts = verdicts;
        this.costing = costing;
    }

    /** Of the whole shop. */
    List<Work> all(List<MachineNow> machines, Role role) {
        Costing.Now now = costing.now(machines);
        List<Work> all = new ArrayList<>(besides.begun(machines, now));
        all.addAll(prints.all(machines, now));
        all.addAll(prints.washPlace(now));
        all.addAll(starts.of(machines, now));
        all.addAll(atMachines.of(machines, verdicts.all(machines), now));
        all.addAll(besides.all(machines, role, now));
        all.addAll(rules.of(machines, now));
        return List.copyOf(once(all));
    }

    /** Of one machine. */
    List<Work> of(MachineNow machine, ScreenVerdict screen) {
        Costing.Now now = costing.now(null);
        List<MachineNow> only = List.of(machine);
        List<Work> all = new ArrayList<>(besides.begun(only, now).stream()
                .filter(w -> machine.code().equals(w.chore().machine()))
                .toList());
        all.addAll(prints.all(only, now));
        all.addAll(starts.of(only, now));
        all.addAll(atMachines.of(only, screen == null ? Map.of() : Map.of(machine.id(), screen), now));
        all.addAll(rules.of(only, now).stream()
                .filter(w -> machine.code().equals(w.chore().machine()))
                .toList());
        return List.copyOf(once(all));
    }

    /** What one service at one machine does is one piece of work, whatever asks for it. */
    private static Collection<Work> once(List<Work> all) {
        Map<String, Work> one = new LinkedHashMap<>();
        all.forEach(w -> one.merge(w.does(), w, Work::weightier));
        return one.values();
    }
}
