package keel.app.failures;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.MachineRef;
import keel.app.fleet.ShopSettings;
import keel.app.standing.PartHours;
import keel.core.history.HistoryFacts;
import keel.core.history.PartAges;
import keel.core.history.Past;
import keel.core.profile.Setting;
import keel.core.run.Outcome;
import keel.core.standing.Defaults;
import keel.core.standing.MachineKind;
import keel.core.standing.ServiceKind;
import keel.core.wear.Usage;
import org.springframework.stereotype.Component;

/**
 * Reads what a machine's records say of it at a moment, a fixed number of statements whatever it has done, and derives
 * the facts in core.
 */
@Component
class MachineRecords {

    private static final Duration LOOKED_BACK = Duration.ofDays(90);
    private static final Duration SOON_AFTER = Duration.ofHours(24);
    private static final ObjectMapper JSON = new ObjectMapper();

    private final FailureRecords records;
    private final PartHours hours;
    private final ShopSettings settings;

    MachineRecords(FailureRecords records, PartHours hours, ShopSettings settings) {
        this.records = records;
        this.hours = hours;
        this.settings = settings;
    }

    /**
     * Facts of history of a machine for a failure.
     *
     * @param run id of the run that failed, null if nobody said
     * @param failure as it was seen
     * @param self id of the failure, null if it is not recorded
     */
    Set<String> facts(MachineRef machine, Long run, Past.Failed failure, Long self) {
        Defaults defaults = settings.defaults();
        Window window = new Window(machine.id(), failure.at().minus(LOOKED_BACK), failure.at());
        List<Past> past = new ArrayList<>();
        Past.Printed print = prints(window, run == null ? unclaimed(window) : run, failure.at(), past);
        failures(window, self, past);
        services(window, past);
        pours(window, past);
        profiles(window, past);
        warmth(window, defaults.value("resin.lowC"), past);
        MachineKind kind = machine.traits().kind();
        PartAges ages = ages(machine, failure.at(), defaults);
        return new HistoryFacts(defaults).of(past, ages, kind, machine.traits().selfLevelling(), print, failure);
    }

    private record Window(long machine, Instant from, Instant to) {}

    private Past.Printed prints(Window w, Long run, Instant seenAt, List<Past> past) {
        Past.Printed failed = null;
        for (FailureRecords.Ran ran : records.ran(w.machine(), w.from(), w.to())) {
            boolean itself = run != null && run == ran.id();
            Past.Printed print = printed(ran, seenAt);
            failed = itself ? print : failed;
            if (itself || ran.endedAt() != null) {
                past.add(print);
            }
        }
        return failed;
    }

    /** One that goes on counts as far as it should have come. */
    private static Past.Printed printed(FailureRecords.Ran ran, Instant seenAt) {
        boolean open = ran.endedAt() == null;
        Instant ended = open ? seenAt : ran.endedAt();
        return new Past.Printed(
                ran.startedAt(),
                ended,
                open ? Outcome.FAILED : ran.outcome(),
                Duration.between(ran.startedAt(), ended).toSeconds() / 3600.0,
                open ? ran.layers() * ran.layerExposureS() / 3600 : ran.uvHours(),
                open ? ran.resinMl() : ran.usedMl());
    }

    /**
     * The run that a failure without one most likely belongs to: the last one, if it went wrong shortly before and
     * nobody logged a failure since.
     */
    private Long unclaimed(Window w) {
        List<FailureRecords.Ran> ran = records.ran(w.machine(), w.from(), w.to());
        FailureRecords.Ran last = ran.isEmpty() ? null : ran.get(ran.size() - 1);
        boolean wentWrong = last != null
                && last.endedAt() != null
                && !last.endedAt().isAfter(w.to())
                && !last.endedAt().isBefore(w.to().minus(SOON_AFTER))
                && last.outcome().wentWrong();
        return wentWrong && records.failed(w.machine(), last.endedAt(), w.to()) == 0 ? Long.valueOf(last.id()) : null;
    }

