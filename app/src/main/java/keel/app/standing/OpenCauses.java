package keel.app.standing;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import keel.app.fleet.MachineRef;
import keel.core.diagnosis.Odds;
import keel.core.failure.Closing;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Recoveries;
import keel.core.knowledge.Recovery;
import keel.core.placement.PlateZones;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Causes that somebody named and that are not found yet, and what is missing for each. */
@Component
@Transactional(readOnly = true)
public class OpenCauses {

    private final VerdictRecords records;
    private final Knowledge knowledge;
    private final Recoveries recoveries;
    private final Odds odds;

    OpenCauses(VerdictRecords records, Knowledge knowledge, Recoveries recoveries, Odds odds) {
        this.records = records;
        this.knowledge = knowledge;
        this.recoveries = recoveries;
        this.odds = odds;
    }

    /** What a verdict still waits for. */
    public record Waiting(Closing.Lacks lacks, Closing.Terms terms) {}

    /** A cause that is not found yet. {@code watched} whether the machine is watched for it. */
    record Open(VerdictRecords.Named named, boolean watched) {}

    List<Open> of(MachineRef machine) {
        List<VerdictRecords.Named> named = records.presumed(machine.id());
        if (named.isEmpty()) {
            return List.of();
        }
        Since since = since(machine, named);
        return named.stream()
                .filter(n -> since.waiting(n).lacks() != Closing.Lacks.NOTHING)
                .map(n -> new Open(n, since.watched(n)))
                .toList();
    }

    /** Of a failure whose cause is presumed; empty for any other. */
    public Optional<Waiting> of(MachineRef machine, long failure) {
        List<VerdictRecords.Named> named = records.presumed(machine.id()).stream()
                .filter(n -> n.failure() == failure)
                .toList();
        return named.stream().findFirst().map(n -> since(machine, named).waiting(n));
    }

    private Since since(MachineRef machine, List<VerdictRecords.Named> named) {
        Instant first = named.stream()
                .map(VerdictRecords.Named::at)
                .min(Instant::compareTo)
                .orElseThrow();
        Map<String, Recovery> mends = named.stream()
                .map(VerdictRecords.Named::cause)
                .distinct()
                .collect(Collectors.toMap(
                        c -> c, c -> recoveries.of(c, machine.traits().kind())));
        Set<ServiceKind> kinds = EnumSet.noneOf(ServiceKind.class);
        mends.values().forEach(r -> kinds.addAll(r.work()));
        List<VerdictRecords.Work> work = kinds.isEmpty() ? List.of() : records.work(machine.id(), first, kinds);
        boolean settings = mends.values().stream().anyMatch(OpenCauses::bySettings);
        return new Since(
                mends,
                work,
                settings ? records.settingsChanged(machine.id(), first) : List.of(),
                records.cameOut(machine.id(), first).stream()
                        .map(OpenCauses::good)
                        .toList(),
                places(machine, named));
    }

    private static boolean bySettings(Recovery recovery) {
        return recovery.page() == Recovery.Page.PROFILE || recovery.page() == Recovery.Page.SCALE;
    }

    private static Closing.Good good(VerdictRecords.CameOut r) {
        return new Closing.Good(
                r.startedAt(), r.layers(), r.job(), r.resin(), r.zones() == null ? null : PlateZones.ofBits(r.zones()));
    }

    private Map<Long, Set<String>> places(MachineRef machine, List<VerdictRecords.Named> named) {
        List<Long> placed = named.stream()
                .filter(n -> closing(n).terms() == Closing.Terms.SAME_PLACE)
                .map(VerdictRecords.Named::failure)
                .toList();
        Map<Long, Set<String>> places = new HashMap<>();
        if (!placed.isEmpty()) {
            records.places(machine.id(), placed).forEach(p -> places.computeIfAbsent(p.failure(), id -> new TreeSet<>())
                    .add(p.zone()));
        }
        return places;
    }

    private Closing closing(VerdictRecords.Named named) {
        return Closing.of(knowledge.cause(named.cause()).orElseThrow(), odds.job(), odds.placed());
    }

    /** All that happened on a machine since the first of its presumed causes. */
    private final class Since {

        private final Map<String, Recovery> mends;
        private final List<VerdictRecords.Work> work;
        private final List<Instant> settings;
        private final List<Closing.Good> good;
        private final Map<Long, Set<String>> places;

        Since(
                Map<String, Recovery> mends,
                List<VerdictRecords.Work> work,
                List<Instant> settings,
                List<Closing.Good> good,
                Map<Long, Set<String>> places) {
            this.mends = mends;
            this.work = work;
            this.settings = settings;
            this.good = good;
            this.places = places;
        }

        Waiting waiting(VerdictRecords.Named named) {
            Closing closing = closing(named);
            return new Waiting(closing.lacks(failed(named), good), closing.terms());
        }

        boolean watched(VerdictRecords.Named named) {
            return closing(named).watched(failed(named), good);
        }

        private Closing.Failed failed(VerdictRecords.Named n) {
            return new Closing.Failed(
                    n.at(),
                    n.layer(),
                    n.job(),
                    n.resin(),
                    places.getOrDefault(n.failure(), Set.of()),
                    n.began(),
                    n.explains() == null ? 0 : n.explains(),
                    n.checked(),
                    mended(n));
        }

        private List<Instant> mended(VerdictRecords.Named n) {
            Recovery recovery = mends.get(n.cause());
            List<Instant> at = new ArrayList<>();
            if (n.mendedAt() != null) {
                at.add(n.at()); // somebody's word says that it was done, not when
            }
            work.stream()
                    .filter(w -> recovery.work().contains(w.kind()) && !w.at().isBefore(n.at()))
                    .forEach(w -> at.add(w.at()));
            if (bySettings(recovery)) {
                settings.stream().filter(s -> !s.isBefore(n.at())).forEach(at::add);
            }
            return at;
        }
    }
}
