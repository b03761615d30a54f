package keel.app.prints;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.Conflict;
import keel.app.base.EditedMeanwhile;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.stores.ResinView;
import keel.app.stores.Resins;
import keel.core.Findings;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Jobs that wait to be printed. A run of the same name since it was asked for is an attempt at it; once one came out it
 * is done. Of several of one name the oldest is served first, and no run serves two.
 */
@Service
@Transactional
public class WantedJobs {

    private static final Limit LATELY = Limit.of(60);

    private final WantedJobRecords records;
    private final Fleet fleet;
    private final Resins resins;
    private final Logbook logbook;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    WantedJobs(
            WantedJobRecords records,
            Fleet fleet,
            Resins resins,
            Logbook logbook,
            ApplicationEventPublisher events,
            Clock clock) {
        this.records = records;
        this.fleet = fleet;
        this.resins = resins;
        this.logbook = logbook;
        this.events = events;
        this.clock = clock;
    }

    /** What was found of a job among the runs. */
    private record Served(int attempts, Long open, Long good) {

        static final Served NOT = new Served(0, null, null);
    }

    /** When the first job was asked for; empty where none ever was. */
    @Transactional(readOnly = true)
    public Optional<Instant> since() {
        return records.first();
    }

    /** Those that wait or are printing, the oldest first. */
    @Transactional(readOnly = true)
    public List<WantedView> waiting() {
        return all().stream()
                .filter(j -> j.state() == WantedView.State.WAITING || j.state() == WantedView.State.PRINTING)
                .toList();
    }

    /** Some of those that wait, first those that are printed of a resin, those with the nearest date before others. */
    @Transactional(readOnly = true)
    public List<WantedView> next(String resin, int most) {
        Comparator<WantedView> ofIt = Comparator.comparing(
                j -> j.entry().resin() == null || j.entry().resin().equals(resin) ? 0 : 1);
        Comparator<Instant> soonest = Comparator.nullsLast(Comparator.naturalOrder());
        return all().stream()
                .filter(j -> j.state() == WantedView.State.WAITING)
                .sorted(ofIt.thenComparing(j -> j.entry().dueAt(), soonest))
                .limit(most)
                .toList();
    }

    /** Those that wait no more, the latest first. */
    @Transactional(readOnly = true)
    public List<WantedView> over() {
        List<WantedView> over = new ArrayList<>(
                all().stream().filter(j -> j.state() == WantedView.State.DONE).toList());
        over.sort(Comparator.comparing(WantedView::askedAt).reversed());
        Names names = names();
        records.closed(LATELY).forEach(j -> over.add(view(j, Served.NOT, names)));
        return over;
    }

    private List<WantedView> all() {
        List<WantedJob> open = records.open();
        if (open.isEmpty()) {
            return List.of();
        }
        Map<Long, Served> served = served(open);
        Names names = names();
        return open.stream().map(j -> view(j, served.get(j.id), names)).toList();
    }

    /**
     * What jobs take of their resin, ml, by their ids: as was said, else as the last print of that name took. Of others
     * nobody knows, and they are left out.
     */
    @Transactional(readOnly = true)
    public Map<Long, Double> takesMl(Collection<Long> ids) {
        List<WantedJob> asked = records.findAllById(ids);
        Set<String> keys =
                asked.stream().filter(j -> j.resinMl == null).map(j -> j.jobKey).collect(Collectors.toSet());
        Map<String, Double> took = keys.isEmpty()
                ? Map.of()
                : records.took(keys).stream()
                        .collect(Collectors.toMap(WantedJobRecords.Took::key, WantedJobRecords.Took::ml));
        Map<Long, Double> takes = new HashMap<>();
        for (WantedJob job : asked) {
            Double ml = job.resinMl == null ? took.get(job.jobKey) : job.resinMl;
            if (ml != null) {
                takes.put(job.id, ml);
            }
        }
        return takes;
    }

