package keel.app.starting;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.app.fleet.ShopSettings;
import keel.app.fleet.ShopTime;
import keel.app.standing.MachineNow;
import keel.app.standing.PartLooks;
import keel.app.standing.Standings;
import keel.core.condition.Advice;
import keel.core.condition.FilmCondition;
import keel.core.life.HoursLeft;
import keel.core.placement.PlacedPart;
import keel.core.run.Detail;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is to be expected of a machine's parts in a job: by what was seen where somebody looked, else by age. */
@Service
@Transactional(readOnly = true)
public class Outlooks {

    private final Standings standings;
    private final ShopSettings settings;
    private final Gates gates;
    private final PartLooks looks;
    private final ShopTime times;
    private final Clock clock;

    Outlooks(Standings standings, ShopSettings settings, Gates gates, PartLooks looks, ShopTime times, Clock clock) {
        this.standings = standings;
        this.settings = settings;
        this.gates = gates;
        this.looks = looks;
        this.times = times;
        this.clock = clock;
    }

    /**
     * A job as far as it is said.
     *
     * @param hours of printing, null where not said
     * @param layers null where not said
     * @param parts what it covers of the plate, empty where not said
     */
    public record Job(Double hours, Integer layers, Detail detail, List<PlacedPart> parts) {

        public static final Job USUAL = new Job(null, null, Detail.USUAL, List.of());
    }

    /**
     * A part's outlook.
     *
     * @param age on the clock of its life
     * @param condition what was seen, null where nobody looked
     * @param nextLookDue when somebody should look again, null for parts that are not looked at
     * @param kept why somebody prints on with it as it is, null where nobody decided so
     */
    public record Part(
            PartUse.UsedPart kind,
            String part,
            double age,
            String ageUnit,
            String condition,
            Instant lookedAt,
            double failsDuringJob,
            double byAgeAlone,
            HoursLeft hoursLeft,
            Advice advice,
            List<String> why,
            Instant nextLookDue,
            String kept) {}

    /** A machine's, for a job. */
    public record Outlook(double jobHours, double thisJobFails, double byAgeAlone, List<Part> parts) {}

    /** @throws keel.app.base.NotThere if there is no such machine */
    public Outlook of(String machine, Job job) {
        MachineNow m = standings.of(machine);
        Defaults defaults = settings.defaults();
        double hours = hours(m, job, defaults);
        List<Part> parts = m.worn().stream()
                .map(p -> part(m, p.under(job.parts()), job, hours, defaults))
                .toList();
        return new Outlook(
                hours,
                1 - parts.stream().mapToDouble(p -> 1 - p.failsDuringJob()).reduce(1, (a, b) -> a * b),
                1 - parts.stream().mapToDouble(p -> 1 - p.byAgeAlone()).reduce(1, (a, b) -> a * b),
                parts);
    }

    private double hours(MachineNow m, Job job, Defaults defaults) {
        if (job.hours() != null) {
            return job.hours();
        }
        Estimate estimate = gates.estimate(m, job.layers(), null);
        return estimate == null ? defaults.value("job.typicalHours") : estimate.seconds() / 3600;
    }

    private Part part(MachineNow m, PartUse use, Job job, double hours, Defaults defaults) {
        double byAge = use.failsByAge(hours, m.uvShare());
        FilmCondition film = use.condition() instanceof FilmCondition c ? c : null;
        double fails = use.failsWithin(hours, m.uvShare(), job.detail());
        PartLooks.NextLook next = PartLooks.isLining(use) ? looks.of(m).orElse(null) : null;
        boolean overdue = next != null && next.due(clock.instant());
        boolean lining = PartLooks.isLining(use);
        Advice advice = Advice.of(
                fails,
                use.condition() != null && !overdue,
                lining && overdue,
                use.agedUnseen(),
                defaults.value("watch.failureChance"),
                defaults.value("due.failureChance"));
        return new Part(
                use.part(),
                use.name(),
                use.age(),
                use.life().clock().unit(),
                use.condition() == null ? null : use.condition().words(),
                use.condition() == null ? null : use.condition().lookedAt(),
                fails,
                byAge,
                use.hoursLeft(m.uvShare()),
                advice,
                why(use, film, hours, m, job, overdue),
                next == null ? null : next.dueAt(),
                use.kept());
    }

    private List<String> why(PartUse use, FilmCondition film, double hours, MachineNow m, Job job, boolean overdue) {
        List<String> why = new ArrayList<>();
        if (use.condition() == null) {
            why.add(
                    PartLooks.isLining(use)
                            ? "Nobody looked at it on record: only its age speaks."
                            : "By its age: %.0f %s."
                                    .formatted(use.age(), use.life().clock().unit()));
        } else {
            Instant looked = use.condition().lookedAt();
            why.add(sentence(use.condition().words()) + (looked == null ? "." : ", " + times.words(looked) + "."));
        }
        if (film != null) {
            double clouds = film.cloudsOver(hours, hours * m.uvShare(), job.detail());
            why.add(String.format(
                    Locale.ROOT,
                    "For want of light %.1f %%, marked by a dent %.1f %%, otherwise %.1f %%, in %.1f h of %s detail.",
                    100 * clouds,
                    100 * film.marksIt(job.detail()),
                    100 * film.endsOtherwise(use.failsByAge(hours, m.uvShare())),
                    hours,
                    job.detail().words().toLowerCase(Locale.ROOT)));
        }
        if (overdue && PartLooks.isLining(use)) {
            why.add("Its next look is due.");
        }
        if (use.pastAge()) {
            why.add("It is past the age at which such parts are changed here.");
        }
        if (use.kept() != null) {
            why.add("Kept in use until the next look: " + use.kept() + ".");
        }
        return why;
    }

    private static String sentence(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
