package keel.app.floor.web;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import keel.app.base.Figures;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.floor.upkeep.Hurts;
import keel.app.floor.upkeep.RuleEntry;
import keel.app.floor.upkeep.RuleScope;
import keel.core.Findings;
import keel.core.standing.ServiceKind;

/** A rule of upkeep as it is typed. */
record RuleForm(
        String name,
        String note,
        String scope,
        String target,
        String afterService,
        String doneBy,
        String everyHours,
        String everyUvHours,
        String everyPrints,
        String everyLitres,
        String everyDays,
        String onDate,
        String minutes,
        String hurts) {

    static final RuleForm EMPTY = new RuleForm("", "", "ALL", "", "", "", "", "", "", "", "", "", "5", "SOME");

    private static final Figures FIG = new Figures();

    static RuleForm of(RuleEntry e) {
        return new RuleForm(
                e.name(),
                text(e.note()),
                e.scope().name(),
                text(e.target()),
                e.afterService() == null ? "" : e.afterService().name(),
                e.doneBy() == null ? "" : e.doneBy().name(),
                FIG.plain(e.everyHours()),
                FIG.plain(e.everyUvHours()),
                FIG.plain(e.everyPrints()),
                FIG.plain(e.everyLitres()),
                FIG.plain(e.everyDays()),
                e.onDate() == null ? "" : e.onDate().toString(),
                Integer.toString(e.minutes()),
                e.hurts().name());
    }

    private static String text(String value) {
        return value == null ? "" : value;
    }

    /** @throws Refused if something is no number, or no day */
    RuleEntry read() {
        Findings findings = new Findings();
        RuleEntry entry = new RuleEntry(
                text(name),
                note,
                chosen(RuleScope.values(), scope),
                target,
                ServiceKind.named(afterService).orElse(null),
                ServiceKind.named(doneBy).orElse(null),
                Typed.number(everyHours, "everyHours", findings),
                Typed.number(everyUvHours, "everyUvHours", findings),
                Typed.number(everyPrints, "everyPrints", findings),
                Typed.number(everyLitres, "everyLitres", findings),
                Typed.number(everyDays, "everyDays", findings),
                day(findings),
                Typed.whole(minutes, "minutes", findings),
                chosen(Hurts.values(), hurts));
        Refused.unless(findings);
        return entry;
    }

    private LocalDate day(Findings findings) {
        if (onDate == null || onDate.isBlank()) {
            return null;
        }
        try {
            return LocalDate.parse(onDate.strip());
        } catch (DateTimeParseException e) {
            findings.when(true, "onDate", "The day is written like 2026-03-05.");
            return null;
        }
    }

    private static <E extends Enum<E>> E chosen(E[] of, String name) {
        return Arrays.stream(of).filter(e -> e.name().equals(name)).findFirst().orElse(null);
    }
}
