package keel.app.film;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.fleet.Fleet;
import keel.app.fleet.Parts;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.app.standing.ConditionChanged;
import keel.core.Findings;
import keel.core.film.Clouding;
import keel.core.film.FilmMark;
import keel.core.film.MarksCompared;
import keel.core.run.RunRules;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How films looked when somebody inspected them, and what became of their marks. */
@Service
@Transactional
public class FilmLooks {

    private static final int MOST_MARKS = 60;
    private static final Duration NEAR = Duration.ofDays(14);

    private final Parts parts;
    private final Bench bench;
    private final Fleet fleet;
    private final Logbook logbook;
    private final FilmLookRecords records;
    private final EntityManager entities;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    FilmLooks(
            Parts parts,
            Bench bench,
            Fleet fleet,
            Logbook logbook,
            FilmLookRecords records,
            EntityManager entities,
            ApplicationEventPublisher events,
            Clock clock) {
        this.parts = parts;
        this.bench = bench;
        this.fleet = fleet;
        this.logbook = logbook;
        this.records = records;
        this.entities = entities;
        this.events = events;
        this.clock = clock;
    }

    /** Whether resin came through: not looked, dry, or wet. */
    public enum Leak {
        DRY,
        WET
    }

    /**
     * An inspection as somebody enters it; what was not looked at is null.
     *
     * @param uvBare UV meter without the film, any unit
     * @param uvThrough the same through it
     */
    public record LookEntry(
            Clouding clouding, Double uvBare, Double uvThrough, Leak leak, List<FilmMark> marks, String note) {

        Findings findings(double plateWidthMm, double plateDepthMm) {
            Findings findings = new Findings();
            findings.when(
                    (uvBare == null) != (uvThrough == null),
                    uvBare == null ? "uvBare" : "uvThrough",
                    "The meter needs both readings: without the film and through it.");
            if (uvBare != null
                    && uvThrough != null
                    && findings.range(uvBare, 0.001, 1e6, "uvBare", "The reading without the film", "")) {
                findings.range(uvThrough, 0, 1e6, "uvThrough", "The reading through the film", "");
                findings.when(
                        uvThrough > uvBare * 1.02,
                        "uvThrough",
                        "More light through the film than without it: the two readings may be the wrong way round.");
                findings.when(
                        uvThrough < 0.05 * uvBare,
                        "uvThrough",
                        "Hardly any light comes through: is the protective film still on, or the meter covered?");
            }
            findings.when(
                    marks.size() > MOST_MARKS,
                    "marks",
                    "More than " + MOST_MARKS + " marks: such a film is best changed.");
            marks.forEach(m -> m.check(plateWidthMm, plateDepthMm, findings));
            findings.when(note != null && note.length() > 1000, "note", "A note may have 1000 characters at most.");
            findings.when(
                    clouding == null
                            && uvBare == null
                            && leak == null
                            && marks.isEmpty()
                            && (note == null || note.isBlank()),
                    "clouding",
                    "Nothing was looked at yet.");
            return findings;
        }

        Double transmittance() {
            return uvBare == null ? null : Double.valueOf(Math.min(1, uvThrough / uvBare));
        }
    }

    /** An inspection as it is read. {@code grade} is what was seen, or what the meter says where nobody graded it. */
    public record Look(
            long id,
            Instant at,
            String person,
            Clouding grade,
            boolean graded,
            Double transmittance,
            Leak leak,
            List<FilmMark> marks,
            String note) {}

    /**
     * Writes an inspection down; where it was stood on a towel, that is a vat inspection, from which holds follow.
     *
     * @param vat code
     * @param plateWidthMm of the machines that the vat fits
     * @return its number
     */
    public long write(String vat, LookEntry entry, double plateWidthMm, double plateDepthMm) {
        return write(vat, entry, null, plateWidthMm, plateDepthMm);
    }

    /**
     * The same at a moment, null for now.
     *
     * @throws Refused also where that lies in the future, or before the film was there
     */
    public long write(String vat, LookEntry entry, Instant lookedAt, double plateWidthMm, double plateDepthMm) {
        Actor actor = Actor.current();
        Refused.unless(entry.findings(plateWidthMm, plateDepthMm));
        Parts.PartRef ref = parts.vat(vat, "vat");
        Parts.PartRef film = parts.filmIn(ref.id());
        if (film == null) {
            throw new Conflict("vat", "There is no film in vat " + ref.code() + ".");
        }
        Long machine = parts.machineOfVat(ref.id());
        Instant now = lookedAt == null ? clock.instant() : lookedAt;
        Findings findings = new Findings();
        findings.when(now.isAfter(clock.instant().plus(RunRules.CLOCK_TOLERANCE)), "at", "That lies in the future.");
        findings.when(
                now.isBefore(records.madeAt(film.id())),
                "at",
                "Film " + film.code() + " was not there yet: look at the one before, or put the time right.");
        Refused.unless(findings);
        FilmLook look = FilmLook.of(film.id(), entry, now, actor.personId());
        look.serviceId = entry.leak() == null ? null : inspected(ref, machine, entry, now);
        records.save(look);
        long id = look.id;
        entry.marks().forEach(m -> entities.persist(FilmMarkRecord.of(id, m)));
        events.publishEvent(new ConditionChanged());
        logbook.write(LogDraft.of(
                LogKind.FILM_LOOKED_AT,
                machine,
                "FILM_LOOK",
                id,
                now,
                sentence(film.code(), ref.code(), entry),
                Map.of("film", film.code(), "vat", ref.code(), "look", entry),
                actor));
        return id;
    }

