package keel.core.quick;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.stream.IntStream;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Symptom;
import keel.core.quick.Reading.Choice;
import keel.core.quick.Vocabulary.MachineWord;

/**
 * What was seen of a failure: symptoms by code or name, in one word or several, {@code not film-slack} for what was
 * looked for and is not there, and places of the plate such as B2.
 */
final class FailureWords {

    private static final int LONGEST_NAME = 5;

    private final Knowledge knowledge;
    private final Names<Symptom> names;

    FailureWords(Knowledge knowledge) {
        this.knowledge = knowledge;
        this.names = new Names<>(knowledge.symptoms(), s -> List.of(s.code(), s.name()));
    }

    Reading read(MachineWord machine, List<String> tokens, BiFunction<String, Reading, Optional<Choice>> choice) {
        Set<String> present = new LinkedHashSet<>();
        Set<String> absent = new LinkedHashSet<>();
        Set<String> zones = new LinkedHashSet<>();
        boolean not = false;
        for (int i = 0; i < tokens.size(); ) {
            String token = tokens.get(i);
            if (token.matches("[A-Fa-f][1-4]")) {
                zones.add(token.toUpperCase(Locale.ROOT));
                i++;
            } else if (List.of("not", "no", "without").contains(token.toLowerCase(Locale.ROOT))) {
                not = true;
                i++;
            } else if (List.of("and", "at", "with", "in", "near", "symptoms", "seen")
                    .contains(token.toLowerCase(Locale.ROOT))) {
                i++;
            } else {
                Found found = longest(tokens, i);
                if (found == null) {
                    return unclear(machine, tokens, i, choice);
                }
                (not ? absent : present).add(found.code);
                not = false;
                i += found.words;
            }
        }
        if (not) {
            return Reading.unclear("Not what? Say what is not there, or leave the word out.", List.of());
        }
        absent.removeAll(present);
        return Reading.clear(
                new Order.LogFailure(
                        machine.code(), List.copyOf(present), List.copyOf(absent), List.copyOf(zones), null),
                words(machine, present, absent, zones));
    }

    private record Found(String code, int words) {}

    /** The symptom that most words from here on name; null if none. */
    private Found longest(List<String> tokens, int from) {
        for (int n = Math.min(LONGEST_NAME, tokens.size() - from); n > 0; n--) {
            Optional<Symptom> symptom = names.find(String.join("-", tokens.subList(from, from + n)));
            if (symptom.isPresent()) {
                return new Found(symptom.get().code(), n);
            }
        }
        return null;
    }

    private Reading unclear(
            MachineWord machine, List<String> tokens, int at, BiFunction<String, Reading, Optional<Choice>> choice) {
        String before = at == 0 ? "" : String.join(" ", tokens.subList(0, at)) + " ";
        String after = at + 1 == tokens.size() ? "" : " " + String.join(" ", tokens.subList(at + 1, tokens.size()));
        List<Choice> near = names.nearest(tokens.get(at), 5).stream()
                .map(s -> before + s.code() + after)
                .flatMap(
                        line -> choice
                                .apply(
                                        "failed " + line,
                                        read(machine, new ArrayList<>(List.of(line.split(" "))), choice))
                                .stream())
                .toList();
        return Reading.unclear(
                near.isEmpty()
                        ? "No symptom is called " + tokens.get(at)
                                + ". Leave it out, or put it behind a colon as a note."
                        : "Which symptom is " + tokens.get(at) + "?",
                near);
    }

    private String words(MachineWord machine, Set<String> present, Set<String> absent, Set<String> zones) {
        return machine.name() + ": failed, " + (present.isEmpty() ? "nothing more noted" : names(present))
                + (absent.isEmpty() ? "" : "; not there: " + names(absent))
                + (zones.isEmpty() ? "" : "; at " + String.join(" ", zones))
                + ".";
    }

    private String names(Set<String> codes) {
        return String.join(
                ", ",
                codes.stream()
                        .map(c -> knowledge.symptom(c).orElseThrow().name().toLowerCase(Locale.ROOT))
                        .toList());
    }

    /** Words that are nothing but names of symptoms, in full, are a failure too; null if they are not. */
    Reading seen(MachineWord machine, List<String> tokens) {
        for (int i = 0; i < tokens.size(); ) {
            int from = i;
            int words = IntStream.iterate(Math.min(LONGEST_NAME, tokens.size() - i), n -> n > 0, n -> n - 1)
                    .filter(n -> names.exact(String.join("-", tokens.subList(from, from + n)))
                            .isPresent())
                    .findFirst()
                    .orElse(0);
            if (words == 0) {
                return null;
            }
            i += words;
        }
        return read(machine, tokens, (line, reading) -> Optional.empty());
    }
}
