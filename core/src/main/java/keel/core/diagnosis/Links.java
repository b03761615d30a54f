package keel.core.diagnosis;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import keel.core.CheckedYaml;

/**
 * What leads to what, and which facts belong together.
 *
 * @param together rate at which causes are there by themselves: chance 1 − e^(−rate·share)
 * @param leads causes that bring about others
 * @param through by cause, symptoms that it shows only by what it brings about
 * @param describes facts of history that describe the failure; they speak only of causes that can show something of it
 * @param origins facts of one origin, of which the strongest counts
 * @param signs symptoms of a part, explained only where nothing was seen of the print
 */
public record Links(
        double together,
        List<Lead> leads,
        Map<String, Set<String>> through,
        Set<String> describes,
        List<Set<String>> origins,
        Set<String> signs) {

    /** A cause that brings about another with this chance. */
    public record Lead(String from, String to, double chance) {}

    static Links of(JsonNode file) {
        Map<String, Set<String>> through = new HashMap<>();
        file.get("through")
                .properties()
                .forEach(e -> through.put(e.getKey(), new HashSet<>(CheckedYaml.strings(e.getValue()))));
        return new Links(
                file.get("together").asDouble(),
                CheckedYaml.each(
                        file.get("leads"),
                        n -> new Lead(
                                n.get("from").asText(),
                                n.get("to").asText(),
                                n.get("chance").asDouble())),
                Map.copyOf(through),
                new HashSet<>(CheckedYaml.strings(file.get("describes"))),
                CheckedYaml.each(file.get("origins"), n -> new HashSet<>(CheckedYaml.strings(n))),
                new HashSet<>(CheckedYaml.strings(file.get("signs"))));
    }

    /** With a shop's own consequences in place of these; one whose chance is 0 is none. */
    Links tuned(Map<String, Map<String, Double>> own) {
        Map<List<String>, Double> chances = new LinkedHashMap<>();
        leads.forEach(l -> chances.put(List.of(l.from(), l.to()), l.chance()));
        own.forEach((from, to) -> to.forEach((cause, chance) -> chances.put(List.of(from, cause), chance)));
        chances.values().removeIf(c -> c == 0);
        List<Lead> all = chances.entrySet().stream()
                .map(e -> new Lead(e.getKey().get(0), e.getKey().get(1), e.getValue()))
                .toList();
        return new Links(together, all, through, describes, origins, signs);
    }

    /** A cause that would bring itself about, over others or not; empty where none does. */
    Optional<String> circle() {
        return leads.stream()
                .map(Lead::from)
                .distinct()
                .filter(c -> reached(c).contains(c))
                .findFirst();
    }

    private Set<String> reached(String from) {
        Set<String> reached = new HashSet<>();
        boolean grew = true;
        while (grew) {
            grew = false;
            for (Lead l : leads) {
                grew |= (l.from().equals(from) || reached.contains(l.from())) && reached.add(l.to());
            }
        }
        return reached;
    }

    /** Whether a cause shows a symptom itself, and not only by what it brings about. */
    boolean itself(String cause, String symptom) {
        return !through.getOrDefault(cause, Set.of()).contains(symptom);
    }

    /** What a fact is counted with: itself, or the first of its origin. */
    String origin(String fact) {
        return origins.stream()
                .filter(o -> o.contains(fact))
                .map(o -> o.stream().sorted().findFirst().orElse(fact))
                .findFirst()
                .orElse(fact);
    }

    Stream<String> factCodes() {
        return Stream.concat(describes.stream(), origins.stream().flatMap(Set::stream));
    }
}
