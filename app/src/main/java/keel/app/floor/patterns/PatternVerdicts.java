package keel.app.floor.patterns;

import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.core.Findings;
import keel.core.pattern.Pattern.Counts;
import keel.core.pattern.Pattern.Group;
import keel.core.pattern.Told;
import keel.core.pattern.Trait;
import keel.core.rate.PrintsToTell;
import keel.core.rate.RateDifference;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What people say of patterns, and what a remedy brought. */
@Service
@Transactional
public class PatternVerdicts {

    private static final String OF_MACHINE = PatternFinding.CHANGE + "|" + PatternFinding.RUNNING;
    /** A row of failed prints of a group that is no machine: its trait, its value, since when. */
    private static final Pattern ROW = Pattern.compile(PatternFinding.RUNNING + "-([A-Z_]+):(.+):(\\d{1,12})");

    private static final Pattern KEY = Pattern.compile(
            "(" + OF_MACHINE + "):[^:]+:\\d{1,12}|(?!(" + OF_MACHINE + "):)[A-Z_]+:.+|" + ROW.pattern());
    private static final int LEAST_AFTER = 10;
    private static final int LONGEST_REASON = 300;

    private final PatternRecords records;
    private final Logbook logbook;
    private final Clock clock;

    PatternVerdicts(PatternRecords records, Logbook logbook, Clock clock) {
        this.records = records;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** What was said last. */
    public record Said(String pattern, Verdict verdict, String reason, Instant at, String person) {

        public boolean closes() {
            return verdict == Verdict.NOT_SO || verdict == Verdict.DONE;
        }
    }

    /**
     * What something that was done brought.
     *
     * @param fewer how much less often prints fail since, with the 95 % interval; null while there are too few
     * @param toTell how many since then would tell whether it fails no more than the others
     */
    public record Brought(
            Said said, String what, Counts before, Counts after, RateDifference fewer, OptionalInt toTell) {

        /** In a sentence, which says how many prints more it would take where it cannot tell. */
        public String words() {
            String sentence = "Before " + Wording.count(before) + " failed, since then " + Wording.count(after) + ".";
            if (fewer == null) {
                return sentence + " Not enough to tell yet." + missing();
            }
            return sentence + " "
                    + switch (fewer.verdict()) {
                        case BETTER -> "It helped.";
                        case WORSE -> "It is worse since.";
                        case CANNOT_TELL -> "Whether it helped cannot be told yet." + missing();
                    };
        }

        private String missing() {
            int more = toTell.orElse(0) - after.prints();
            return more <= 0
                    ? ""
                    : " About " + more + " more prints would tell whether it fails no more than the others.";
        }
    }

    /** By the patterns' keys; those that are open again are left out. */
    @Transactional(readOnly = true)
    public Map<String, Said> last() {
        return records.last().stream()
                .filter(l -> l.said() != Verdict.OPEN)
                .map(l -> new Said(l.pattern(), l.said(), l.reason(), l.at(), l.person()))
                .collect(Collectors.toMap(Said::pattern, Function.identity()));
    }

    /** @throws Refused if why is missing where it has to be said */
    public void say(String pattern, String what, Verdict verdict, String reason) {
        Actor actor = Actor.current();
        String why = reason == null ? "" : reason.strip();
        Findings findings = new Findings();
        findings.when(pattern.length() > 200 || !known(pattern), "pattern", "There is no such pattern.");
        findings.when(
                verdict.wantsReason() && why.isEmpty(),
                "reason",
                verdict == Verdict.DONE ? "Say what was done." : "Say why it is not so.");
        findings.when(why.length() > LONGEST_REASON, "reason", "The reason is longer than 300 characters.");
        Refused.unless(findings);
        PatternSaid said = new PatternSaid();
        said.pattern = pattern;
        said.said = verdict;
        said.reason = why.isEmpty() ? null : why;
        said.at = clock.instant();
        said.personId = actor.personId();
        records.save(said);
        logbook.write(LogDraft.of(
                LogKind.PATTERN,
                null,
                "PATTERN",
                said.id,
                said.at,
                what + ": " + verdict.words().toLowerCase(Locale.ROOT) + (why.isEmpty() ? "." : ", " + why + "."),
                Map.of("pattern", pattern, "said", verdict),
                actor));
    }

    /** Of everything that something was done about, what it brought; the latest first. */
    @Transactional(readOnly = true)
    public List<Brought> brought(Patterns.Found found) {
        return last().values().stream()
                .filter(s -> s.verdict() == Verdict.DONE)
                .sorted((a, b) -> b.at().compareTo(a.at()))
                .map(s -> brought(s, found))
                .toList();
    }

    private static Brought brought(Said said, Patterns.Found found) {
        Group group = group(said.pattern());
        Instant from = since(said.pattern());
        Counts before = new Counts(0, 0);
        Counts after = new Counts(0, 0);
        Counts others = new Counts(0, 0);
        for (Told t : found.told().told()) {
            others = group.value().equals(t.is(group.trait())) ? others : others.and(t.failed());
            if (group.value().equals(t.is(group.trait())) && !t.at().isBefore(from)) {
                boolean later = t.at().isAfter(said.at());
                before = later ? before : before.and(t.failed());
                after = later ? after.and(t.failed()) : after;
            }
        }
        boolean enough = before.prints() > 0 && after.prints() >= LEAST_AFTER;
        return new Brought(
                said,
                new Wording(found.told()).subject(group),
                before,
                after,
                enough ? RateDifference.between(after.cameOut(), before.cameOut()) : null,
                before.rate() > others.rate()
                        ? PrintsToTell.ofEach(before.rate(), others.rate())
                        : OptionalInt.empty());
    }

    /** Whether a key can be one. */
    private static boolean known(String key) {
        return KEY.matcher(key).matches() && group(key) != null;
    }

    /** The prints that a key speaks of; null where it speaks of none. */
    private static Group group(String key) {
        String[] parts = key.split(":", 3);
        if (ofMachineSince(parts)) {
            return new Group(Trait.MACHINE, parts[1]);
        }
        Matcher row = ROW.matcher(key);
        return row.matches()
                ? group(row.group(1), row.group(2))
                : group(parts[0], key.substring(parts[0].length() + 1));
    }

    private static Group group(String trait, String value) {
        return Arrays.stream(Trait.values())
                .filter(t -> t.name().equals(trait))
                .map(t -> new Group(t, value))
                .findFirst()
                .orElse(null);
    }

    /** From when on they are counted: after a turn those since then. */
    private static Instant since(String key) {
        String[] parts = key.split(":", 3);
        Matcher row = ROW.matcher(key);
        String since = ofMachineSince(parts) ? parts[2] : row.matches() ? row.group(3) : "0";
        return Instant.ofEpochSecond(Long.parseLong(since));
    }

    private static boolean ofMachineSince(String[] parts) {
        return parts[0].equals(PatternFinding.CHANGE) || parts[0].equals(PatternFinding.RUNNING);
    }
}
