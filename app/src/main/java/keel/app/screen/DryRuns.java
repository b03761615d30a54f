package keel.app.screen;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.bench.ServiceRecorded;
import keel.app.bench.ServiceWithdrawn;
import keel.app.failures.CaseChecks;
import keel.app.failures.Failures;
import keel.app.fleet.Fleet;
import keel.app.prints.InForce;
import keel.app.prints.Profiles;
import keel.core.screen.DryRun;
import keel.core.screen.DryRun.Difference;
import keel.core.screen.Repeated;
import keel.core.standing.ServiceKind;
import org.springframework.context.event.EventListener;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Dry runs: what was timed beside the profile of that day, and what they tell of a failure. */
@Service
@Transactional(readOnly = true)
public class DryRuns {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final Limit SHOWN = Limit.of(6);
    private static final String CHECK = "dry-run";

    private final Profiles profiles;
    private final Failures failures;
    private final CaseChecks caseChecks;
    private final Fleet fleet;
    private final ScreenRecords records;

    DryRuns(Profiles profiles, Failures failures, CaseChecks caseChecks, Fleet fleet, ScreenRecords records) {
        this.profiles = profiles;
        this.failures = failures;
        this.caseChecks = caseChecks;
        this.fleet = fleet;
        this.records = records;
    }

    /** One dry run; {@code profile} is the version that it was held against, null where there was none. */
    public record DryRunView(
            long id,
            Instant at,
            String file,
            String seen,
            Integer layer,
            Integer profile,
            List<Difference> differences,
            Long failure,
            String note) {

        public boolean asShown() {
            return ServiceKind.DRY_RUN
                    .field("seen")
                    .orElseThrow()
                    .words("AS_FILE")
                    .equals(seen);
        }

        /** What differs, in sentences. */
        public List<String> words() {
            return differences.stream()
                    .filter(Difference::significant)
                    .map(d -> String.format(
                            Locale.ROOT,
                            "%s: %.1f ± %.1f %s, the profile says %.1f.",
                            d.kind().words(),
                            d.measured(),
                            2 * d.uncertainty(),
                            d.kind().unit(),
                            d.expected()))
                    .toList();
        }
    }

    /** The last ones of a machine, the newest first. */
    public List<DryRunView> of(long machineId) {
        return records.dryRuns(machineId, SHOWN).stream()
                .map(s -> view(machineId, s.id(), s.at(), s.content(), s.note()))
                .toList();
    }

    /** What the profile in force says of each field that can be timed, in words; empty without a profile. */
    public Map<String, String> expected(String machine, Instant at) {
        Map<String, String> words = new LinkedHashMap<>();
        profiles.inForce(fleet.machine(machine).id(), at).ifPresent(p -> {
            DryRun.Profile profile = DryRun.Profile.of(p.settings());
            for (DryRun.ReadingKind kind : DryRun.ReadingKind.values()) {
                Double expected = profile.expected(kind);
                if (expected != null) {
                    words.put(
                            kind.field(),
                            String.format(Locale.ROOT, "profile %d: %.1f %s", p.number(), expected, kind.unit()));
                }
            }
        });
        return words;
    }

    private DryRunView view(long machineId, long id, Instant at, String content, String note) {
        Map<String, Object> values = read(content);
        Optional<InForce> profile = profiles.inForce(machineId, at);
        return new DryRunView(
                id,
                at,
                (String) values.get("file"),
                ServiceKind.DRY_RUN.field("seen").orElseThrow().words((String) values.get("seen")),
                values.get("layer") instanceof Number n ? Integer.valueOf(n.intValue()) : null,
                profile.map(InForce::number).orElse(null),
                differences(profile, values),
                failure(values),
                note);
    }

    private static List<Difference> differences(Optional<InForce> profile, Map<String, Object> values) {
        if (profile.isEmpty()) {
            return List.of();
        }
        DryRun.Profile of = DryRun.Profile.of(profile.get().settings());
        return DryRun.differences(of, readings(of, values));
    }

    private static List<DryRun.Reading> readings(DryRun.Profile profile, Map<String, Object> values) {
        boolean screenOnly = "SCREEN_ONLY".equals(values.get("scope"));
        List<DryRun.Reading> readings = new ArrayList<>();
        for (DryRun.ReadingKind kind : DryRun.ReadingKind.values()) {
            if (profile.expected(kind) != null
                    && (!screenOnly || kind.withoutLift())
                    && values.get(kind.field()) instanceof List<?> list
                    && !list.isEmpty()) {
                Repeated r = Repeated.of(
                        list.stream().map(v -> ((Number) v).doubleValue()).toList(), kind.atBest());
                readings.add(new DryRun.Reading(kind, r.mean(), r.uncertainty()));
            }
        }
        return readings;
    }

    /** A dry run for a failure answers its check. */
    @EventListener
    @Transactional
    public void answers(ServiceRecorded service) {
        Long failure = service.kind() == ServiceKind.DRY_RUN ? failure(service.values()) : null;
        if (failure == null) {
            return;
        }
        try {
            if (!failures.one(failure)
                    .machine()
                    .equals(fleet.machine(service.machineId()).code())) {
                throw new Refused("failure", "Failure " + failure + " was seen on another machine.");
            }
        } catch (NotThere e) {
            throw new Refused("failure", e.getMessage());
        }
        caseChecks.check(failure, CHECK, found(service), service.id());
    }

    @EventListener
    @Transactional
    public void takenBack(ServiceWithdrawn service) {
        if (service.kind() == ServiceKind.DRY_RUN) {
            caseChecks.withdrawChecksOf(service.id());
        }
    }

    private List<String> found(ServiceRecorded service) {
        List<String> found = new ArrayList<>();
        String seen = String.valueOf(service.values().get("seen"));
        if (seen.equals("TORN")) {
            found.add("data-glitch");
        } else if (seen.equals("WRONG_LAYER")) {
            found.add("file-corrupt");
        }
        Instant at = records.at(service.id());
        differences(profiles.inForce(service.machineId(), at), service.values()).stream()
                .filter(d -> d.significant()
                        && (d.kind() == DryRun.ReadingKind.LIFT_S || d.kind() == DryRun.ReadingKind.RETRACT_S)
                        && d.measured() < d.expected())
                .findFirst()
                .ifPresent(d -> found.add("lift-fast"));
        return found;
    }

    private static Long failure(Map<String, Object> values) {
        Object failure = values.get("failure");
        try {
            return failure == null || failure.toString().isBlank()
                    ? null
                    : Long.valueOf(failure.toString().strip());
        } catch (NumberFormatException e) {
            throw new Refused("failure", "Which failure it is for is a number: " + failure + ".");
        }
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> read(String content) {
        try {
            return JSON.readValue(content, Map.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
