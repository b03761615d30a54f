package keel.app.floor.upkeep;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;
import keel.core.round.UpkeepTrigger;
import keel.core.standing.ServiceKind;

/** A rule of upkeep as the shop has it now. */
@Entity
class UpkeepRule {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String code;
    String name;
    String note;

    @Enumerated(EnumType.STRING)
    RuleScope scope;

    Long machineId;
    Long roomId;

    @Enumerated(EnumType.STRING)
    ServiceKind afterService;

    @Enumerated(EnumType.STRING)
    ServiceKind doneBy;

    Double everyHours;
    Double everyUvHours;
    Double everyPrints;
    Double everyLitres;
    Double everyDays;
    LocalDate onDate;
    int minutes;

    @Enumerated(EnumType.STRING)
    Hurts hurts;

    Instant madeAt;
    Instant offAt;

    UpkeepTrigger trigger() {
        return new UpkeepTrigger(everyHours, everyUvHours, everyPrints, everyLitres, everyDays, onDate);
    }

    void take(RuleEntry e, Long machine, Long room) {
        name = e.name().strip();
        note = e.note() == null || e.note().isBlank() ? null : e.note().strip();
        scope = e.scope();
        machineId = machine;
        roomId = room;
        afterService = e.afterService();
        doneBy = e.doneBy();
        everyHours = e.everyHours();
        everyUvHours = e.everyUvHours();
        everyPrints = e.everyPrints();
        everyLitres = e.everyLitres();
        everyDays = e.everyDays();
        onDate = e.onDate();
        minutes = e.minutes();
        hurts = e.hurts();
    }
}