    private void failures(Window w, Long self, List<Past> past) {
        records.before(w.machine(), w.from(), w.to(), self == null ? -1 : self)
                .forEach(f -> past.add(new Past.Failed(f.seenAt, Set.copyOf(f.symptoms(true)), Set.copyOf(f.zones))));
        records.found(w.machine(), w.from(), w.to())
                .forEach(c -> past.add(new Past.Found(c.at, Set.copyOf(Failures.codes(c.found)))));
    }

    private void services(Window w, List<Past> past) {
        records.services(w.machine(), w.from(), w.to())
                .forEach(s -> past.add(new Past.Serviced(s.at(), s.kind(), yes(s.content()))));
    }

    /** Names of the fields that were answered with yes, and the work that was done. */
    private static Set<String> yes(String content) {
        Set<String> yes = new HashSet<>();
        try {
            JSON.readTree(content).properties().forEach(e -> {
                JsonNode value = e.getValue();
                if (value.isBoolean() && value.booleanValue()) {
                    yes.add(e.getKey());
                } else if (e.getKey().equals("work")) {
                    yes.add(value.asText());
                }
            });
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A service's content is no JSON: " + content, e);
        }
        return yes;
    }

    private void pours(Window w, List<Past> past) {
        past.addAll(records.pours(w.machine(), w.from(), w.to()));
    }

    /** Every version since the first, each against the first of its resin. */
    private void profiles(Window w, List<Past> past) {
        Map<Long, Map<Setting, Double>> first = new HashMap<>();
        Map<Long, Map<Setting, Double>> amounts = new LinkedHashMap<>();
        Map<Long, FailureRecords.Amount> versions = new HashMap<>();
        for (FailureRecords.Amount a : records.settings(w.machine(), w.to())) {
            versions.put(a.version(), a);
            amounts.computeIfAbsent(a.version(), id -> new EnumMap<>(Setting.class))
                    .put(a.setting(), a.amount());
        }
        amounts.forEach((id, now) -> {
            FailureRecords.Amount version = versions.get(id);
            Map<Setting, Double> before = first.putIfAbsent(version.profile(), now);
            if (before != null) {
                past.add(new Past.Changed(version.madeAt(), version.resin(), against(before, now)));
            }
        });
    }

    private static Map<Setting, Double> against(Map<Setting, Double> first, Map<Setting, Double> now) {
        Map<Setting, Double> ratios = new EnumMap<>(Setting.class);
        now.forEach((setting, amount) -> {
            double was = first.getOrDefault(setting, amount);
            ratios.put(setting, was == 0 ? 1.0 : amount / was);
        });
        return ratios;
    }

    private void warmth(Window w, double lowC, List<Past> past) {
        past.addAll(records.measuredWarmth(w.machine(), w.from(), w.to(), lowC));
        past.addAll(records.typedWarmth(w.machine(), w.from(), w.to()));
        records.sensedWarmth(w.machine(), w.from().getEpochSecond(), w.to().getEpochSecond())
                .forEach(h -> past.add(new Past.Warmth(Instant.ofEpochSecond(h.atS()), h.temperatureC())));
    }

    /** How far its parts were in their lives. */
    private PartAges ages(MachineRef machine, Instant at, Defaults d) {
        boolean tank = machine.traits().kind() == MachineKind.LASER_TANK;
        return new PartAges(
                share(
                        hours.of(machine.id(), ComponentKind.FILM, at)
                                .map(Usage::hours)
                                .orElse(null),
                        d.value((tank ? "tank" : "film") + ".scaleHours")),
                share(
                        hours.of(machine.id(), ComponentKind.SCREEN, at)
                                .map(Usage::uvHours)
                                .orElse(null),
                        d.value("screen.scaleHours")),
                share(
                        hours.of(machine.id(), ComponentKind.LIGHT, at)
                                .map(Usage::hours)
                                .orElse(null),
                        d.value("light.scaleHours")),
                share(hours.since(machine.id(), ServiceKind.LUBRICATION, at), d.value("lubrication.everyHours")),
                share(hours.since(machine.id(), ServiceKind.PLATE_WORK, at), d.value("abrading.everyHours")));
    }

    private static Double share(Double hours, double life) {
        return hours == null ? null : Double.valueOf(hours / life);
    }
}
