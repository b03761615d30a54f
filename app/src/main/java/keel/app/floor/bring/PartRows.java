package keel.app.floor.bring;

import static keel.core.bring.BringField.CHANGED_AT;
import static keel.core.bring.BringField.END_REASON;
import static keel.core.bring.BringField.MATERIAL;
import static keel.core.bring.BringField.NOTE;
import static keel.core.bring.BringField.PART;
import static keel.core.bring.BringField.SERIAL;
import static keel.core.bring.BringField.THICKNESS_MM;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.fleet.MachineRef;
import keel.app.standing.MachineNow;
import keel.app.standing.PartView;
import keel.app.standing.Standings;
import keel.core.bring.BringField;
import keel.core.bring.BringKind;
import keel.core.bring.PartWords;
import keel.core.standing.MachineKind;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Component;

/**
 * Parts of machines that were changed, as services of their day, the oldest first. A film of which the table does not
 * say what it is was of the kind that is on now; where nobody said why the old one ended it is OTHER, which teaches
 * nothing about how long they last.
 */
@Component
class PartRows implements RowWriter {

    private static final String UNSAID = "OTHER";

    private final Bench bench;
    private final Standings standings;
    private final BroughtRecords records;

    PartRows(Bench bench, Standings standings, BroughtRecords records) {
        this.bench = bench;
        this.standings = standings;
        this.records = records;
    }

    @Override
    public BringKind kind() {
        return BringKind.PARTS;
    }

    /** What is on a machine at the end is what was changed last. */
    @Override
    public Optional<BringField> inOrderOf() {
        return Optional.of(CHANGED_AT);
    }

    @Override
    public Optional<String> write(BringRow row) {
        MachineRef machine = row.machine();
        Instant at = row.moment(CHANGED_AT);
        if (!row.has(CHANGED_AT)) {
            row.wrong(CHANGED_AT, "When it was changed is missing.");
        }
        if (!row.has(PART)) {
            row.wrong(PART, "Which part it was is missing.");
            return Optional.empty();
        }
        PartWords.ChangedPart part = PartWords.of(row.meant(row.text(PART))).orElse(null);
        if (part == null) {
            row.unknown(PART, row.text(PART), "Say film, screen, light or plate.");
        }
        if (machine == null || at == null || part == null) {
            return Optional.empty();
        }
        ServiceKind kind = service(part, machine.traits().kind());
        Map<String, Object> values = values(kind, machine, row);
        if (values == null || records.servicesAt(machine.id(), kind, at) > 0) {
            return Optional.empty();
        }
        String note = row.has(NOTE) ? row.text(NOTE) : null;
        return Optional.of(Long.toString(bench.record(new ServiceEntry(machine.code(), kind.name(), at, note, values))
                .id()));
    }

    private static ServiceKind service(PartWords.ChangedPart part, MachineKind machine) {
        return switch (part) {
            case FILM -> machine == MachineKind.LASER_TANK ? ServiceKind.TANK_CHANGE : ServiceKind.FILM_CHANGE;
            case SCREEN -> ServiceKind.SCREEN_CHANGE;
            case LIGHT -> ServiceKind.LIGHT_CHANGE;
            case PLATE -> ServiceKind.PLATE_WORK;
        };
    }

    /** What the service is told; null, with the problem, where the row does not say it. */
    private Map<String, Object> values(ServiceKind kind, MachineRef machine, BringRow row) {
        Map<String, Object> values = new LinkedHashMap<>();
        if (kind == ServiceKind.PLATE_WORK) {
            values.put("work", "REPLACED");
            return values;
        }
        String reason = row.has(END_REASON) ? reason(kind, row) : UNSAID;
        if (reason == null) {
            return null;
        }
        values.put("endReason", reason);
        if (kind == ServiceKind.FILM_CHANGE) {
            return film(machine, row, values) ? values : null;
        }
        if (row.has(SERIAL) && kind != ServiceKind.TANK_CHANGE) {
            values.put("serial", row.text(SERIAL));
        }
        return values;
    }

    private boolean film(MachineRef machine, BringRow row, Map<String, Object> values) {
        MachineNow now = standings.of(machine.code());
        PartView on = now.film();
        Double thickness = row.has(THICKNESS_MM) ? row.number(THICKNESS_MM) : on == null ? null : on.thicknessMm();
        if (thickness == null) {
            if (!row.has(THICKNESS_MM)) {
                row.wrong(THICKNESS_MM, "How thick the film was is missing.");
            }
            return false;
        }
        values.put("thicknessMm", thickness);
        values.put("material", row.has(MATERIAL) ? material(row.text(MATERIAL)) : on == null ? UNSAID : on.material());
        return true;
    }

    private static String material(String text) {
        String plain = text.toUpperCase(Locale.ROOT);
        return plain.contains("PFA") ? "PFA" : plain.contains("FEP") ? "FEP" : UNSAID;
    }

    private static String reason(ServiceKind kind, BringRow row) {
        String said = row.meant(row.text(END_REASON));
        List<ServiceField.Option> known = kind.fields().stream()
                .filter(f -> f.name().equals("endReason"))
                .flatMap(f -> f.options().stream())
                .toList();
        Optional<String> code = known.stream()
                .filter(o -> o.code().equalsIgnoreCase(said.replace(' ', '_'))
                        || o.words().equalsIgnoreCase(said))
                .map(ServiceField.Option::code)
                .findFirst();
        if (code.isEmpty()) {
            row.unknown(
                    END_REASON,
                    row.text(END_REASON),
                    "Say one of "
                            + String.join(
                                    ", ",
                                    known.stream()
                                            .map(ServiceField.Option::words)
                                            .toList())
                            + ".");
        }
        return code.orElse(null);
    }

    @Override
    public void takeBack(String subject) {
        bench.withdraw(Long.parseLong(subject), "The table that it came from was taken back.");
    }
}
