package keel.app.floor.evidence;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import keel.app.failures.FailurePhotos;
import keel.app.fleet.ShopSettings;
import keel.app.floor.evidence.Evidence.LostPrint;
import keel.app.floor.evidence.Evidence.Picture;
import keel.app.floor.paper.PaperDates;
import keel.app.floor.patterns.ComparedWords;
import keel.app.floor.patterns.Patterns;
import keel.app.people.LogFilter;
import keel.app.people.LogLine;
import keel.app.people.Logbook;
import keel.app.screen.ScreenShots;
import keel.app.stores.Costs;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Symptom;
import keel.core.pattern.Compared;
import keel.core.pattern.Told;
import keel.core.pattern.Trait;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts together what is known of a machine, part, pack or bottle. */
@Service
@Transactional(readOnly = true)
public class Evidences {

    private static final int MOST_ENTRIES = 400;
    private static final int MOST_PICTURES = 24;
    private static final int SCREENS = 6;

    private final Subjects subjects;
    private final EvidenceRecords records;
    private final Patterns patterns;
    private final Costs costs;
    private final Knowledge knowledge;
    private final Logbook logbook;
    private final FailurePhotos photos;
    private final ScreenShots screens;
    private final ShopSettings settings;
    private final PaperDates dates;
    private final Clock clock;

    Evidences(
            Subjects subjects,
            EvidenceRecords records,
            Patterns patterns,
            Costs costs,
            Knowledge knowledge,
            Logbook logbook,
            FailurePhotos photos,
            ScreenShots screens,
            ShopSettings settings,
            PaperDates dates,
            Clock clock) {
        this.subjects = subjects;
        this.records = records;
        this.patterns = patterns;
        this.costs = costs;
        this.knowledge = knowledge;
        this.logbook = logbook;
        this.photos = photos;
        this.screens = screens;
        this.settings = settings;
        this.dates = dates;
        this.clock = clock;
    }

    /**
     * @param until null for up to now
     * @throws keel.app.base.NotThere if there is no such thing
     */
    public Evidence of(EvidenceKind kind, String code, Instant from, Instant until) {
        Subject subject = subjects.of(kind, code);
        Instant to = until == null ? clock.instant() : until;
        Patterns.Found found = patterns.of(from, until);
        Compared compared = compared(subject, found.told().told());
        List<EvidenceRecords.Logged> logged = logged(subject, from, to);
        List<EvidenceRecords.Ended> prints = prints(subject, from, to);
        List<LostPrint> lost = lost(subject, logged, from, to);
        Set<Long> told = lost.stream().map(LostPrint::run).collect(Collectors.toSet());
        return new Evidence(
                settings.name(),
                kind,
                subject.code(),
                subject.name(),
                subject.page(),
                subject.facts(),
                warranty(subject.warrantyUntil()),
                from,
                to,
                prints.size(),
                (int) prints.stream().filter(EvidenceRecords.Ended::cameOut).count(),
                compared,
                subject.others().words(),
                ComparedWords.of(
                        compared,
                        new ComparedWords.Named(subject.name(), false),
                        subject.others().words()),
                lost,
                lost.stream().mapToDouble(LostPrint::money).sum(),
                lost.stream().mapToDouble(LostPrint::ml).sum(),
                (int) logged.stream()
                        .filter(f -> f.run() == null || !told.contains(f.run()))
                        .count(),
                entries(subject, from, to),
                pictures(subject, logged, from, to));
    }

    private String warranty(LocalDate until) {
        if (until == null) {
            return null;
        }
        boolean over = until.isBefore(LocalDate.ofInstant(clock.instant(), settings.zone()));
        return (over ? "Its warranty ended on " : "It is under warranty until ") + dates.day(until) + ".";
    }

    private List<EvidenceRecords.Ended> prints(Subject subject, Instant from, Instant to) {
        Set<Long> machines = machines(subject);
        return machines.isEmpty()
                ? List.of()
                : records.ended(machines, from, to).stream()
                        .filter(r -> subject.owns(r.machine(), r.startedAt()))
                        .toList();
    }

    private static Compared compared(Subject subject, List<Told> told) {
        Predicate<Told> own = t -> subject.owns(t.is(Trait.MACHINE), t.at());
        Subject.Others others = subject.others();
        Predicate<Told> other = t -> t.is(others.trait()) != null
                && (others.value() == null || others.value().equals(t.is(others.trait())))
                && !own.test(t);
        return Compared.of(told, own, other, subject.alike());
    }

    private static Set<Long> machines(Subject subject) {
        return subject.spells().stream().map(Subject.Spell::machine).collect(Collectors.toSet());
    }

    private List<EvidenceRecords.Logged> logged(Subject subject, Instant from, Instant to) {
        Set<Long> machines = machines(subject);
        return machines.isEmpty()
                ? List.of()
                : records.logged(machines, from, to).stream()
                        .filter(f -> subject.owns(f.machine(), f.at()))
                        .toList();
    }

