package keel.app.fleet;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** By what makers and suppliers know machines: serial numbers and dates of purchase and warranty. */
@Service
@Transactional
public class Identities {

    private static final int LONGEST = 60;

    private final Machines machines;
    private final IdentityRecords records;
    private final Logbook logbook;
    private final Clock clock;

    Identities(Machines machines, IdentityRecords records, Logbook logbook, Clock clock) {
        this.machines = machines;
        this.records = records;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** Each null where nobody wrote it down; {@code firmware} is what was put on last. */
    public record Identity(String serial, LocalDate boughtOn, LocalDate warrantyUntil, String firmware) {}

    /** @throws NotThere if no machine has this code */
    @Transactional(readOnly = true)
    public Identity of(String code) {
        return records.of(code).orElseThrow(() -> new NotThere("There is no machine called " + code + "."));
    }

    /**
     * Writes down what stands on a machine's plate and bill; empty takes it away.
     *
     * @throws Refused if a date cannot be
     */
    public void set(String code, String serial, LocalDate boughtOn, LocalDate warrantyUntil) {
        Actor keeper = Actor.require(Role.KEEPER);
        Machine machine =
                machines.findByCode(code).orElseThrow(() -> new NotThere("There is no machine called " + code + "."));
        String plate = serial == null || serial.isBlank() ? null : serial.strip();
        Findings findings = new Findings();
        findings.when(
                plate != null && plate.length() > LONGEST,
                "serial",
                "A serial number has at most " + LONGEST + " characters.");
        LocalDate tomorrow = LocalDate.now(clock.withZone(ZoneOffset.UTC)).plusDays(1);
        findings.when(
                boughtOn != null && boughtOn.isAfter(tomorrow),
                "boughtOn",
                "It cannot have been bought in the future.");
        findings.when(
                boughtOn != null && warrantyUntil != null && warrantyUntil.isBefore(boughtOn),
                "warrantyUntil",
                "A warranty cannot end before the machine was bought.");
        Refused.unless(findings);
        if (Objects.equals(machine.serial, plate)
                && Objects.equals(machine.boughtOn, boughtOn)
                && Objects.equals(machine.warrantyUntil, warrantyUntil)) {
            return;
        }
        machine.serial = plate;
        machine.boughtOn = boughtOn;
        machine.warrantyUntil = warrantyUntil;
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                machine.id,
                "MACHINE",
                machine.id,
                clock.instant(),
                machine.name + ": serial number and dates of purchase and warranty written down.",
                content(plate, boughtOn, warrantyUntil),
                keeper));
    }

    private static Map<String, Object> content(String serial, LocalDate boughtOn, LocalDate warrantyUntil) {
        Map<String, Object> content = new LinkedHashMap<>();
        content.put("serial", serial);
        content.put("boughtOn", boughtOn);
        content.put("warrantyUntil", warrantyUntil);
        return content;
    }
}
