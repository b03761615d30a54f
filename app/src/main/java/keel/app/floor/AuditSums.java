package keel.app.floor;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import keel.app.floor.AuditFacts.Fit;
import keel.app.floor.AuditFacts.Part;
import keel.app.floor.AuditFacts.Run;

/** What follows from the raw record, reckoned the slow and plain way: run by run, part by part. */
final class AuditSums {

    /** What a part or machine has been through. */
    record Through(double hours, double uvHours, long layers, long prints, double ml) {

        static final Through NOTHING = new Through(0, 0, 0, 0, 0);

        Through plus(Run r) {
            return new Through(
                    hours + r.hours(), uvHours + r.uvHours(), layers + r.peels(), prints + 1, ml + r.usedMl());
        }
    }

    private final List<Part> parts;
    private final Map<Long, List<Fit>> fitsOf;
    private final Map<Long, List<Run>> runsOf;
    private final Map<Long, Long> modelOfMachine;
    private final Map<Long, Long> modelOfPartModel = new HashMap<>();
    private final Map<Long, Part> byId;

    AuditSums(AuditFacts facts) {
        List<Part> all = facts.parts();
        parts = all.stream().filter(p -> !p.withdrawn()).toList();
        byId = all.stream().collect(Collectors.toMap(Part::id, p -> p));
        fitsOf = facts.fits().stream().collect(Collectors.groupingBy(Fit::componentId));
        runsOf = facts.runs().stream().collect(Collectors.groupingBy(Run::machineId));
        modelOfMachine = facts.machines().stream()
                .collect(Collectors.toMap(AuditFacts.Machine::id, AuditFacts.Machine::modelId));
        facts.partModelFits().forEach(f -> modelOfPartModel.merge(f.partModelId(), f.machineModelId(), Math::min));
    }

    List<Part> parts() {
        return parts;
    }

    List<Run> runs() {
        return runsOf.values().stream().flatMap(List::stream).toList();
    }

    List<Run> runs(long machine) {
        return runsOf.getOrDefault(machine, List.of());
    }

    /** When a machine's last run ended, whatever became of it; null where it never ran. */
    Instant endedAll(long machine) {
        return runs(machine).stream()
                .map(Run::endedAt)
                .max(Comparator.naturalOrder())
                .orElse(null);
    }

    /** Runs that began while a vat was on their machine. */
    List<Run> runsThrough(long vat) {
        return fitsOf.getOrDefault(vat, List.of()).stream()
                .filter(f -> f.machineId() != null)
                .flatMap(f -> runs(f.machineId()).stream().filter(r -> f.holds(r.startedAt())))
                .toList();
    }

    /** Since it was new: every run that began while it was on a machine, by way of its vat too, and its baseline. */
    Through through(Part part) {
        Through sum = new Through(
                part.baselineHours(), part.baselineUvHours(), part.baselineLayers(), part.baselinePrints(), 0);
        for (Fit fit : fitsOf.getOrDefault(part.id(), List.of())) {
            if (fit.machineId() != null) {
                for (Run run : runs(fit.machineId())) {
                    sum = fit.holds(run.startedAt()) ? sum.plus(run) : sum;
                }
            } else if (fit.vatId() != null) {
                for (Fit vat : fitsOf.getOrDefault(fit.vatId(), List.of())) {
                    for (Run run : vat.machineId() == null ? List.<Run>of() : runs(vat.machineId())) {
                        sum = fit.holds(run.startedAt()) && vat.holds(run.startedAt()) ? sum.plus(run) : sum;
                    }
                }
            }
        }
        return sum;
    }

    boolean fitted(Part part) {
        return fitsOf.getOrDefault(part.id(), List.of()).stream().anyMatch(f -> f.removedAt() == null);
    }

    /** Number of the machine model that a part fits or fitted; null where nothing tells. */
    Long model(Part part) {
        List<Fit> fits = fitsOf.getOrDefault(part.id(), List.of());
        Fit last = fits.isEmpty() ? null : fits.get(fits.size() - 1);
        List<Long> ways = new ArrayList<>();
        ways.add(part.modelId());
        ways.add(
                last == null || last.vatId() == null
                        ? null
                        : byId.get(last.vatId()).modelId());
        ways.add(last == null || last.machineId() == null ? null : modelOfMachine.get(last.machineId()));
        ways.add(part.partModelId() == null ? null : modelOfPartModel.get(part.partModelId()));
        return ways.stream().filter(Objects::nonNull).findFirst().orElse(null);
    }
}
