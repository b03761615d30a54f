package keel.sim.measure;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.core.diagnosis.Evidence;
import keel.core.history.HistoryFacts;
import keel.core.history.PartAges;
import keel.core.history.Past;
import keel.core.profile.Setting;
import keel.core.run.Outcome;
import keel.core.standing.Defaults;
import keel.core.standing.MachineKind;
import keel.core.standing.ServiceKind;
import keel.sim.chance.Chance;
import keel.sim.history.SimCommand;
import keel.sim.seen.Checks;
import keel.sim.shop.Happening;
import keel.sim.shop.Shop;
import keel.sim.shop.Truth;
import keel.sim.world.Machine;

/** Failures of a simulated shop with what its records say of the machine, and what was truly behind them. */
final class Cases {

    private static final Duration THERMOMETER_READ_AGAIN = Duration.ofHours(3);
    private static final double THERMOMETER_SD_K = 0.3;
    private static final Duration LOOKED_BACK = Duration.ofDays(90);

    private final Shop.History history;
    private final Defaults defaults = Defaults.shipped();
    private final Map<String, List<Past>> past = new HashMap<>();
    private final Map<String, Past.Printed> prints = new HashMap<>();
    private final Map<String, Map<Setting, Double>> settings = new HashMap<>();
    private final Map<String, PartAges> ages = new HashMap<>();
    private final Map<String, Clocks> clocks = new HashMap<>();
    private final Map<String, List<String>> told = new HashMap<>();
    private final Map<String, Happening.FailureSeen> seen = new LinkedHashMap<>();

    /** A failure as it stands on the desk. */
    record Case(Truth truth, Evidence evidence) {

        boolean right(String cause) {
            return truth.causes().contains(cause);
        }

        /** Whether it was wrong at all, whether it broke the print or not. */
        boolean there(String cause) {
            return truth.faults().contains(cause) || truth.harms().contains(cause);
        }
    }

    private Cases(Shop.History history) {
        this.history = history;
    }

    static List<Case> of(String parameters, long seed) {
        return of(SimCommand.history(14, 24, 2.2, seed, parameters));
    }

    static List<Case> of(Shop.History history) {
        Cases cases = new Cases(history);
        history.happenings().forEach(cases::take);
        cases.thermometers();
        int checks = Checks.ALL.size();
        return history.truths().stream()
                .filter(t -> t.failureKey() != null && t.checks().size() == checks)
                .map(cases::of)
                .collect(Collectors.toList());
    }

    private Case of(Truth truth) {
        Happening.FailureSeen f = seen.get(truth.failureKey());
        Past.Printed print = prints.get(f.runKey());
        Machine machine = history.machines().get(f.machine());
        Instant at = print == null ? f.at() : print.startedAt();
        List<Past> entries = past.get(f.machine());
        List<Past> lately = lately(entries, at.minus(LOOKED_BACK), f.at());
        HistoryFacts facts = new HistoryFacts(defaults);
        Set<String> known = new LinkedHashSet<>(facts.of(
                lately,
                ages.get(truth.failureKey()),
                machine.site().kind(),
                machine.site().selfLevelling(),
                print,
                new Past.Failed(f.at(), Set.copyOf(f.symptoms()), Set.copyOf(f.zones()))));
        known.addAll(told.getOrDefault(truth.failureKey(), List.of()));
        return new Case(
                truth,
                new Evidence(new LinkedHashSet<>(f.symptoms()), new LinkedHashSet<>(f.absent()), List.of(), known));
    }

    /** The last weeks, and every change of settings before them: those stay in force. */
    private static List<Past> lately(List<Past> entries, Instant from, Instant to) {
        int begin = first(entries, from);
        List<Past> lately = entries.subList(0, begin).stream()
                .filter(Past.Changed.class::isInstance)
                .collect(Collectors.toCollection(ArrayList::new));
        lately.addAll(entries.subList(begin, first(entries, to.plusNanos(1))));
        return lately;
    }

