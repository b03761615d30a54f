package keel.app.floor.round;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.base.Remembered;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.round.Chore;
import keel.core.round.ChoreKind;
import keel.core.round.Round;
import keel.core.round.WaitCosts;
import keel.core.screen.ScreenVerdict;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The round of whoever asks: all chores in the order in which waiting costs least, with who has taken which. */
@Service
@Transactional
public class Rounds {

    /** What somebody took and did not do is anybody's again after so long. */
    private static final Duration TAKEN_FOR = Duration.ofHours(2);

    private static final Duration LATER = Duration.ofHours(4);
    private static final long SECONDS_A_DAY = 86_400;
    private static final LocalTime MORNING = LocalTime.of(8, 0);

    private final Chores chores;
    private final Standings standings;
    private final ShopSettings settings;
    private final RoundMarks marks;
    private final Clock clock;

    /** The order in which each person saw the round last. */
    private final Cache<Long, List<String>> shown =
            Caffeine.newBuilder().maximumSize(200).build();

    private record Waits(long day, Map<ChoreKind, Integer> times) {}

    private final Remembered<Waits> waits = new Remembered<>();

    Rounds(Chores chores, Standings standings, ShopSettings settings, RoundMarks marks, Clock clock) {
        this.chores = chores;
        this.standings = standings;
        this.settings = settings;
        this.marks = marks;
        this.clock = clock;
    }

    /** Until when something is put off. */
    public enum Until {
        LATER("later today"),
        TOMORROW("tomorrow morning"),
        NEXT_WEEK("next week");

        private final String words;

