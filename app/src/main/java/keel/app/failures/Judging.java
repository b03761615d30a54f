package keel.app.failures;

import keel.core.diagnosis.Diagnosis;
import keel.core.failure.Certainty;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** How much of what was seen the named cause explains, judged as though nobody had named it; kept with the failure. */
@Component
class Judging {

    private final Failures failures;
    private final FailureRecords records;
    private final Diagnoses diagnoses;

    Judging(Failures failures, FailureRecords records, Diagnoses diagnoses) {
        this.failures = failures;
        this.records = records;
        this.diagnoses = diagnoses;
    }

    @EventListener
    void judge(EvidenceChanged changed) {
        Failure failure = failures.record(changed.failure());
        judge(failure);
        records.save(failure);
    }

    /** Writes it into the failure; nothing where no cause is named. */
    void judge(Failure failure) {
        failure.began = null;
        failure.explains = null;
        if (failure.cause != null && failure.certainty != null && failure.certainty != Certainty.UNKNOWN) {
            failure.began = 0.0;
            failure.explains = 0.0;
            diagnoses.without(failures.one(failure.id)).causes().stream()
                    .filter(s -> s.code().equals(failure.cause))
                    .findFirst()
                    .ifPresent(s -> write(failure, s));
        }
    }

    private static void write(Failure failure, Diagnosis.Suspect suspect) {
        failure.began = suspect.probability();
        failure.explains = suspect.explains().values().stream()
                .mapToDouble(Double::doubleValue)
                .max()
                .orElse(0);
    }
}
