package keel.app.floor.bring;

import static keel.core.bring.BringField.NOTE;
import static keel.core.bring.BringField.SEEN_AT;
import static keel.core.bring.BringField.SYMPTOMS;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import keel.app.failures.FailureEntry;
import keel.app.failures.FailureView;
import keel.app.failures.Failures;
import keel.app.fleet.MachineRef;
import keel.core.bring.BringKind;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Symptom;
import org.springframework.stereotype.Component;

/** Failures of a table: symptoms by code, name or a word of the shop's own, several with commas. */
@Component
class FailureRows implements RowWriter {

    private final Failures failures;
    private final Knowledge knowledge;
    private final BroughtRecords records;

    FailureRows(Failures failures, Knowledge knowledge, BroughtRecords records) {
        this.failures = failures;
        this.knowledge = knowledge;
        this.records = records;
    }

    @Override
    public BringKind kind() {
        return BringKind.FAILURES;
    }

    @Override
    public Optional<String> write(BringRow row) {
        MachineRef machine = row.machine();
        Instant seen = row.moment(SEEN_AT);
        if (!row.has(SEEN_AT)) {
            row.wrong(SEEN_AT, "When it was seen is missing.");
        }
        List<String> symptoms = symptoms(row);
        if (machine == null || seen == null || symptoms.isEmpty() || records.failuresAt(machine.id(), seen) > 0) {
            return Optional.empty();
        }
        String note = row.has(NOTE) ? row.text(NOTE) : null;
        return Optional.of(
                Long.toString(failures.log(new FailureEntry(machine.code(), null, seen, symptoms, null, null, note))
                        .id()));
    }

    /** All of them, or none where one is not known. */
    private List<String> symptoms(BringRow row) {
        List<String> codes = new ArrayList<>();
        if (!row.has(SYMPTOMS)) {
            row.wrong(SYMPTOMS, "What was seen is missing.");
        }
        for (String word : row.text(SYMPTOMS).split("[,;+/]")) {
            if (!word.isBlank()) {
                String code = code(word.strip(), row);
                if (code == null) {
                    row.unknown(SYMPTOMS, word.strip(), "Say which symptom it is.");
                    return List.of();
                }
                codes.add(code);
            }
        }
        return codes;
    }

    private String code(String word, BringRow row) {
        String asked = row.meant(word).toLowerCase(Locale.ROOT);
        return knowledge.symptoms().stream()
                .filter(s -> s.code().equals(asked)
                        || s.name().toLowerCase(Locale.ROOT).equals(asked))
                .map(Symptom::code)
                .findFirst()
                .orElse(null);
    }

    @Override
    public void takeBack(String subject) {
        FailureView view = failures.one(Long.parseLong(subject));
        failures.correct(
                view.id(),
                null,
                new FailureEntry(
                        view.machine(),
                        view.run(),
                        view.seenAt(),
                        view.symptoms(),
                        view.absent(),
                        view.zones(),
                        view.note()),
                true,
                "The table that it came from was taken back.");
    }
}