    private Long inspected(Parts.PartRef vat, Long machine, LookEntry entry, Instant now) {
        Map<String, Object> values = new LinkedHashMap<>();
        boolean hole = entry.marks().stream().anyMatch(m -> m.kind() == FilmMark.MarkKind.HOLE);
        boolean clean = entry.leak() == Leak.DRY && !hole;
        values.put("clean", clean);
        if (!clean) {
            values.put("found", List.of("film-pierced"));
        }
        if (machine == null) {
            values.put("vat", vat.code());
        }
        return bench.record(new ServiceEntry(
                        machine == null ? null : fleet.machine(machine).code(), "VAT_INSPECTED", now, null, values))
                .id();
    }

    private static String sentence(String film, String vat, LookEntry e) {
        List<String> seen = new ArrayList<>();
        if (e.clouding() != null) {
            seen.add(e.clouding().words().toLowerCase(Locale.ROOT));
        }
        if (e.transmittance() != null) {
            seen.add("passes %.0f %% of the UV".formatted(100 * e.transmittance()));
        }
        e.marks().stream()
                .collect(Collectors.groupingBy(FilmMark::kind, Collectors.counting()))
                .forEach((kind, n) -> seen.add(kind.counted(n)));
        if (e.leak() != null) {
            seen.add(e.leak() == Leak.DRY ? "towel dry" : "towel wet");
        }
        return "Film " + film + " in vat " + vat + " looked at: " + (seen.isEmpty() ? "noted" : String.join(", ", seen))
                + ".";
    }

    /**
     * Takes an inspection back with a reason, and what followed from its towel. A keeper may take back any, an operator
     * what they wrote themselves.
     */
    public void withdraw(Vats.Vat vat, long id, String reason) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        findings.text(reason, 400, "reason", "The reason");
        Refused.unless(findings);
        Look look = vat.film() == null
                ? null
                : of(vat.film().id()).stream()
                        .filter(l -> l.id() == id)
                        .findFirst()
                        .orElse(null);
        if (look == null) {
            throw new NotThere("There is no such inspection of the film in vat " + vat.code() + ".");
        }
        if (!look.person().equals(actor.displayName())) {
            Actor.require(Role.KEEPER);
        }
        FilmLook kept = records.findById(id).orElseThrow();
        if (kept.serviceId != null) {
            bench.withdraw(kept.serviceId, reason);
        }
        kept.withdrawn = true;
        events.publishEvent(new ConditionChanged());
        logbook.write(LogDraft.of(
                        LogKind.FILM_LOOKED_AT,
                        parts.machineOfVat(vat.id()),
                        "FILM_LOOK",
                        id,
                        look.at(),
                        "Withdrawn: an inspection of film " + vat.film().code() + ".",
                        Map.of("look", id),
                        actor)
                .superseding(logbook.latest("FILM_LOOK", id, LogKind.FILM_LOOKED_AT), reason.strip()));
    }

    /**
     * What is odd about the last inspection of a film: it looks better than it did before, and films do not clear; null
     * where nothing is.
     */
    @Transactional(readOnly = true)
    public String doubt(long filmId) {
        List<Look> graded = of(filmId).stream().filter(l -> l.grade() != null).toList();
        return graded.size() < 2
                        || graded.get(0).grade().compareTo(graded.get(1).grade()) >= 0
                ? null
                : "It looked %s before and %s now, and films do not clear. Was it changed, or one of the two misjudged?"
                        .formatted(
                                graded.get(1).grade().words().toLowerCase(Locale.ROOT),
                                graded.get(0).grade().words().toLowerCase(Locale.ROOT));
    }

    /** Inspections of a film, latest first. */
    @Transactional(readOnly = true)
    public List<Look> of(long filmId) {
        return read(records.of(filmId));
    }

    /** The latest inspection of each film that is in a vat, by the film's number in the records. */
    @Transactional(readOnly = true)
    public Map<Long, Look> latest() {
        List<FilmLookRecords.Seen> seen = records.latest();
        Map<Long, Look> looks = read(seen).stream().collect(Collectors.toMap(Look::id, Function.identity()));
        return seen.stream().collect(Collectors.toMap(s -> s.look().filmId, s -> looks.get(s.look().id)));
    }

    private List<Look> read(List<FilmLookRecords.Seen> seen) {
        if (seen.isEmpty()) {
            return List.of();
        }
        Map<Long, List<FilmMark>> marks = records
                .marks(seen.stream().map(s -> s.look().id).toList())
                .stream()
                .collect(Collectors.groupingBy(
                        m -> m.lookId, Collectors.mapping(FilmMarkRecord::mark, Collectors.toList())));
        return seen.stream()
                .map(s -> s.look().view(s.person(), marks.getOrDefault(s.look().id, List.of())))
                .toList();
    }

    /** What became of the marks between the last two inspections; of the first, all are new. */
    public static List<MarksCompared.Compared> compared(List<Look> looks) {
        if (looks.isEmpty()) {
            return List.of();
        }
        return MarksCompared.of(
                looks.size() < 2 ? List.of() : looks.get(1).marks(),
                looks.get(0).marks());
    }

    /**
     * Light that a film let through when it was metered nearest to a moment; empty where nobody metered it within two
     * weeks of it.
     */
    @Transactional(readOnly = true)
    public Optional<Double> transmittanceNear(long filmId, Instant at) {
        return records.metered(filmId, at.minus(NEAR), at.plus(NEAR)).stream()
                .min(Comparator.comparing(l -> Duration.between(l.at, at).abs()))
                .map(l -> l.transmittance);
    }
}
