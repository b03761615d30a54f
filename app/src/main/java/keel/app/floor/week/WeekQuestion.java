package keel.app.floor.week;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.people.Presences;
import keel.app.prints.FailShares;
import keel.app.prints.JobEntry;
import keel.app.prints.WantedJobs;
import keel.app.prints.WantedView;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.standing.HoldCode;
import keel.core.standing.MachineState;
import keel.core.week.PlanningFigures;
import keel.core.week.Stand;
import keel.core.week.Wanted;
import keel.core.week.WorkHours;
import org.springframework.stereotype.Component;

/** What a week is planned from, read once: jobs, machines, sittings, people's hours; and what nobody said of it. */
@Component
class WeekQuestion {

    private static final String SOMEBODY = "Somebody";

    private final WantedJobs wanted;
    private final Standings standings;
    private final Sittings sittings;
    private final Presences presences;
    private final Fleet fleet;
    private final FailShares shares;
    private final PlatePlaces plates;
    private final ShopSettings settings;

    WeekQuestion(
            WantedJobs wanted,
            Standings standings,
            Sittings sittings,
            Presences presences,
            Fleet fleet,
            FailShares shares,
            PlatePlaces plates,
            ShopSettings settings) {
        this.wanted = wanted;
        this.standings = standings;
        this.sittings = sittings;
        this.presences = presences;
        this.fleet = fleet;
        this.shares = shares;
        this.plates = plates;
        this.settings = settings;
    }

    record Asked(
            Instant at,
            int days,
            List<WorkHours.Shift> shifts,
            List<Wanted> wanted,
            List<Stand> stands,
            Map<String, WantedView> jobs,
            Map<String, WeekPlanned.Upkeep> upkeep,
            List<MachineNow> machines,
            Map<String, List<String>> spotted,
            List<String> assumed) {}

    /** @param read the machines where they were read already, and then the bench is left out; null otherwise */
    Asked at(Instant now, List<MachineNow> read) {
        int days = PlanningFigures.days();
        List<String> assumed = new ArrayList<>();
        List<MachineNow> machines = read == null ? standings.all() : read;
        List<MachineNow> usable = machines.stream()
                .filter(m -> m.standing().state() != MachineState.OFF)
                .toList();
        List<WorkHours.Shift> shifts = people(assumed).stream()
                .flatMap(p -> p.shifts(now, days, settings.zone()).stream())
                .toList();
        Map<String, WantedView> jobs = new LinkedHashMap<>();
        wanted.waiting().stream()
                .filter(j -> j.state() == WantedView.State.WAITING)
                .forEach(j -> jobs.put(WeekPlanned.JOB + j.id(), j));
        List<Sittings.Upkeep> upkeep = sittings.of(usable, read == null);
        List<Wanted> all = new ArrayList<>(sittings.wanted(upkeep, now));
        Map<String, String> models = fleet.models().stream()
                .collect(Collectors.toMap(m -> m.entry().name(), Fleet.ModelView::code, (a, b) -> a));
        Map<String, Double> failed = shares.lately();
        if (read == null) {
            plates.look(usable);
        }
        Map<String, List<String>> spotted = new HashMap<>();
        jobs.forEach((id, j) -> spotted.put(id, spotted(j, usable, models)));
        jobs.forEach((id, j) -> all.add(wanted(id, j, usable, models, failed)));
        return new Asked(
                now,
                days,
                shifts,
                all,
                stands(usable, upkeep, now, assumed),
                jobs,
                told(upkeep),
                usable,
                spotted,
                List.copyOf(assumed));
    }

    /** As they are there, or as is usual while nobody said; then that is added to {@code assumed}. */
    List<WorkHours> people(List<String> assumed) {
        List<WorkHours> known = presences.known();
        if (!known.isEmpty()) {
            return known;
        }
        assumed.add("Nobody said when somebody is there: one person, Monday to Friday, " + PlanningFigures.usualFrom()
                + " to " + PlanningFigures.usualTo() + ".");
        WorkHours usual = WorkHours.usual(SOMEBODY);
        return List.of(new WorkHours(SOMEBODY, usual.hours(), presences.closed()));
    }

    private static Map<String, WeekPlanned.Upkeep> told(List<Sittings.Upkeep> upkeep) {
        Map<String, WeekPlanned.Upkeep> told = new LinkedHashMap<>();
        upkeep.forEach(u -> told.put(WeekPlanned.UPKEEP + u.id(), u.told()));
        return told;
    }

