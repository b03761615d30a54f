package keel.app.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import keel.core.standing.ServiceKind;

/** A service that was done; what its kind asks for stands in {@code content} as JSON. */
@Entity
@Table(name = "service")
class ServiceRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Enumerated(EnumType.STRING)
    ServiceKind kind;

    Long machineId;
    Long vatId;
    Instant at;
    boolean clean;
    boolean emptied;
    boolean leak;
    boolean sieved;
    boolean deburred;
    String firmware;
    Double resinLeftMl;
    Double lostMl;
    Long lostResinId;
    boolean readings;
    Instant dryingUntil;

    @Lob
    String content;

    String note;
    boolean withdrawn;

    /** Sets apart what is asked of a service without reading all that it says. */
    void take(Map<String, Object> values) {
        clean = Boolean.TRUE.equals(values.get("clean"));
        emptied = Boolean.TRUE.equals(values.get("emptied"));
        sieved = Boolean.TRUE.equals(values.get("sieved"));
        deburred = "DEBURRED".equals(values.get("work"));
        firmware = kind == ServiceKind.FIRMWARE ? (String) values.get("version") : null;
        leak = values.get("found") instanceof List<?> found
                && found.stream().anyMatch(f -> ServiceKind.LEAKS.contains(f.toString()));
        resinLeftMl = (Double) values.get("resinLeftMl");
        lostMl = (Double) values.get("lostMl");
        readings = values.get("readings") instanceof List<?> list
                && list.stream().allMatch(r -> r instanceof Map<?, ?> m && m.containsKey("zMm"))
                && !list.isEmpty();
    }
}
