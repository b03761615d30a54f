package keel.core.standing;

import static keel.core.standing.MachineState.DUE;
import static keel.core.standing.MachineState.HOLD;
import static keel.core.standing.MachineState.OFF;
import static keel.core.standing.MachineState.READY;
import static keel.core.standing.MachineState.RUNNING;
import static keel.core.standing.MachineState.WATCH;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import keel.core.life.PartLife;

/** Derives the state of a machine; the first that applies of off, running, hold, due, watch, ready. */
public final class StateRules {

    private static final String UNKNOWN_DUE =
            "%.0f h on record, and nobody knows when %s before that; due every %.0f h. %s.";
    private static final String UNKNOWN_NEAR =
            "%.0f h on record, and nobody knows when %s before that; due at %.0f h, within a week.";

    /** Nobody can decide to print on with what is all but sure to fail, such as a film with a hole. */
    private static final double ALL_BUT_SURE = 0.9;

    private final Defaults defaults;

    public StateRules(Defaults defaults) {
        this.defaults = defaults;
    }

    public Standing of(Circumstances c) {
        List<Concern> concerns = concerns(c);
        if (c.off()) {
            return new Standing(OFF, "Out of service.", concerns);
        }
        if (c.running()) {
            return new Standing(RUNNING, "Printing.", concerns);
        }
        if (!c.holds().isEmpty()) {
            return new Standing(HOLD, c.holds().get(0).text(), concerns);
        }
        return concerns.stream()
                .findFirst()
                .map(worst -> new Standing(worst.level(), worst.text(), concerns))
                .orElseGet(() -> new Standing(READY, "May print.", concerns));
    }

    private List<Concern> concerns(Circumstances c) {
        List<Concern> concerns = new ArrayList<>();
        for (PartUse part : c.parts()) {
            part(part, c).ifPresent(concerns::add);
        }
        upkeep(
                        "lubrication",
                        "the Z axis was lubricated",
                        "Lubricate",
                        c.lubricated(),
                        defaults.value("lubrication.everyHours"),
                        c.hoursPerDay(),
                        ServiceKind.LUBRICATION)
                .ifPresent(concerns::add);
        upkeep(
                        "abrading",
                        "the plate was abraded",
                        "Abrade it",
                        c.abraded(),
                        defaults.value("abrading.everyHours"),
                        c.hoursPerDay(),
                        ServiceKind.PLATE_WORK)
                .ifPresent(concerns::add);
        if (c.stopGap() != null) {
            concerns.add(new Concern(
                    WATCH,
                    "stop-gap",
                    ("A hole in the film is cured shut for now; look at it within %.0f h of printing, and plan the "
                                    + "change.")
                            .formatted(Math.max(
                                    0, c.stopGap().everyHours() - c.stopGap().hours())),
                    ServiceKind.FILM_CHANGE));
        }
        for (String cause : c.openCauses()) {
            concerns.add(new Concern(
                    WATCH,
                    "cause",
                    "Presumed cause: " + cause.toLowerCase(Locale.ROOT) + ". No good run has confirmed it yet.",
                    null));
        }
        for (String quirk : c.openQuirks()) {
            concerns.add(new Concern(WATCH, "quirk", "Quirk: " + quirk, null));
        }
        concerns.sort(Comparator.comparing(Concern::level));
        return concerns;
    }

    private Optional<Concern> part(PartUse part, Circumstances c) {
        double jobHours = defaults.value("job.typicalHours");
        double chance = part.failsWithin(jobHours, c.uvShare());
        double toChange = part.life().hoursToChange(part.usage(), c.uvShare());
        String about = part.part().prefix();
        if (part.agedUnseen()) {
            return Optional.of(new Concern(
                    DUE,
                    about,
                    "%s is past its age: %s. Look at it.".formatted(part.name(), ofAge(part)),
                    look(part.part())));
        }
        if (chance > defaults.value("watch.failureChance")) {
            boolean kept = part.kept() != null && chance < ALL_BUT_SURE;
            boolean due = chance > defaults.value("due.failureChance") && !kept;
            return Optional.of(new Concern(
                    due ? DUE : WATCH,
                    about,
                    "%s may fail: %.0f %% in a job of %.0f h (%.0f %s old%s).%s"
                            .formatted(
                                    part.name(),
                                    100 * chance,
                                    jobHours,
                                    part.age(),
                                    part.life().clock().unit(),
                                    part.condition() == null
                                            ? knownFrom(part, ", by ")
                                            : ", " + part.condition().words(),
                                    kept ? " Kept in use: " + part.kept() + "." : ""),
                    task(part.part())));
        }
        if (part.pastAge()) {
            return Optional.of(new Concern(
                    WATCH,
                    about,
                    "%s is past its age, %s, and prints on: %s. Look again, or change it at the next sitting."
                            .formatted(part.name(), ofAge(part), part.knownFrom()),
                    task(part.part())));
        }
        return toChange > defaults.value("watch.days") * c.hoursPerDay()
                ? Optional.empty()
                : Optional.of(new Concern(
                        WATCH,
                        about,
                        "%s is near its age: %s.".formatted(part.name(), ofAge(part)),
                        task(part.part())));
    }

    private static ServiceKind look(PartUse.UsedPart part) {
        return switch (part) {
            case FILM, TANK -> ServiceKind.VAT_INSPECTED;
            case SCREEN -> ServiceKind.SCREEN_INSPECTED;
            case LIGHT -> null;
        };
    }

    private static ServiceKind task(PartUse.UsedPart part) {
        return switch (part) {
            case FILM -> ServiceKind.FILM_CHANGE;
            case TANK -> ServiceKind.TANK_CHANGE;
            case SCREEN -> ServiceKind.SCREEN_CHANGE;
            case LIGHT -> null;
        };
    }

    private static String ofAge(PartUse part) {
        PartLife life = part.life();
        return "%.0f of about %.0f %s%s"
                .formatted(
                        life.replaceClock().of(part.usage()),
                        life.replaceAt(),
                        life.replaceClock().unit(),
                        knownFrom(part, ", by "));
    }

    private static String knownFrom(PartUse part, String before) {
        return part.life().ends() == 0 ? "" : before + part.life().knownFrom();
    }

    /** Where nobody knows when it was done last, it is due once so many hours are on record without it. */
    private Optional<Concern> upkeep(
            String about,
            String since,
            String doIt,
            Circumstances.Upkept done,
            double every,
            double hoursPerDay,
            ServiceKind task) {
        double hours = done.hours();
        if (hours >= every) {
            return Optional.of(new Concern(
                    DUE,
                    about,
                    (done.known() ? "%.0f h since %s; due every %.0f h. %s." : UNKNOWN_DUE)
                            .formatted(hours, since, every, doIt),
                    task));
        }
        if (hours + defaults.value("watch.days") * hoursPerDay >= every) {
            return Optional.of(new Concern(
                    WATCH,
                    about,
                    (done.known() ? "%.0f h since %s; due at %.0f h, within a week." : UNKNOWN_NEAR)
                            .formatted(hours, since, every),
                    task));
        }
        return Optional.empty();
    }
}