    private static int first(List<Past> entries, Instant from) {
        int low = 0;
        int high = entries.size();
        while (low < high) {
            int middle = (low + high) / 2;
            if (entries.get(middle).at().isBefore(from)) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** Hours of a machine's parts since each was new or seen to. */
    private static final class Clocks {
        private double film;
        private double screenUv;
        private double light;
        private double grease;
        private double plate;

        void printed(Past.Printed p) {
            film += p.hours();
            screenUv += p.uvHours();
            light += p.hours();
            grease += p.hours();
            plate += p.hours();
        }

        void serviced(ServiceKind kind, Set<String> yes) {
            film = kind == ServiceKind.FILM_CHANGE || kind == ServiceKind.TANK_CHANGE || kind == ServiceKind.VAT_FITTED
                    ? 0
                    : film;
            screenUv = kind == ServiceKind.SCREEN_CHANGE ? 0 : screenUv;
            grease = kind == ServiceKind.LUBRICATION ? 0 : grease;
            plate = kind == ServiceKind.PLATE_WORK && !yes.contains("DEBURRED") ? 0 : plate;
        }

        PartAges ages(Machine machine, Defaults d) {
            String lining = machine.site().kind() == MachineKind.LASER_TANK ? "tank" : "film";
            return new PartAges(
                    film / d.value(lining + ".scaleHours"),
                    machine.screen() == null ? null : screenUv / d.value("screen.scaleHours"),
                    light / d.value("light.scaleHours"),
                    grease / d.value("lubrication.everyHours"),
                    plate / d.value("abrading.everyHours"));
        }
    }

    private void take(Happening h) {
        if (h instanceof Happening.RunDone r) {
            double hours = Duration.between(r.startedAt(), r.at()).toSeconds() / 3600.0;
            int layers = r.reachedLayer() == null ? r.layers() : r.reachedLayer();
            Past.Printed print = new Past.Printed(
                    r.startedAt(),
                    r.at(),
                    Outcome.valueOf(r.outcome()),
                    hours,
                    layers * r.layerExposureS() / 3600,
                    r.resinMl());
            prints.put(r.key(), print);
            clocks.computeIfAbsent(r.machine(), m -> new Clocks()).printed(print);
            add(r.machine(), print);
        } else if (h instanceof Happening.FailureSeen f) {
            seen.put(f.key(), f);
            ages.put(
                    f.key(),
                    clocks.computeIfAbsent(f.machine(), m -> new Clocks())
                            .ages(history.machines().get(f.machine()), defaults));
            add(f.machine(), new Past.Failed(f.at(), Set.copyOf(f.symptoms()), Set.copyOf(f.zones())));
        } else if (h instanceof Happening.FactsTold t) {
            told.put(t.failureKey(), t.facts());
        } else if (h instanceof Happening.CheckDone c && !c.found().isEmpty()) {
            add(seen.get(c.failureKey()).machine(), new Past.Found(c.at(), Set.copyOf(c.found())));
        } else if (h instanceof Happening.ServiceDone s && s.machine() != null) {
            Set<String> yes = new HashSet<>();
            s.values().forEach((k, v) -> {
                if (Boolean.TRUE.equals(v)) {
                    yes.add(k);
                } else if (k.equals("work")) {
                    yes.add(v.toString());
                }
            });
            clocks.computeIfAbsent(s.machine(), m -> new Clocks()).serviced(ServiceKind.valueOf(s.kind()), yes);
            add(s.machine(), new Past.Serviced(s.at(), ServiceKind.valueOf(s.kind()), yes));
        } else if (h instanceof Happening.ResinPoured p) {
            add(p.machine(), new Past.Poured(p.at(), p.resin(), p.ml()));
        } else if (h instanceof Happening.ProfileChanged c) {
            changed(c);
        }
    }

    private void changed(Happening.ProfileChanged c) {
        Map<Setting, Double> sheet = history.machines().get(c.machine()).sheet(c.resin());
        Map<Setting, Double> now = settings.computeIfAbsent(c.machine() + " " + c.resin(), k -> new EnumMap<>(sheet));
        now.putAll(c.backTo() == null ? c.changes() : sheet);
        Map<Setting, Double> against = new EnumMap<>(Setting.class);
        now.forEach((s, v) -> against.put(s, sheet.get(s) == 0 ? 1 : v / sheet.get(s)));
        add(c.machine(), new Past.Changed(c.at(), c.resin(), against));
    }

    /** Somebody, or a sensor, reads the room's thermometer as a print begins and while it runs. */
    private void thermometers() {
        Chance chance = Chance.of(1);
        for (Map.Entry<String, List<Past>> machine : past.entrySet()) {
            String room = history.machines().get(machine.getKey()).site().room();
            Chance noise = chance.stream("thermometer " + machine.getKey());
            List<Past> readings = new ArrayList<>();
            for (Past p : machine.getValue()) {
                if (p instanceof Past.Printed print) {
                    for (Instant at = print.startedAt();
                            at.isBefore(print.at());
                            at = at.plus(THERMOMETER_READ_AGAIN)) {
                        readings.add(new Past.Warmth(
                                at, history.rooms().at(room, at).temperatureC() + noise.normal(0, THERMOMETER_SD_K)));
                    }
                }
            }
            machine.getValue().addAll(readings);
            machine.getValue().sort(Comparator.comparing(Past::at));
        }
    }

    private void add(String machine, Past entry) {
        past.computeIfAbsent(machine, m -> new ArrayList<>()).add(entry);
    }
}