    private List<LostPrint> lost(Subject subject, List<EvidenceRecords.Logged> logged, Instant from, Instant to) {
        Set<Long> machines = machines(subject);
        if (machines.isEmpty()) {
            return List.of();
        }
        Map<Long, EvidenceRecords.Logged> byRun = new HashMap<>();
        logged.stream().filter(f -> f.run() != null).forEach(f -> byRun.putIfAbsent(f.run(), f));
        Map<Long, EvidenceRecords.Reached> reached = records.reached(machines, from).stream()
                .collect(Collectors.toMap(EvidenceRecords.Reached::run, Function.identity()));
        Map<Long, List<String>> seen = records.symptoms(machines, from).stream()
                .collect(Collectors.groupingBy(
                        EvidenceRecords.Seen::failure,
                        Collectors.mapping(s -> symptom(s.symptom()), Collectors.toList())));
        List<LostPrint> lost = new ArrayList<>();
        for (Costs.Cost c : costs.failed(from, to)) {
            if (subject.owns(c.run().machine(), c.run().at())) {
                lost.add(lost(c, byRun.get(c.run().id()), reached.get(c.run().id()), seen));
            }
        }
        Collections.reverse(lost);
        return lost;
    }

    private LostPrint lost(
            Costs.Cost c,
            EvidenceRecords.Logged failure,
            EvidenceRecords.Reached reached,
            Map<Long, List<String>> seen) {
        Costs.Run run = c.run();
        return new LostPrint(
                run.id(),
                run.at(),
                run.machineName(),
                run.job(),
                run.outcome() == null ? "did not come out" : run.outcome().words(),
                reached == null || reached.reached() == null
                        ? null
                        : "layer " + reached.reached() + " of " + reached.layers(),
                failure == null ? null : failure.id(),
                failure == null ? null : String.join(", ", seen.getOrDefault(failure.id(), List.of())),
                cause(failure),
                c.cost().perAttempt(),
                run.used().resinMl());
    }

    private String symptom(String code) {
        return knowledge.symptom(code).map(Symptom::name).orElse(code);
    }

    private String cause(EvidenceRecords.Logged failure) {
        return failure == null || failure.cause() == null
                ? null
                : knowledge.cause(failure.cause()).map(Cause::name).orElse(failure.cause())
                        + (failure.certainty() == null
                                ? ""
                                : ", " + failure.certainty().words().toLowerCase(Locale.ROOT));
    }

    private List<LogLine> entries(Subject subject, Instant from, Instant to) {
        List<LogLine> entries = new ArrayList<>();
        Set<Long> had = new HashSet<>();
        for (Subject.Spell spell : subject.spells()) {
            Instant first = later(from, spell.from());
            Instant last = spell.until().isBefore(to) ? spell.until() : to;
            logbook
                    .lines(new LogFilter(spell.machineCode(), null, null, first, last, null, null, 0, MOST_ENTRIES))
                    .stream()
                    .filter(l -> subject.tells().of(l) && had.add(l.id()))
                    .forEach(entries::add);
        }
        logbook.lines(new LogFilter(null, subject.code(), null, from, to, null, null, 0, MOST_ENTRIES)).stream()
                .filter(l -> subject.kind() != EvidenceKind.MACHINE
                        && subject.tells().of(l))
                .filter(l -> l.headline().matches("(?s).*\\b" + Pattern.quote(subject.code()) + "\\b.*"))
                .filter(l -> had.add(l.id()))
                .forEach(entries::add);
        entries.sort(Comparator.comparing(LogLine::happenedAt)
                .thenComparing(LogLine::id)
                .reversed());
        return entries;
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    private List<Picture> pictures(Subject subject, List<EvidenceRecords.Logged> logged, Instant from, Instant to) {
        List<Picture> pictures = new ArrayList<>();
        if (subject.photographs()) {
            subject.spells().stream()
                    .map(s -> Map.entry(s.machine(), s.machineCode()))
                    .distinct()
                    .forEach(m -> screens(subject, m, from, to, pictures));
        }
        if (!logged.isEmpty()) {
            photos.of(logged.stream().map(EvidenceRecords.Logged::id).toList()).stream()
                    .limit(MOST_PICTURES)
                    .forEach(p -> pictures.add(new Picture(
                            "failure-" + p.failure() + "-" + p.photo(),
                            p.seenAt(),
                            "Failure " + p.failure() + " on " + p.machineName()
                                    + (p.caption() == null ? "" : ": " + p.caption()),
                            p.photo(),
                            null,
                            null)));
        }
        return pictures;
    }

    private void screens(
            Subject subject, Map.Entry<Long, String> machine, Instant from, Instant to, List<Picture> pictures) {
        screens.pictures(machine.getKey(), from, to, SCREENS).stream()
                .filter(p -> subject.screen() == null || subject.screen() == p.screen())
                .filter(p -> subject.owns(machine.getKey(), p.at()))
                .forEach(p -> pictures.add(new Picture(
                        "screen-" + machine.getValue() + "-" + p.id(),
                        p.at(),
                        "Screen lit, " + p.pattern().words() + ": "
                                + (p.spots() == 0
                                        ? "no spots found"
                                        : p.spots() == 1 ? "1 spot found" : p.spots() + " spots found"),
                        p.id(),
                        machine.getKey(),
                        machine.getValue())));
    }

    /** A photograph as it was kept: small for paper, else whole. */
    public byte[] bytes(Picture picture, boolean small) {
        return picture.machine() == null
                ? photos.picture(picture.number(), small).getValue()
                : screens.picture(picture.machine(), picture.number());
    }
}
