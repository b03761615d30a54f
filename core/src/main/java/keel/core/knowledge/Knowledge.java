package keel.core.knowledge;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What the shop knows of failures: symptoms, causes, pairs of causes that come together, and checks. Immutable; every
 * code that one part uses exists in another, which {@link KnowledgeFiles} makes sure of.
 */
public final class Knowledge {

    private final Map<String, Symptom> symptoms;
    private final Map<String, Cause> causes;
    private final Map<String, Check> checks;
    private final List<List<String>> pairs;

    Knowledge(List<Symptom> symptoms, List<Cause> causes, List<List<String>> pairs, List<Check> checks) {
        this.symptoms = index(symptoms, Symptom::code);
        this.causes = index(causes, Cause::code);
        this.checks = index(checks, Check::code);
        this.pairs = pairs.stream().map(List::copyOf).toList();
    }

    /** The same with other figures: codes, names and pairs stay. */
    public Knowledge tuned(Tuning tuning) {
        return new Knowledge(
                symptoms(),
                causes().stream().map(tuning::of).toList(),
                pairs,
                checks().stream().map(tuning::of).toList());
    }

    public List<Symptom> symptoms() {
        return List.copyOf(symptoms.values());
    }

    public List<Cause> causes() {
        return List.copyOf(causes.values());
    }

    public List<Check> checks() {
        return List.copyOf(checks.values());
    }

    /** Pairs of cause codes that are often true at once; the second usually follows from the first. */
    public List<List<String>> pairs() {
        return pairs;
    }

    public Optional<Symptom> symptom(String code) {
        return Optional.ofNullable(symptoms.get(code));
    }

    /** Its name, or the code itself where there is no such cause. */
    public String nameOf(String cause) {
        return cause(cause).map(Cause::name).orElse(cause);
    }

    public Optional<Cause> cause(String code) {
        return Optional.ofNullable(causes.get(code));
    }

    public Optional<Check> check(String code) {
        return Optional.ofNullable(checks.get(code));
    }

    private static <T> Map<String, T> index(List<T> entries, Function<T, String> code) {
        return entries.stream()
                .collect(Collectors.toMap(
                        code,
                        Function.identity(),
                        (a, b) -> {
                            throw new IllegalArgumentException("The code " + code.apply(a) + " stands twice.");
                        },
                        LinkedHashMap::new));
    }
}
