package keel.app.failures;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.base.Paging;
import keel.app.standing.MachineNow;
import keel.core.diagnosis.Diagnosis;
import keel.core.failure.LookedFor;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Harms that a machine's last failure calls to be looked for, and that nobody has looked for since. */
@Service
@Transactional(readOnly = true)
public class OwedLooks {

    private static final Paging LAST = Paging.of(0, 1);

    private final Failures failures;
    private final Diagnoses diagnoses;
    private final FailureRecords records;

    OwedLooks(Failures failures, Diagnoses diagnoses, FailureRecords records) {
        this.failures = failures;
        this.diagnoses = diagnoses;
        this.records = records;
    }

    /** Of a machine whose last print failed. */
    public List<Diagnosis.AlsoLookAt> of(MachineNow machine) {
        return failures.list(machine.code(), false, LAST).stream()
                .flatMap(f -> of(machine, f).stream())
                .toList();
    }

    private List<Diagnosis.AlsoLookAt> of(MachineNow machine, FailureView failure) {
        Set<ServiceKind> done = records.doneSince(machine.id(), failure.seenAt()).stream()
                .map(FailureRecords.Done::kind)
                .collect(Collectors.toSet());
        return diagnoses.of(failure).alsoLookAt().stream()
                .filter(l -> LookedFor.by(l.code()).stream().noneMatch(done::contains))
                .toList();
    }
}
