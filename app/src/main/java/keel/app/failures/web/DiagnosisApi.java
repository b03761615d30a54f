package keel.app.failures.web;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.failures.Diagnoses;
import keel.app.failures.Failures;
import keel.core.diagnosis.Diagnosis;
import keel.core.diagnosis.Evidence;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Diagnosis for programs: of evidence that is sent, or of a failure that is recorded. */
@RestController
@RequestMapping("/api/v1")
class DiagnosisApi {

    private final Diagnoses diagnoses;
    private final Failures failures;

    DiagnosisApi(Diagnoses diagnoses, Failures failures) {
        this.diagnoses = diagnoses;
        this.failures = failures;
    }

    record Checked(String check, List<String> found) {

        Evidence.Done done() {
            return new Evidence.Done(check, orNone(found));
        }
    }

    record Question(
            List<String> symptoms,
            List<String> absent,
            List<Checked> checks,
            List<String> history,
            String machine,
            List<String> zones) {}

    /**
     * Lists that are left out are empty; {@code found: []} is a check that found nothing. With a machine, what its own
     * records say adds to the history, and what the shop has learned counts; {@code zones} are places on its plate, A1
     * (front left) to F4 (back right).
     */
    @PostMapping("/diagnosis")
    Diagnosis diagnose(@RequestBody Question q) {
        Set<String> history = new LinkedHashSet<>(orNone(q.history()));
        if (q.machine() != null) {
            history.addAll(diagnoses.historyOfEntry(q.machine(), known(q.symptoms()), known(q.zones())));
        }
        List<Evidence.Done> checks = orNone(q.checks()).stream()
                .map(c -> c == null ? new Evidence.Done(null, List.of()) : c.done())
                .toList();
        Evidence evidence = new Evidence(
                new LinkedHashSet<>(orNone(q.symptoms())), new LinkedHashSet<>(orNone(q.absent())), checks, history);
        return diagnoses.of(evidence, q.machine() != null);
    }

    /** Of a failure as it is recorded. */
    @GetMapping("/failures/{id}/diagnosis")
    Diagnosis ofFailure(@PathVariable long id) {
        return diagnoses.of(failures.one(id));
    }

    private static Set<String> known(List<String> codes) {
        return orNone(codes).stream().filter(Objects::nonNull).collect(Collectors.toSet());
    }

    private static <T> List<T> orNone(List<T> list) {
        return list == null ? List.of() : list;
    }
}
