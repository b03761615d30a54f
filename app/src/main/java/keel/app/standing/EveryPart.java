package keel.app.standing;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import keel.app.base.Refused;
import keel.core.life.KindOfLife;
import keel.core.life.LifeClock;
import keel.core.life.Lived;
import keel.core.standing.PartUse;
import keel.core.wear.Usage;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Every part that ever was, and how many of each kind and model ended and are alive: the same parts, counted. */
@Service
@Transactional(readOnly = true)
public class EveryPart {

    private static final Duration A_YEAR = Duration.ofDays(365);
    private static final List<String> KINDS = List.of("FILM", "TANK", "SCREEN", "PLATE", "LIGHT");

    private final PartQueries queries;
    private final PartLives lives;
    private final Clock clock;

    EveryPart(PartQueries queries, PartLives lives, Clock clock) {
        this.queries = queries;
        this.lives = lives;
        this.clock = clock;
    }

    /**
     * A part.
     *
     * @param kind FILM, TANK, SCREEN, PLATE or LIGHT
     * @param model code of the machine model that it fits or fitted; null where nobody knows
     * @param machine code of the machine on which it is, by way of a vat too; null on the shelf or ended
     * @param known false where the hours before it came on record are not known
     */
    public record Part(
            String code,
            String kind,
            String model,
            String machine,
            String vat,
            Instant fittedAt,
            Instant endedAt,
            String endReason,
            double hours,
            double uvHours,
            long layers,
            boolean known) {}

    /**
     * Parts of one kind and model together.
     *
     * @param modelName what {@code model} is called
     * @param endsByThemselves ends that were neither planned nor for another reason
     * @param unknown how many of which the hours before are not known
     * @param medianHours print hours after which half have ended, by the fitted life; null where too few have to tell
     * @param clock what the life is counted by
     */
    public record Lives(
            String kind,
            String model,
            String modelName,
            int parts,
            int ends,
            int endsByThemselves,
            int alive,
            int unknown,
            int endsLastYear,
            Double medianHours,
            LifeClock clock) {}

    /**
     * All of a kind, or of all kinds for null, newest first.
     *
     * @throws Refused if there is no such kind
     */
    public List<Part> all(String kind) {
        if (kind != null && !KINDS.contains(kind)) {
            throw new Refused("kind", "There is no kind " + kind + ". Known: " + String.join(", ", KINDS) + ".");
        }
        return queries.ever().stream()
                .map(PartEver::view)
                .filter(p -> kind == null || p.kind().equals(kind))
                .toList();
    }

    /**
     * A film, tank or screen that ended.
     *
     * @param machine number of the machine that it was on; null where it was on none
     */
    public record Ended(String code, PartUse.UsedPart kind, Instant at, Long machine, Usage usage) {}

    /** Those that ended from one moment to another, this one left out. */
    public List<Ended> ended(Instant from, Instant to) {
        return queries.ended(from, to).stream().map(PartEver::end).toList();
    }

    /** By kind in the order of the machine from the resin outwards, then by model. */
    public List<Lives> lives() {
        Map<String, KindOfLife> fitted = fitted();
        Instant yearAgo = clock.instant().minus(A_YEAR);
        List<PartEver> ever = queries.ever();
        Map<String, String> names = ever.stream()
                .filter(p -> p.model != null)
                .collect(Collectors.toMap(p -> p.model, p -> p.modelName, (a, b) -> a));
        return ever.stream()
                .map(PartEver::view)
                .collect(Collectors.groupingBy(
                        p -> KINDS.indexOf(p.kind()) + " " + p.model(), TreeMap::new, Collectors.toList()))
                .values()
                .stream()
                .map(parts -> counted(
                        parts,
                        yearAgo,
                        names.get(parts.get(0).model()),
                        fitted.get(parts.get(0).kind() + " "
                                + names.get(parts.get(0).model()))))
                .toList();
    }

    private Map<String, KindOfLife> fitted() {
        return lives.groups().stream()
                .collect(Collectors.toMap(g -> g.kind().name() + " " + g.model(), PartLives.Group::life, (a, b) -> a));
    }

    private static Lives counted(List<Part> parts, Instant yearAgo, String modelName, KindOfLife life) {
        int ends = (int) parts.stream().filter(p -> p.endedAt() != null).count();
        return new Lives(
                parts.get(0).kind(),
                parts.get(0).model(),
                modelName,
                parts.size(),
                ends,
                (int) parts.stream().filter(EveryPart::byItself).count(),
                parts.size() - ends,
                (int) parts.stream().filter(p -> !p.known()).count(),
                (int) parts.stream()
                        .filter(p -> p.endedAt() != null && p.endedAt().isAfter(yearAgo))
                        .count(),
                Optional.ofNullable(life)
                        .filter(KindOfLife::known)
                        .map(EveryPart::medianHours)
                        .orElse(null),
                life == null ? clockOf(parts.get(0).kind()) : life.clock());
    }

    private static boolean byItself(Part part) {
        return part.endedAt() != null && new Lived(Usage.NONE, part.endReason(), false).endedByItself();
    }

    private static double medianHours(KindOfLife life) {
        return life.span().ageWhenFailed(0, 0.5) / life.clockPerHour();
    }

    private static LifeClock clockOf(String kind) {
        return kind.equals("SCREEN") ? LifeClock.UV_HOURS : LifeClock.HOURS;
    }
}
