package keel.app.floor;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.app.floor.Audit.About;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.stores.Buying;
import keel.app.stores.Spares;
import keel.core.standing.Concern;
import keel.core.standing.PartUse;
import org.springframework.stereotype.Component;

/** Figures in sentences of advice, read out of them again and held against the figures beside them. */
@Component
class AuditAdvice {

    private static final Pattern SINCE = Pattern.compile("^(\\d+) h (?:since|on record)");
    private static final Pattern CHANCE = Pattern.compile("may fail: (\\d+) % .*\\((\\d+) ");
    private static final Pattern THERE = Pattern.compile("^(-?[\\d.]+)");

    private final Standings standings;
    private final Buying buying;
    private final Spares spares;

    AuditAdvice(Standings standings, Buying buying, Spares spares) {
        this.standings = standings;
        this.buying = buying;
        this.spares = spares;
    }

    void look(AuditSheet sheet) {
        standings.all().forEach(m -> m.standing().concerns().forEach(c -> concern(m, c, sheet)));
        buying.lines().forEach(l -> {
            Matcher there = THERE.matcher(l.why());
            if (there.find()) {
                sheet.text(
                        About.ADVICE,
                        l.item().name() + ", there by the sentence",
                        Double.valueOf(there.group(1)),
                        Math.round(1000 * l.item().quantity()) / 1000.0,
                        "/stores/buying");
            }
        });
        spares.lines(Spares.LEAD_DAYS, Spares.SERVICE_PERCENT / 100)
                .forEach(l -> sheet.unless(
                        l.stock() == 0 && l.perYear() * Spares.LEAD_DAYS / 365 > 0.5,
                        new Audit.Found(
                                About.ADVICE,
                                l.kind().several() + " for " + String.join(", ", l.models()) + ", none wanted",
                                "0",
                                String.format(Locale.ROOT, "%.1f a year", l.perYear()),
                                "/bench/spares")));
    }

    private static void concern(MachineNow m, Concern c, AuditSheet sheet) {
        String page = "/machines/" + m.code();
        Matcher since = SINCE.matcher(c.text());
        if (since.find()) {
            double hours = c.about().equals("lubrication")
                    ? m.sinceLubricated().hours()
                    : m.sinceAbraded().hours();
            sheet.text(About.ADVICE, m.name() + ": " + c.about(), since.group(1), rounded(hours), page);
        }
        Matcher chance = CHANCE.matcher(c.text());
        if (chance.find()) {
            m.worn().stream()
                    .filter(p -> c.text().startsWith(p.name()))
                    .findFirst()
                    .ifPresent(p -> part(m, p, chance, sheet, page));
        }
    }

    private static void part(MachineNow m, PartUse p, Matcher said, AuditSheet sheet, String page) {
        sheet.text(About.ADVICE, m.name() + ": age of " + p.name(), said.group(2), rounded(p.age()), page);
    }

    private static String rounded(double value) {
        return String.format(Locale.ROOT, "%.0f", value);
    }
}
