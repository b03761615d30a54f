package keel.app.standing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.standing.Concern;
import keel.core.standing.Defaults;
import keel.core.standing.HoldCode;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineState;
import keel.core.standing.PartUse;
import keel.core.standing.ServiceKind;

/**
 * What is known of one part, shown beside it: from top to bottom as the machine is stacked.
 *
 * @param part Z axis, plate, resin, film, screen, light
 * @param figure the figure that counts, with its unit
 * @param line a line more
 * @param alarm state of the part if it needs something, null if not
 * @param task service that is most often done to it, null if none
 * @param x where a line from the left meets it in the drawing, px
 * @param y the same
 */
public record PartFact(
        String part,
        String code,
        String figure,
        String line,
        MachineState alarm,
        ServiceKind task,
        double x,
        double y) {

    public static List<PartFact> of(MachineNow m, StackDrawing d, Defaults defaults) {
        List<PartFact> facts = new ArrayList<>();
        facts.add(new PartFact(
                "Z axis",
                null,
                m.knows(NotKnown.About.LUBRICATED)
                        ? hours(m.sinceLubricated().hours()) + " since grease"
                        : "grease not known",
                (m.knows(NotKnown.About.LUBRICATED)
                                ? "due at "
                                : hours(m.sinceLubricated().hours()) + " on record; due every ")
                        + hours(defaults.value("lubrication.everyHours")),
                alarm(m, "lubrication"),
                ServiceKind.LUBRICATION,
                d.frame().column().x(),
                d.frame().column().y() + 8));
        facts.add(new PartFact(
                "Plate",
                code(m.plate()),
                m.knows(NotKnown.About.LEVELLED)
                        ? m.sinceLevelled().prints() + (m.sinceLevelled().prints() == 1 ? " print" : " prints")
                                + " since level"
                        : "level not known",
                (m.knows(NotKnown.About.ABRADED)
                                ? "abraded " + hours(m.sinceAbraded().hours()) + " ago, due at "
                                : "when abraded is not known; due every ")
                        + hours(defaults.value("abrading.everyHours")),
                plateAlarm(m),
                ServiceKind.LEVELLING,
                d.frame().plate().x(),
                d.frame().plate().middleY()));
        facts.add(new PartFact(
                "Resin",
                null,
                m.resin() == null
                        ? m.knows(NotKnown.About.RESIN) ? "empty" : "not known"
                        : String.format(Locale.ROOT, "%.0f ml", m.resinMl()),
                m.resin() == null
                        ? "pour to say what is in"
                        : m.resin().replace('-', ' ')
                                + (m.fillLineMl() == null
                                        ? ""
                                        : String.format(Locale.ROOT, ", fill line %.0f ml", m.fillLineMl())),
                held(m, HoldCode.RESIN_MIXED, HoldCode.FAILURE_NOT_CLEANED),
                null,
                d.frame().vat().x(),
                d.frame().vat().y() + 12));
        facts.add(lining(m, d, defaults));
        if (m.hasScreen()) {
            facts.add(new PartFact(
                    "Screen",
                    code(m.screen()),
                    m.screen() == null
                            ? "none"
                            : atLeast(m, NotKnown.About.SCREEN)
                                    + String.format(
                                            Locale.ROOT,
                                            "%.0f UV h",
                                            m.screen().usage().uvHours()),
                    m.screen() == null ? "fit one" : chance(defaults, m.screenUse(), m),
                    worst(held(m, HoldCode.SCREEN_ENDED, HoldCode.CRUNCH_NOT_INSPECTED), alarm(m, "screen")),
                    ServiceKind.SCREEN_INSPECTED,
                    d.frame().screen().x(),
                    d.frame().screen().middleY()));
        }
        facts.add(new PartFact(
                "Light",
                code(m.light()),
                m.light() == null
                        ? "none"
                        : atLeast(m, NotKnown.About.LIGHT)
                                + hours(m.light().usage().hours()),
                "machine " + hours(m.total().hours()) + " in all, "
                        + String.format(Locale.ROOT, "%.1f", m.hoursPerDay()) + " h a day",
                worst(held(m, HoldCode.STANCE_UNCHECKED), alarm(m, "light")),
                null,
                d.frame().body().x(),
                d.frame().body().middleY()));
        return facts;
    }

    private static PartFact lining(MachineNow m, StackDrawing d, Defaults defaults) {
        boolean tank = m.kind() == MachineKind.LASER_TANK;
        PartView film = m.film();
        String line = film == null
                ? "fit one"
                : chance(defaults, m.liningUse(), m)
                        + (tank ? "" : ", vat " + m.vat().code());
        return new PartFact(
                m.kind().lining(),
                code(film),
                film == null ? "none" : atLeast(m, NotKnown.About.FILM) + ofLife(m.liningUse()),
                line,
                worst(
                        held(m, HoldCode.FILM_ENDED, HoldCode.WET_UNDER_VAT, HoldCode.CRUNCH_NOT_INSPECTED),
                        alarm(m, tank ? "tank" : "film")),
                tank ? ServiceKind.TANK_CHANGE : ServiceKind.FILM_CHANGE,
                d.frame().film().x(),
                d.frame().film().middleY());
    }

    private static String atLeast(MachineNow m, NotKnown.About about) {
        return m.knows(about) ? "" : "at least ";
    }

    private static String ofLife(PartUse part) {
        String unit = " " + part.life().clock().unit();
        return amount(part.age()) + unit + " of " + amount(part.life().full()) + unit;
    }

    /** Chance to fail in a typical job. */
    private static String chance(Defaults defaults, PartUse part, MachineNow m) {
        double hours = defaults.value("job.typicalHours");
        double chance = 100 * part.failsWithin(hours, m.uvShare());
        return String.format(
                Locale.ROOT, "%s %% to fail in %.0f h", chance < 1 ? "<1" : Long.toString(Math.round(chance)), hours);
    }

    private static MachineState plateAlarm(MachineNow m) {
        return worst(held(m, HoldCode.PLATE_NOT_CLEAR, HoldCode.NOT_LEVELLED), alarm(m, "abrading"));
    }

    private static MachineState held(MachineNow m, HoldCode... codes) {
        return m.holds().stream().anyMatch(h -> List.of(codes).contains(h.code())) ? MachineState.HOLD : null;
    }

    private static MachineState alarm(MachineNow m, String about) {
        return m.standing().concerns().stream()
                .filter(c -> c.about().equals(about))
                .map(Concern::level)
                .findFirst()
                .orElse(null);
    }

    private static MachineState worst(MachineState a, MachineState b) {
        return a != null ? a : b;
    }

    private static String code(PartView part) {
        return part == null ? null : part.code();
    }

    private static String hours(double hours) {
        return amount(hours) + " h";
    }

    private static String amount(double amount) {
        return String.format(Locale.ROOT, Math.abs(amount) < 9.95 ? "%.1f" : "%.0f", amount);
    }
}
