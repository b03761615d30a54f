package keel.core.diagnosis;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import keel.core.Findings;
import keel.core.knowledge.Check;
import keel.core.knowledge.Knowledge;

/**
 * What is known of one failure.
 *
 * @param symptoms seen
 * @param absent looked for and not seen
 * @param checks done, with what each found
 * @param history facts of the machine's history
 */
public record Evidence(Set<String> symptoms, Set<String> absent, List<Done> checks, Set<String> history) {

    /** The answers of a check that only tells machine from job. */
    public static final Set<String> SIDES = Set.of("MACHINE", "JOB");

    public static final Evidence NONE = new Evidence(Set.of(), Set.of(), List.of(), Set.of());

    /** A check and the causes that it found, none where it found nothing. */
    public record Done(String check, List<String> found) {}

    public Evidence {
        symptoms = new LinkedHashSet<>(symptoms);
        absent = new LinkedHashSet<>(absent);
        checks = List.copyOf(checks);
        history = new LinkedHashSet<>(history);
    }

    /** The same with one more check. */
    public Evidence and(Done check) {
        List<Done> more = new ArrayList<>(checks);
        more.add(check);
        return new Evidence(symptoms, absent, more, history);
    }

    /** Whether a fact with its kind, {@code symptom:} or {@code history:}, is among it. */
    boolean shows(String fact) {
        String code = fact.substring(fact.indexOf(':') + 1);
        return fact.startsWith("symptom:") ? symptoms.contains(code) : history.contains(code);
    }

    boolean has(String check) {
        return checks.stream().anyMatch(d -> d.check().equals(check));
    }

    /** Whether somebody did it and it found nothing. */
    boolean clean(String check) {
        return checks.stream()
                .anyMatch(d -> d.check().equals(check) && d.found().isEmpty());
    }

    /** Adds codes that are not known, and what contradicts itself. */
    public void check(Knowledge knowledge, Odds odds, Findings findings) {
        symptoms.stream()
                .filter(s -> knowledge.symptom(s).isEmpty())
                .forEach(s -> findings.add("symptoms", "There is no symptom " + s + "."));
        absent.stream()
                .filter(s -> knowledge.symptom(s).isEmpty())
                .forEach(s -> findings.add("absent", "There is no symptom " + s + "."));
        absent.stream()
                .filter(symptoms::contains)
                .forEach(s -> findings.add("absent", s + " cannot be both seen and absent."));
        history.stream()
                .filter(h -> odds.fact(h).isEmpty())
                .forEach(h -> findings.add("history", "There is no fact of history " + h + "."));
        for (Done done : checks) {
            Check check = knowledge.check(done.check()).orElse(null);
            if (check == null) {
                findings.add("checks", "There is no check " + done.check() + ".");
                continue;
            }
            for (String found : done.found()) {
                boolean fits = found != null
                        && (check.answers() == Check.Answer.SIDE
                                ? SIDES.contains(found)
                                : knowledge.cause(found).isPresent());
                findings.when(!fits, "checks", done.check() + " cannot answer " + found + ".");
            }
        }
    }
}