    private List<Stand> stands(
            List<MachineNow> machines, List<Sittings.Upkeep> upkeep, Instant now, List<String> assumed) {
        Map<String, Fleet.RoomPlace> rooms =
                fleet.roomPlaces().stream().collect(Collectors.toMap(Fleet.RoomPlace::code, r -> r));
        rooms.values().stream()
                .filter(r -> r.night() == null
                        && machines.stream().anyMatch(m -> m.room().equals(r.code())))
                .map(Fleet.RoomPlace::name)
                .sorted()
                .forEach(name -> assumed.add(
                        "Nobody said whether prints may go on at night in the " + name + ": taken that they may."));
        List<Stand> stands = new ArrayList<>();
        machines.forEach(m -> stands.add(new Stand(
                m.code(),
                freeFrom(m, now, assumed),
                m.resin(),
                !rooms.containsKey(m.room())
                        || !Boolean.FALSE.equals(rooms.get(m.room()).night()))));
        if (upkeep.stream().anyMatch(u -> u.stand().equals(WeekPlanned.BENCH))) {
            stands.add(new Stand(WeekPlanned.BENCH, null, null, true));
        }
        return stands;
    }

    /** When its print ends, or what holds it can be done; what is cleared at a start counts with the start. */
    private static Instant freeFrom(MachineNow m, Instant now, List<String> assumed) {
        if (m.run() != null) {
            if (m.run().expectedEnd() == null) {
                assumed.add(String.format(
                        Locale.ROOT,
                        "Nobody knows when the print on %s ends: %.0f h from its start are taken for it.",
                        m.name(),
                        PlanningFigures.unknownHours()));
            }
            return WeekPlanned.ends(m.run());
        }
        int minutes = m.holds().stream()
                .filter(h -> h.code() != HoldCode.PLATE_NOT_CLEAR)
                .mapToInt(h -> h.code().minutes())
                .sum();
        return minutes == 0 ? null : now.plus(Duration.ofMinutes(minutes));
    }

    private Wanted wanted(
            String id,
            WantedView job,
            List<MachineNow> machines,
            Map<String, String> models,
            Map<String, Double> failed) {
        JobEntry e = job.entry();
        List<Wanted.Place> places = machines.stream()
                .filter(m -> fits(e, m, models) && plates.clear(e.size(), m))
                .map(m -> new Wanted.Place(m.code(), e.hours(), comesOut(m, e.hours(), failed.get(m.code()))))
                .toList();
        Wanted free = Wanted.print(id, e.resin(), e.dueAt(), places);
        return job.fixedMachine() == null ? free : free.at(job.fixedMachine(), job.fixedAt());
    }

    /** Names of machines that a job may go to and would fit, but for spots of their screens or marks in their films. */
    private List<String> spotted(WantedView job, List<MachineNow> machines, Map<String, String> models) {
        JobEntry e = job.entry();
        return machines.stream()
                .filter(m -> job.fixedMachine() == null || job.fixedMachine().equals(m.code()))
                .filter(m -> fits(e, m, models) && !plates.clear(e.size(), m))
                .map(MachineNow::name)
                .toList();
    }

    /** What nobody said of a job's size speaks against no machine. */
    private static boolean fits(JobEntry e, MachineNow m, Map<String, String> models) {
        boolean model = e.models().isEmpty() || e.models().contains(models.get(m.model()));
        double width = Objects.requireNonNullElse(e.size().widthMm(), 0.0);
        double depth = Objects.requireNonNullElse(e.size().depthMm(), 0.0);
        boolean straight = width <= m.plateWidthMm() && depth <= m.plateDepthMm();
        boolean turned = width <= m.plateDepthMm() && depth <= m.plateWidthMm();
        boolean high = e.size().heightMm() != null && e.size().heightMm() > m.plateHeightMm();
        return model && (straight || turned) && !high;
    }

    /**
     * As its prints came out lately, and as its parts will last the job.
     *
     * @param failed share of its prints that failed; null where it printed nothing lately
     */
    private static double comesOut(MachineNow m, double hours, Double failed) {
        double good = 1 - (failed == null ? FailShares.UNKNOWN : failed);
        return m.worn().stream().map(p -> 1 - p.failsWithin(hours, m.uvShare())).reduce(good, (a, b) -> a * b);
    }
}