        Until(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Whose round it is. */
    public record Who(long personId, Role role) {

        public static Who of(Actor actor) {
            return new Who(actor.personId(), actor.role());
        }
    }

    /** A mark on a chore that holds. */
    public record Mark(long id, Said said, Instant until, String person) {}

    /**
     * A round as it is shown.
     *
     * @param services the service that a chore ends with, by its key, where it ends with one
     * @param others what somebody else has taken, by its key
     * @param putOff what was put off, by its key
     * @param canWait how often somebody said lately that such work can wait
     * @param chores all there are, by their keys
     */
    public record Shown(
            Round round,
            Map<String, ServiceKind> services,
            Map<String, Mark> others,
            Map<String, Mark> putOff,
            Map<ChoreKind, Integer> canWait,
            Map<String, Chore> chores) {

        /** A chore in words, by its key. */
        public String what(String key) {
            Chore c = chores.get(key);
            return c.name() + ", " + c.what();
        }

        /** All of them, what is for now before what is not. */
        public List<Round.Line> lines() {
            return Stream.concat(round.items().stream(), round.notToday().stream())
                    .toList();
        }

        /** The first few. */
        public List<Round.Line> first(int most) {
            return round.items().subList(0, Math.min(most, round.items().size()));
        }
    }

    /**
     * @param minutes at hand, null where nobody said
     * @param people who work side by side
     */
    @Transactional(readOnly = true)
    public Shown of(Double minutes, int people, Who who) {
        return of(standings.all(), minutes, people, who);
    }

    /** The same where the machines are read already. */
    @Transactional(readOnly = true)
    public Shown of(List<MachineNow> machines, Double minutes, int people, Who who) {
        Shown now = shown(chores.all(machines, who.role()), minutes, people, who, false);
        if (minutes == null && people == 1) {
            shown.put(
                    who.personId(),
                    now.round().items().stream().map(l -> l.chore().key()).toList());
        }
        return now;
    }

    /** What one machine wants, in the order of the round; what somebody else has taken too. */
    @Transactional(readOnly = true)
    public Shown at(MachineNow machine, ScreenVerdict screen, Who who) {
        return shown(chores.of(machine, screen), null, 1, who, true);
    }

    private Shown shown(List<Work> work, Double minutes, int people, Who who, boolean takenToo) {
        Instant now = clock.instant();
        List<RoundMarks.Holds> holding = marks.holding(now);
        Map<String, Mark> others = holding.stream()
                .filter(h -> h.said() == Said.MINE && h.personId() != who.personId())
                .collect(Collectors.toMap(RoundMarks.Holds::chore, Rounds::mark, (a, b) -> a));
        Map<String, Mark> putOff = holding.stream()
                .filter(h -> h.said() != Said.MINE)
                .collect(Collectors.toMap(RoundMarks.Holds::chore, Rounds::mark, (a, b) -> b));
        List<String> mine = holding.stream()
                .filter(h -> h.said() == Said.MINE && h.personId() == who.personId())
                .map(RoundMarks.Holds::chore)
                .distinct()
                .toList();
        Map<ChoreKind, Integer> canWait = canWait(now);
        Map<ChoreKind, Double> weights = new EnumMap<>(ChoreKind.class);
        canWait.forEach((kind, times) -> weights.put(kind, WaitCosts.weight(times)));
        List<Chore> asked = work.stream()
                .map(Work::chore)
                .filter(c -> takenToo || !others.containsKey(c.key()))
                .map(c -> putOff.containsKey(c.key()) && !mine.contains(c.key())
                        ? c.putOff(putOff.get(c.key()).until())
                        : c)
                .toList();
        List<String> before = shown.getIfPresent(who.personId());
        Round round = Round.of(
                asked, new Round.Asked(now, minutes, null, people, mine, before == null ? List.of() : before, weights));
        Map<String, Chore> there = work.stream().map(Work::chore).collect(Collectors.toMap(Chore::key, c -> c));
        others.keySet().retainAll(there.keySet());
        putOff.keySet().retainAll(there.keySet());
        return new Shown(round, services(work), others, putOff, canWait, there);
    }

    private static Map<String, ServiceKind> services(List<Work> work) {
        return work.stream()
                .filter(w -> w.service() != null)
                .collect(Collectors.toMap(w -> w.chore().key(), Work::service));
    }

    /** Kept until somebody says something, or a day has passed. */
    private Map<ChoreKind, Integer> canWait(Instant now) {
        long today = now.getEpochSecond() / SECONDS_A_DAY;
        Waits last = waits.get(() -> new Waits(today, reckon(now)));
        if (last.day() != today) {
            waits.forget();
            last = waits.get(() -> new Waits(today, reckon(now)));
        }
        return last.times();
    }

    private Map<ChoreKind, Integer> reckon(Instant now) {
        Instant since = now.minus(Duration.ofDays(Math.round(WaitCosts.rememberedDays())));
        return marks.canWait(since).stream().collect(Collectors.toMap(RoundMarks.Waits::kind, w -> (int) w.times()));
    }

    private static Mark mark(RoundMarks.Holds h) {
        return new Mark(h.id(), h.said(), h.until(), h.person());
    }

    /**
     * Whoever is signed in does it.
     *
     * @throws Conflict if somebody else has taken it
     * @throws NotThere if it is done or gone
     */
    public void mine(String key) {
        Actor actor = Actor.current();
        settings.lock();
        Chore chore = there(key);
        List<RoundMarks.Holds> taken = marks.holding(clock.instant()).stream()
                .filter(h -> h.chore().equals(key) && h.said() == Said.MINE)
                .toList();
        for (RoundMarks.Holds h : taken) {
            if (h.personId() != actor.personId()) {
                throw new Conflict(h.person() + " has taken it already.");
            }
        }
        if (taken.isEmpty()) {
            keep(chore, Said.MINE, clock.instant().plus(TAKEN_FOR), actor);
        }
    }

    /**
     * Not now, for a reason.
     *
     * @throws Refused where no reason is given, or it must not wait
     */
    public void notNow(String key, Said reason, Until until) {
        Actor actor = Actor.current();
        if (reason == null || reason == Said.MINE) {
            throw new Refused("reason", "Say why it is not for now.");
        }
        if (until == null) {
            throw new Refused("until", "Say until when.");
        }
        settings.lock();
        Chore chore = there(key);
        if (chore.kind().aboutPeople()) {
            throw new Conflict("That is not put off: somebody may be harmed by it.");
        }
        Instant now = clock.instant();
        List<RoundMarks.Holds> before =
                marks.holding(now).stream().filter(h -> h.chore().equals(key)).toList();
        boolean same = before.stream()
                .anyMatch(h -> h.said() == reason
                        && h.personId() == actor.personId()
                        && h.until().equals(end(until)));
        if (!same) {
            before.stream()
                    .filter(h -> h.said() != Said.MINE || h.personId() == actor.personId())
                    .forEach(h -> back(h.id()));
            keep(chore, reason, end(until), actor);
        }
    }

    private Instant end(Until until) {
        ZonedDateTime now = clock.instant().atZone(settings.zone());
        return switch (until) {
            case LATER ->
                now.plus(LATER).withMinute(0).withSecond(0).withNano(0).toInstant();
            case TOMORROW -> now.plusDays(1).with(MORNING).toInstant();
            case NEXT_WEEK -> now.plusDays(7).with(MORNING).toInstant();
        };
    }

    /** Takes back what was said about a chore: one's own, or that it was put off. */
    public void takeBack(String key) {
        Actor actor = Actor.current();
        marks.holding(clock.instant()).stream()
                .filter(h -> h.chore().equals(key) && (h.said() != Said.MINE || h.personId() == actor.personId()))
                .forEach(h -> back(h.id()));
    }

    private void back(long mark) {
        waits.forgetAfterwards();
        marks.findById(mark).ifPresent(m -> m.takenBackAt = clock.instant());
    }

    private Chore there(String key) {
        return chores.all(standings.all(), Actor.current().role()).stream()
                .map(Work::chore)
                .filter(c -> c.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new NotThere("That is done, or gone. The round shows what is left."));
    }

    private void keep(Chore chore, Said said, Instant until, Actor actor) {
        RoundMark mark = new RoundMark();
        mark.chore = chore.key();
        mark.kind = chore.kind();
        mark.said = said;
        mark.at = clock.instant();
        mark.until = until;
        mark.personId = actor.personId();
        marks.save(mark);
        waits.forgetAfterwards();
    }

    /** Those that are done in one room, one after the other: a number for each group of them, null for none. */
    public static List<Integer> together(List<Round.Line> lines) {
        List<Integer> groups = new ArrayList<>();
        int group = 0;
        for (int i = 0; i < lines.size(); i++) {
            String room = lines.get(i).chore().room();
            boolean before = room != null
                    && i > 0
                    && room.equals(lines.get(i - 1).chore().room());
            boolean after = room != null
                    && i + 1 < lines.size()
                    && room.equals(lines.get(i + 1).chore().room());
            group += !before && after ? 1 : 0;
            groups.add(before || after ? group : null);
        }
        return groups;
    }
}
