package keel.app.failures;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.MapKeyColumn;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.core.failure.Certainty;
import org.hibernate.annotations.BatchSize;

/** A failed print as its latest entry has it; every earlier reading stays in the logbook. */
@Entity
class Failure {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long machineId;
    Long runId;
    Instant seenAt;
    String note;
    String cause;

    @Enumerated(EnumType.STRING)
    Certainty certainty;

    Instant causeAt;

    /** Share of what was seen that the cause began, judged without the verdict; null while nobody judged it. */
    Double began;

    /** Largest share of one symptom that it explains itself. */
    Double explains;

    /** When somebody said that it is mended. */
    Instant mendedAt;

    Integer partsPrinted;
    Integer partsLost;
    boolean withdrawn;

    @Version
    int version;

    /** Symptom code to whether it was there or looked for in vain. */
    @ElementCollection
    @BatchSize(size = 100)
    @CollectionTable(name = "failure_symptom", joinColumns = @JoinColumn(name = "failure_id"))
    @MapKeyColumn(name = "symptom")
    @Column(name = "present")
    Map<String, Boolean> symptoms = new HashMap<>();

    /** What was said of the print, by codes of facts of history. */
    @ElementCollection
    @BatchSize(size = 100)
    @CollectionTable(name = "failure_fact", joinColumns = @JoinColumn(name = "failure_id"))
    @Column(name = "fact")
    Set<String> facts = new HashSet<>();

    /** Checks that could not be done. */
    @ElementCollection
    @BatchSize(size = 100)
    @CollectionTable(name = "failure_skip", joinColumns = @JoinColumn(name = "failure_id"))
    @Column(name = "check_code")
    Set<String> skipped = new HashSet<>();

    @ElementCollection
    @BatchSize(size = 100)
    @CollectionTable(name = "failure_zone", joinColumns = @JoinColumn(name = "failure_id"))
    @Column(name = "zone")
    Set<String> zones = new HashSet<>();

    /** Symptoms that were there, or looked for in vain. */
    List<String> symptoms(boolean there) {
        return symptoms.entrySet().stream()
                .filter(s -> s.getValue() == there)
                .map(Map.Entry::getKey)
                .sorted()
                .toList();
    }
}
