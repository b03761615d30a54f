package keel.app.floor.remind;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.base.Refused;
import keel.app.fleet.ShopSettings;
import keel.app.floor.round.Rounds;
import keel.app.people.Actor;
import keel.app.people.People;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.round.Chore;
import keel.core.round.Reminding;
import keel.core.round.Round;
import org.springframework.data.domain.Limit;
import org.springframework.mail.MailException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Reminds people of what the round has for them: at an open page, and by mail where they named an address. */
@Service
@Transactional
public class Reminders {

    private static final Duration LATELY = Duration.ofHours(13);
    private static final Duration TRIED_AGAIN_AFTER = Duration.ofMinutes(10);
    private static final Limit SHOWN = Limit.of(40);
    private static final int LONGEST = 300;
    private static final long NOBODY = -1;

    private final ReminderRecords records;
    private final Rounds rounds;
    private final People people;
    private final Post post;
    private final ShopSettings settings;
    private final EntityManager entities;
    private final TransactionTemplate alone;
    private final Clock clock;

    Reminders(
            ReminderRecords records,
            Rounds rounds,
            People people,
            Post post,
            ShopSettings settings,
            EntityManager entities,
            PlatformTransactionManager transactions,
            Clock clock) {
        this.records = records;
        this.rounds = rounds;
        this.people = people;
        this.post = post;
        this.settings = settings;
        this.entities = entities;
        this.alone = new TransactionTemplate(transactions);
        this.clock = clock;
    }

    /** Something to be told at an open page; {@code key} the same as long as it is not done. */
    public record Note(String key, String title, String why, String url) {}

    /** A mail that went out or would have. */
    public record Mailed(String person, String what, Instant at, boolean passedOn, String outcome, String why) {}

    /** What an open page says now, and whether it is heard. */
    public record AtPage(boolean sound, List<Note> notes) {}

    @Transactional(readOnly = true)
    public ReminderEntry of(long person) {
        return records.findById(person).map(Reminders::entry).orElse(ReminderEntry.USUAL);
    }

    private static ReminderEntry entry(ReminderChoice c) {
        return new ReminderEntry(
                c.kinds.isEmpty() ? Set.of() : EnumSet.copyOf(c.kinds),
                c.atPage,
                c.sound,
                c.mail,
                time(c.quietFrom),
                time(c.quietTo),
                c.thenId,
                c.afterMinutes);
    }

    private static LocalTime time(Integer minute) {
        return minute == null ? null : LocalTime.ofSecondOfDay(60L * minute);
    }

    private static Integer minute(LocalTime time) {
        return time == null ? null : Integer.valueOf(time.toSecondOfDay() / 60);
    }

    /** Says what whoever asks wants. */
    public void say(ReminderEntry entry) {
        Actor actor = Actor.current();
        Findings findings = entry.findings(actor.personId());
        findings.when(
                entry.then() != null && people.all().stream().noneMatch(p -> p.active() && p.id() == entry.then()),
                "then",
                "There is nobody of that number.");
        findings.when(
                entry.then() != null && findings.none() && of(entry.then()).mail() == null,
                "then",
                "They named no address yet, so nothing would reach them.");
        Refused.unless(findings);
        ReminderChoice c = records.findById(actor.personId()).orElseGet(ReminderChoice::new);
        c.personId = actor.personId();
        c.kinds.clear();
        c.kinds.addAll(entry.of());
        c.atPage = entry.atPage();
        c.sound = entry.sound();
        c.mail = entry.mail() == null || entry.mail().isBlank()
                ? null
                : entry.mail().strip();
        c.quietFrom = minute(entry.quietFrom());
        c.quietTo = minute(entry.quietTo());
        c.thenId = entry.then();
        c.afterMinutes = entry.afterMinutes();
        records.save(c);
    }

    /** For whoever has a page open. */
    @Transactional(readOnly = true)
    public AtPage atPage() {
        Actor actor = Actor.current();
        ReminderEntry entry = of(actor.personId());
        if (!entry.atPage()) {
            return new AtPage(false, List.of());
        }
        Instant now = clock.instant();
        LocalTime time = now.atZone(settings.zone()).toLocalTime();
        Reminding.Choice choice = choice(actor.personId(), entry);
        List<Note> notes = rounds.of(null, 1, Rounds.Who.of(actor)).round().items().stream()
                .map(Round.Line::chore)
                .filter(c -> Reminding.ripe(c, now) && choice.wants(c, time))
                .map(c -> new Note(c.key(), title(c), c.waiting().why(), c.path()))
                .toList();
        return new AtPage(entry.sound(), notes);
    }

