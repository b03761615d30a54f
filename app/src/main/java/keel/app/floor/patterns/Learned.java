package keel.app.floor.patterns;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.failures.ClosedFailures;
import keel.app.standing.PartLives;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Knowledge;
import keel.core.life.KindOfLife;
import keel.core.pattern.Told;
import keel.core.pattern.Trait;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What the records of this shop have taught, from how much, and what would teach most next. */
@Component
@Transactional(readOnly = true)
public class Learned {

    private static final double OFTENER = 1.5;
    private static final double LEAST_TIMES = 3;
    private static final int NAMED = 3;
    private static final double MUCH = 0.2;
    private static final int LEAST_PRINTS = 20;

    private final Knowledge knowledge;
    private final ClosedFailures closed;
    private final PartLives lives;
    private final PatternRecords records;

    Learned(Knowledge knowledge, ClosedFailures closed, PartLives lives, PatternRecords records) {
        this.knowledge = knowledge;
        this.closed = closed;
        this.lives = lives;
        this.records = records;
    }

    /** Something that is missing, what it would teach, and where it can be given. */
    public record Wanting(String text, String label, String path) {}

    /** @param knows sentences, {@code wanting} the most telling first */
    public record Said(List<String> knows, List<Wanting> wanting) {}

    public Said of(Patterns.Found found, Instant from) {
        List<String> knows = new ArrayList<>();
        desk(knows);
        lives(knows);
        List<Wanting> wanting = new ArrayList<>();
        failures(from, wanting);
        prints(found.told().told(), wanting);
        return new Said(knows, wanting);
    }

    private void desk(List<String> knows) {
        Map<String, Double> counts = closed.counts();
        double all = counts.values().stream().mapToDouble(Double::doubleValue).sum();
        if (all < 1) {
            knows.add("The failure desk goes by what is usual: no named cause explains what was seen yet.");
            return;
        }
        double weights = knowledge.causes().stream().mapToDouble(Cause::weight).sum();
        String oftener = knowledge.causes().stream()
                .filter(c -> counts.getOrDefault(c.code(), 0.0) >= LEAST_TIMES)
                .map(c -> Map.entry(c.name(), counts.get(c.code()) / all / (c.weight() / weights)))
                .filter(e -> e.getValue() >= OFTENER)
                .sorted(Comparator.comparing((Map.Entry<String, Double> e) -> -e.getValue()))
                .limit(NAMED)
                .map(e -> String.format(
                        Locale.ROOT, "%s (%.1f times)", e.getKey().toLowerCase(Locale.ROOT), e.getValue()))
                .collect(Collectors.joining(", "));
        knows.add(String.format(
                        Locale.ROOT, "The failure desk has learned from failures that weigh as %.0f found ones.", all)
                + (oftener.isEmpty()
                        ? " Causes come as often as is usual."
                        : " Oftener here than is usual: " + oftener + "."));
    }

    private void lives(List<String> knows) {
        lives.groups().stream()
                .filter(g -> g.ends() > 0)
                .sorted(Comparator.comparing((PartLives.Group g) -> -g.ends()))
                .limit(NAMED)
                .forEach(g -> knows.add("How long a " + g.kind().name().toLowerCase(Locale.ROOT) + " of " + g.model()
                        + " lasts: from " + g.ends() + " that ended, of " + g.parts()
                        + (g.ends() < KindOfLife.ENDS_THAT_TELL ? "; too few, so what is usual stands." : ".")));
    }

    private void failures(Instant from, List<Wanting> wanting) {
        long notLogged = records.lostNotLogged(from);
        if (notLogged > 0) {
            wanting.add(new Wanting(
                    count(notLogged, "print was lost and nobody", "prints were lost and nobody")
                            + " logged what was seen: the desk learns nothing from them.",
                    "Log a failure",
                    "/failures/new"));
        }
        long open = records.withoutCause(from);
        if (open > 0) {
            wanting.add(new Wanting(
                    count(open, "failure has", "failures have")
                            + " no cause. One check that finds it is worth more than ten guesses.",
                    "The failures",
                    "/failures"));
        }
    }

    private static void prints(List<Told> told, List<Wanting> wanting) {
        lacking(told, Trait.RESIN, "settings on record: resins cannot be held apart.", "/runs", wanting);
        lacking(told, Trait.BOTTLE, "bottle on record: a bad lot cannot show.", "/stores/bottles", wanting);
        lacking(told, Trait.WARMTH, "warmth of the room on record: a cold corner cannot show.", "/air", wanting);
        lacking(told, Trait.FILM_PACK, "pack of film on record: a dented one cannot show.", "/bench/packs", wanting);
    }

    private static void lacking(List<Told> told, Trait trait, String says, String path, List<Wanting> wanting) {
        long without = told.stream().filter(t -> t.is(trait) == null).count();
        if (told.size() >= LEAST_PRINTS && without > MUCH * told.size()) {
            String how =
                    without == told.size() ? "Prints have no " : without + " of " + told.size() + " prints have no ";
            wanting.add(new Wanting(how + says, "Where it is written", path));
        }
    }

    private static String count(long n, String one, String several) {
        return n + " " + (n == 1 ? one : several);
    }
}