    /** @throws NotThere if nobody ever asked for it */
    @Transactional(readOnly = true)
    public WantedView one(long id) {
        WantedJob job = record(id);
        return job.closedAt != null
                ? view(job, Served.NOT, names())
                : all().stream().filter(j -> j.id() == id).findFirst().orElseThrow();
    }

    private Map<Long, Served> served(List<WantedJob> open) {
        Map<Long, Served> served = new HashMap<>();
        Set<String> keys = open.stream().map(j -> j.jobKey).collect(Collectors.toSet());
        Map<String, List<WantedJobRecords.Ran>> runs = records.runs(keys, open.get(0).askedAt).stream()
                .collect(Collectors.groupingBy(WantedJobRecords.Ran::key));
        Set<Long> used = new HashSet<>();
        for (WantedJob job : open) {
            Served one = served(job, runs.getOrDefault(job.jobKey, List.of()), used);
            served.put(job.id, one);
        }
        return served;
    }

    /** Its runs up to the one that came out; those that served an older one are gone. */
    private static Served served(WantedJob job, List<WantedJobRecords.Ran> runs, Set<Long> used) {
        int attempts = 0;
        Long open = null;
        for (WantedJobRecords.Ran run : runs) {
            if (run.startedAt().isBefore(job.askedAt) || !used.add(run.id())) {
                continue;
            }
            attempts++;
            if (Boolean.TRUE.equals(run.cameOut())) {
                return new Served(attempts, null, run.id());
            }
            if (run.open()) {
                open = run.id();
                break;
            }
        }
        return new Served(attempts, open, null);
    }

    private WantedView view(WantedJob j, Served served, Names names) {
        WantedView.State state = j.closedAs == WantedJob.Closed.DROPPED
                ? WantedView.State.DROPPED
                : j.closedAs == WantedJob.Closed.DONE || served.good() != null
                        ? WantedView.State.DONE
                        : served.open() != null ? WantedView.State.PRINTING : WantedView.State.WAITING;
        return new WantedView(
                j.id,
                entry(j),
                j.resin == null ? null : names.resins().getOrDefault(j.resin, j.resin),
                j.askedAt,
                names.people().getOrDefault(j.personId, ""),
                j.fixedMachineId == null ? null : names.machines().get(j.fixedMachineId),
                j.fixedAt,
                state,
                served.attempts(),
                served.open(),
                served.good(),
                j.version);
    }

    private static JobEntry entry(WantedJob j) {
        return new JobEntry(
                j.name,
                j.hours,
                j.resin,
                j.resinMl,
                List.copyOf(j.models),
                j.dueAt,
                new JobEntry.Size(j.widthMm, j.depthMm, j.heightMm),
                j.note);
    }

    /** What things are called, read once for all jobs; machines by their codes. */
    private record Names(Map<String, String> resins, Map<Long, String> people, Map<Long, String> machines) {}

    private Names names() {
        return new Names(
                resins.all(true).stream().collect(Collectors.toMap(ResinView::code, ResinView::name)),
                records.people().stream()
                        .collect(Collectors.toMap(WantedJobRecords.Named::id, WantedJobRecords.Named::name)),
                fleet.refs().stream().collect(Collectors.toMap(MachineRef::id, MachineRef::code)));
    }

    private WantedJob record(long id) {
        return records.findById(id).orElseThrow(() -> new NotThere("There is no job " + id + " that waits."));
    }

    public long ask(JobEntry entry) {
        Actor actor = Actor.current();
        WantedJob job = new WantedJob();
        job.askedAt = clock.instant();
        job.personId = actor.personId();
        take(job, entry);
        records.save(job);
        note(job, job.name + " is wanted.", actor);
        return job.id;
    }

