package keel.app.floor.week;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import keel.app.fleet.ShopSettings;
import keel.app.prints.LookIns;
import keel.app.prints.LookKept;
import keel.app.prints.Runs;
import keel.app.prints.WantedJobs;
import keel.app.standing.Standings;
import keel.app.stores.Bathed;
import keel.app.stores.Finishing;
import keel.core.run.RunRules;
import keel.core.week.Stood;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How the weeks went: what printed, what stood and whether somebody could have started it, and the looks. */
@Service
@Transactional(readOnly = true)
public class WhatItBrought {

    private static final int WEEKS = 10;

    private final Runs runs;
    private final LookIns looks;
    private final Finishing finishing;
    private final WantedJobs jobs;
    private final Standings standings;
    private final WeekQuestion question;
    private final ShopSettings settings;
    private final Clock clock;

    WhatItBrought(
            Runs runs,
            LookIns looks,
            Finishing finishing,
            WantedJobs jobs,
            Standings standings,
            WeekQuestion question,
            ShopSettings settings,
            Clock clock) {
        this.runs = runs;
        this.looks = looks;
        this.finishing = finishing;
        this.jobs = jobs;
        this.standings = standings;
        this.question = question;
        this.settings = settings;
        this.clock = clock;
    }

    /**
     * A week.
     *
     * @param looks that were due while a print went on; {@code late} by more than half an hour, {@code missed} nobody's
     * @param bathed prints that went into a bath; {@code left} in it too long
     * @param planned whether the week was planned here, from the first job that anybody asked for on
     */
    public record WeekGone(
            Stood stood, int looks, int late, int missed, int bathed, int left, boolean planned, boolean goingOn) {}

    /**
     * All of them, the oldest first.
     *
     * @param before share of the hours in which a machine could have been started that it stood, in whole weeks before
     *     there was a plan; {@code since} likewise; each null where there is no whole week
     */
    public record Gone(List<WeekGone> weeks, Double before, Double since, List<String> assumed) {}

    public Gone weeks() {
        Instant now = clock.instant();
        ZoneId zone = settings.zone();
        List<String> assumed = new ArrayList<>();
        LocalDate first = Stood.monday(now, zone).minusWeeks(WEEKS - 1L);
        Instant from = first.atStartOfDay(zone).toInstant();
        List<Stood.Ran> ran = new ArrayList<>();
        runs.printedSince(from.minus(RunRules.LONGEST))
                .forEach(p -> ran.add(new Stood.Ran(
                        p.machine(),
                        p.startedAt(),
                        p.startedAt().plus(Duration.ofSeconds(Math.round(3600 * p.hours()))),
                        !p.bad())));
        List<Stood.There> machines = new ArrayList<>();
        standings.all().forEach(m -> {
            machines.add(new Stood.There(m.code(), m.since()));
            if (m.run() != null) {
                ran.add(new Stood.Ran(m.code(), m.run().startedAt(), now, false));
            }
        });
        Instant planned = jobs.since().orElse(Instant.MAX);
        List<LookKept> due = looks.kept(from, now);
        List<Bathed> baths = finishing.bathed(from);
        List<WeekGone> weeks = Stood.of(ran, machines, question.people(assumed), now, WEEKS, zone).stream()
                .map(s -> week(s, due, baths, planned, now, zone))
                .toList();
        return new Gone(weeks, share(weeks, false), share(weeks, true), assumed);
    }

    private WeekGone week(Stood s, List<LookKept> due, List<Bathed> baths, Instant planned, Instant now, ZoneId zone) {
        Instant from = s.monday().atStartOfDay(zone).toInstant();
        Instant to = s.monday().plusWeeks(1).atStartOfDay(zone).toInstant();
        List<LookKept> here = due.stream()
                .filter(l -> !l.dueAt().isBefore(from) && l.dueAt().isBefore(to))
                .toList();
        List<Bathed> washed = baths.stream()
                .filter(b -> !b.in().isBefore(from) && b.in().isBefore(to))
                .toList();
        double seconds = settings.defaults().value("wash.seconds");
        return new WeekGone(
                s,
                here.size(),
                (int) here.stream().filter(LookKept::late).count(),
                (int) here.stream().filter(LookKept::missed).count(),
                washed.size(),
                (int) washed.stream().filter(b -> b.tooLong(seconds, now)).count(),
                !planned.isAfter(from),
                to.isAfter(now));
    }

    private static Double share(List<WeekGone> weeks, boolean planned) {
        List<Stood> whole = weeks.stream()
                .filter(w -> w.planned() == planned && !w.goingOn())
                .map(WeekGone::stood)
                .toList();
        double stood = whole.stream().mapToDouble(Stood::stoodSeen).sum();
        double all =
                whole.stream().mapToDouble(s -> s.stoodSeen() + s.printed()).sum();
        return all == 0 ? null : Double.valueOf(stood / all);
    }
}