    private static String title(Chore c) {
        return c.name() + ": " + c.what();
    }

    private static Reminding.Choice choice(long person, ReminderEntry e) {
        return new Reminding.Choice(person, e.of(), e.quietFrom(), e.quietTo(), e.then(), e.afterMinutes());
    }

    /**
     * Sends what is due by mail. To whom something could not be sent, nothing is sent for some minutes, and it counts
     * as not said; the others get theirs. No transaction waits for the server: each mail is written down as it went.
     *
     * @return how many went out or were kept
     */
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    public int send() {
        Instant now = clock.instant();
        List<Letter> due = alone.execute(t -> due(now));
        Set<Long> failed = new HashSet<>();
        int sent = 0;
        for (Letter letter : due) {
            if (failed.contains(letter.tell().person())) {
                continue;
            }
            String why = posted(letter);
            alone.executeWithoutResult(t -> entities.persist(written(letter.tell(), now, why)));
            if (why == null) {
                sent++;
            } else {
                failed.add(letter.tell().person());
            }
        }
        return sent;
    }

    /** Something to be told, and where it goes. */
    private record Letter(Reminding.Tell tell, String address) {}

    private List<Letter> due(Instant now) {
        Set<Long> failed = records.failed(now.minus(TRIED_AGAIN_AFTER));
        Set<Long> here = people.all().stream()
                .filter(People.PersonView::active)
                .map(People.PersonView::id)
                .collect(Collectors.toSet());
        List<ReminderChoice> all = records.findAll().stream()
                .filter(c -> here.contains(c.personId))
                .toList();
        Map<Long, String> addresses = all.stream()
                .filter(c -> c.mail != null && !failed.contains(c.personId))
                .collect(Collectors.toMap(c -> c.personId, c -> c.mail));
        if (addresses.isEmpty()) {
            return List.of();
        }
        List<Chore> open = rounds.of(null, 1, new Rounds.Who(NOBODY, Role.OWNER)).round().items().stream()
                .map(Round.Line::chore)
                .toList();
        return Reminding.now(
                        open,
                        all.stream().map(c -> choice(c.personId, entry(c))).toList(),
                        records.told(now.minus(LATELY)),
                        now,
                        settings.zone())
                .stream()
                .filter(t -> addresses.containsKey(t.person()))
                .map(t -> new Letter(t, addresses.get(t.person())))
                .toList();
    }

    /** Null where it went out or is kept; else why not. */
    private String posted(Letter letter) {
        if (!post.hasServer()) {
            return null;
        }
        Chore c = letter.tell().chore();
        try {
            post.send(letter.address(), (letter.tell().passedOn() ? "Passed on to you. " : "") + title(c), text(c));
            return null;
        } catch (MailException e) {
            return Objects.requireNonNullElse(e.getMessage(), "The server did not take it.");
        }
    }

    private ReminderSent written(Reminding.Tell t, Instant now, String why) {
        ReminderSent sent = new ReminderSent();
        sent.personId = t.person();
        sent.chore = t.chore().key();
        sent.what = shortened(title(t.chore()));
        sent.at = now;
        sent.passedOn = t.passedOn();
        sent.outcome = why != null
                ? ReminderSent.Outcome.FAILED
                : post.hasServer() ? ReminderSent.Outcome.SENT : ReminderSent.Outcome.KEPT;
        sent.why = why == null ? null : shortened(why);
        return sent;
    }

    private String text(Chore c) {
        return title(c) + "\n\n" + c.text() + (c.text().isEmpty() ? "" : "\n")
                + c.waiting().why() + "\n\n" + post.link(c.path()) + "\n";
    }

    private static String shortened(String text) {
        return text.length() <= LONGEST ? text : text.substring(0, LONGEST);
    }

    /** The newest first. */
    @Transactional(readOnly = true)
    public List<Mailed> lately() {
        return records.lately(SHOWN).stream()
                .map(l -> new Mailed(
                        l.person(), l.what(), l.at(), l.passedOn(), l.outcome().name(), l.why()))
                .toList();
    }

    /** The server that mail goes to, null where none is named. */
    public String server() {
        return post.server();
    }
}