    /** @throws EditedMeanwhile if somebody else changed it since it was read */
    public void change(long id, JobEntry entry, Integer version) {
        Actor actor = Actor.current();
        WantedJob job = waits(id);
        if (version != null && version != job.version) {
            throw new EditedMeanwhile("job", entry(job).stands());
        }
        take(job, entry);
        note(job, job.name + ": what is wanted changed.", actor);
    }

    private WantedJob waits(long id) {
        WantedJob job = record(id);
        if (job.closedAt != null) {
            throw new Conflict("This job waits no more. Take that back first.");
        }
        return job;
    }

    private void take(WantedJob job, JobEntry entry) {
        Findings findings = entry.findings();
        String resin = resin(entry.resin(), findings);
        Set<String> models = models(entry.models(), findings);
        Refused.unless(findings);
        job.name = entry.name().strip();
        job.hours = entry.hours();
        job.resin = resin;
        job.resinMl = entry.resinMl();
        job.dueAt = entry.dueAt();
        job.widthMm = entry.size().widthMm();
        job.depthMm = entry.size().depthMm();
        job.heightMm = entry.size().heightMm();
        job.note = entry.note() == null || entry.note().isBlank()
                ? null
                : entry.note().strip();
        if (!job.models.equals(models)) {
            job.models.clear();
            job.models.addAll(models);
        }
    }

    /** Its code, whether it was called by code or by name. */
    private String resin(String called, Findings findings) {
        if (called == null || called.isBlank()) {
            return null;
        }
        String asked = called.strip();
        String code = resins.all(false).stream()
                .filter(r -> r.code().equalsIgnoreCase(asked) || r.name().equalsIgnoreCase(asked))
                .map(ResinView::code)
                .findFirst()
                .orElse(null);
        findings.when(code == null, "resin", "There is no resin called " + asked + ".");
        return code;
    }

    private Set<String> models(List<String> called, Findings findings) {
        Map<String, String> known = new HashMap<>();
        fleet.models().forEach(m -> {
            known.put(m.code().toLowerCase(Locale.ROOT), m.code());
            known.put(m.entry().name().toLowerCase(Locale.ROOT), m.code());
        });
        Map<String, String> asked = called.stream()
                .collect(Collectors.toMap(
                        Function.identity(), m -> known.getOrDefault(m.strip().toLowerCase(Locale.ROOT), "")));
        asked.forEach((name, code) ->
                findings.when(code.isEmpty(), "machineModels", "There is no machine model called " + name + "."));
        return new TreeSet<>(asked.values());
    }

    /**
     * Says where somebody wants it, and when; both null to leave it free again.
     *
     * @param at null for whenever the machine is free
     */
    public void fix(long id, String machine, Instant at) {
        Actor actor = Actor.current();
        WantedJob job = waits(id);
        job.fixedMachineId = machine == null
                ? null
                : Long.valueOf(fleet.machineOfEntry(machine).id());
        job.fixedAt = machine == null ? null : at;
        note(job, job.name + (machine == null ? " is free again." : " is fixed to " + machine + "."), actor);
    }

    /** It waits no more, though no run says so. */
    public void close(long id, boolean done) {
        Actor actor = Actor.current();
        WantedJob job = record(id);
        if (job.closedAt != null) {
            return;
        }
        job.closedAt = clock.instant();
        job.closedAs = done ? WantedJob.Closed.DONE : WantedJob.Closed.DROPPED;
        note(job, job.name + (done ? " is done." : " is not wanted any more."), actor);
    }

    public void putBack(long id) {
        Actor actor = Actor.current();
        WantedJob job = record(id);
        if (job.closedAt == null) {
            return;
        }
        job.closedAt = null;
        job.closedAs = null;
        note(job, job.name + " waits again.", actor);
    }

    private void note(WantedJob job, String text, Actor actor) {
        events.publishEvent(new JobsChanged());
        logbook.write(LogDraft.of(
                LogKind.JOB_WANTED,
                null,
                "JOB",
                job.id,
                clock.instant(),
                text,
                entry(job).stands(),
                actor));
    }
}
