package keel.core.quick;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import keel.core.Plain;
import keel.core.bring.OutcomeWords;
import keel.core.quick.Vocabulary.MachineWord;
import keel.core.run.Outcome;

/**
 * What is said of a run: {@code 5h20 84ml hinge patterns}. Layers and exposure that are not said are taken from the
 * machine's last runs, and the words say so.
 */
final class RunWords {

    private static final double LONGEST_HOURS = 21 * 24;

    private static final Set<String> ENDS = Set.of("ok", "partly", "cancelled", "aborted", "reworked");

    private final MachineWord machine;
    private final String when;

    /** @param when in words; null for now */
    RunWords(MachineWord machine, String when) {
        this.machine = machine;
        this.when = when == null ? "now" : when;
    }

    Reading ended(List<String> tokens) {
        Amounts amounts = Amounts.in(tokens);
        List<String> words = new ArrayList<>(amounts.words());
        Outcome outcome = takeOutcome(words).orElse(Outcome.GOOD);
        if (amounts.hours() == null || amounts.hours() <= 0 || amounts.hours() > LONGEST_HOURS) {
            return Reading.unclear(
                    "How long did it run? " + machine.code() + " run 5h20 84ml hinge patterns", List.of());
        }
        Optional<String> missing = missing(amounts, words);
        if (missing.isPresent()) {
            return Reading.unclear(missing.get(), List.of());
        }
        Integer layers = amounts.layers() != null
                ? amounts.layers()
                : machine.secondsALayer() == null
                        ? null
                        : Integer.valueOf(
                                (int) Math.max(1, Math.round(amounts.hours() * 3600 / machine.secondsALayer())));
        Double exposure = amounts.seconds() != null ? amounts.seconds() : machine.lastExposureS();
        if (layers == null || exposure == null) {
            return Reading.unclear(
                    machine.name() + " has no run yet to take layers and exposure from; say them: 1180layers 2.3s.",
                    List.of());
        }
        String job = job(words);
        return Reading.clear(
                new Order.LogRun(machine.code(), job, amounts.hours(), layers, exposure, amounts.ml(), outcome),
                "%s: %s, %s, ended %s, %s; %s ml, %s%d layers of %s s."
                        .formatted(
                                machine.name(),
                                job,
                                Plain.duration(amounts.hours()),
                                when,
                                outcome.words().toLowerCase(Locale.ROOT),
                                Plain.number(amounts.ml()),
                                amounts.layers() == null ? "about " : "",
                                layers,
                                Plain.number(exposure)));
    }

    Reading starts(List<String> tokens) {
        Amounts amounts = Amounts.in(tokens);
        List<String> words = amounts.words();
        Optional<String> missing = missing(amounts, words);
        if (missing.isPresent()) {
            return Reading.unclear(missing.get(), List.of());
        }
        Double exposure = amounts.seconds() != null ? amounts.seconds() : machine.lastExposureS();
        if (amounts.layers() == null || exposure == null) {
            return Reading.unclear(
                    "How many layers has it" + (exposure == null ? ", of what exposure" : "") + "? " + machine.code()
                            + " start 1180layers 2.3s 84ml hinge patterns",
                    List.of());
        }
        return Reading.clear(
                new Order.StartRun(machine.code(), job(words), amounts.layers(), exposure, amounts.ml()),
                "%s: %s starts %s; %d layers of %s s, %s ml."
                        .formatted(
                                machine.name(),
                                job(words),
                                when,
                                amounts.layers(),
                                Plain.number(exposure),
                                Plain.number(amounts.ml())));
    }

    Reading finished(List<String> tokens) {
        Amounts amounts = Amounts.in(tokens);
        List<String> words = new ArrayList<>(amounts.words());
        words.removeIf(w -> List.of("at", "by", "hand", "well", "run", "all").contains(w.toLowerCase(Locale.ROOT)));
        Outcome outcome = takeOutcome(words)
                .or(() -> words.size() == 1 ? OutcomeWords.of(words.remove(0), Map.of()) : Optional.empty())
                .orElse(Outcome.GOOD);
        if (!words.isEmpty()) {
            return Reading.unclear("How did it end? good, partial, failed, stopped or usable.", List.of());
        }
        return Reading.clear(
                new Order.FinishRun(machine.code(), outcome, amounts.reachedLayer()),
                machine.name() + ": the run has ended, " + outcome.words().toLowerCase(Locale.ROOT)
                        + (amounts.reachedLayer() == null ? "." : ", at layer " + amounts.reachedLayer() + "."));
    }

    private static Optional<String> missing(Amounts amounts, List<String> words) {
        if (amounts.ml() == null) {
            return Optional.of("How much resin? Add it: 84ml.");
        }
        return words.isEmpty() ? Optional.of("What was printed? Add a word or two.") : Optional.empty();
    }

    /** The word for how it ended, taken out of the words; anywhere among them it has to be a plain one. */
    private static Optional<Outcome> takeOutcome(List<String> words) {
        for (String word : words) {
            String plain = word.toLowerCase(Locale.ROOT);
            boolean told = ENDS.contains(plain)
                    || Arrays.stream(Outcome.values()).anyMatch(o -> o.name().equalsIgnoreCase(plain));
            if (told) {
                words.remove(word);
                return OutcomeWords.of(plain, Map.of());
            }
        }
        return Optional.empty();
    }

    private static String job(List<String> typed) {
        List<String> words = new ArrayList<>(typed);
        while (words.size() > 1
                && List.of("with", "of", "and", "for").contains(words.get(0).toLowerCase(Locale.ROOT))) {
            words.remove(0);
        }
        String job = String.join(" ", words);
        return Character.toUpperCase(job.charAt(0)) + job.substring(1);
    }
}
