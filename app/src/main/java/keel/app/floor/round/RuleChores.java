package keel.app.floor.round;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import keel.app.fleet.ShopSettings;
import keel.app.floor.upkeep.RuleEntry;
import keel.app.floor.upkeep.UpkeepRules;
import keel.app.standing.MachineNow;
import keel.core.round.ChoreKind;
import org.springframework.stereotype.Component;

/** What the shop's own rules of upkeep ask for: what is due, and what will be within a week. */
@Component
class RuleChores {

    private static final double SOON_DAYS = 7;

    private final UpkeepRules rules;
    private final ShopSettings settings;
    private final Clock clock;

    RuleChores(UpkeepRules rules, ShopSettings settings, Clock clock) {
        this.rules = rules;
        this.settings = settings;
        this.clock = clock;
    }

    List<Work> of(List<MachineNow> machines, Costing.Now costing) {
        List<Work> all = new ArrayList<>();
        rules.due(machines).forEach(d -> work(d, costing).ifPresent(all::add));
        return all;
    }

    private Optional<Work> work(UpkeepRules.Due d, Costing.Now costing) {
        boolean soon = d.how().inDays() != null && d.how().inDays().median() <= SOON_DAYS;
        if (!d.how().due() && !soon) {
            return Optional.empty();
        }
        RuleEntry rule = d.rule().entry();
        int minutes = rule.minutes();
        Work.Sheet sheet = Work.of(ChoreKind.RULE, d.rule().id() + ":" + d.target(), rule.name())
                .because(d.how().text() + (d.done() ? " since it was done last." : " since it is a rule."))
                .takes(
                        rule.doneBy() == null ? minutes : costing.expected(rule.doneBy(), minutes),
                        rule.doneBy() == null ? minutes : costing.usual(rule.doneBy(), minutes))
                .costs(costing.costs().flat("RULE_" + rule.hurts()), 0, why(rule))
                .endsWith(rule.doneBy());
        if (rule.onDate() != null) {
            sheet.by(rule.onDate().plusDays(1).atStartOfDay(settings.zone()).toInstant());
        }
        MachineNow m = d.machine();
        Work.Sheet placed = m == null
                ? sheet.about(d.where(), d.room())
                : sheet.at(m.code(), m.name(), m.room()).from(begin(m));
        Instant from = d.putOff() != null
                ? d.putOff()
                : d.how().due() ? null : in(d.how().inDays().median());
        return Optional.of((from == null ? placed : placed.from(from).notToday()).doneAt(path(d)));
    }

    /** On a machine that prints it waits for the end. */
    private static Instant begin(MachineNow m) {
        return m.run() == null ? null : m.run().expectedEnd();
    }

    private Instant in(double days) {
        return clock.instant().plus(Duration.ofMinutes(Math.round(days * 24 * 60)));
    }

    private static String why(RuleEntry rule) {
        return "The shop's rule; that it waits hurts " + rule.hurts().words().toLowerCase(Locale.ROOT) + ".";
    }

    private static String path(UpkeepRules.Due d) {
        return d.rule().entry().doneBy() != null && d.machine() != null
                ? "/machines/" + d.machine().code() + "/do/"
                        + d.rule().entry().doneBy().name()
                : "/bench/upkeep/" + d.rule().id() + (d.target().isEmpty() ? "" : "?at=" + d.target());
    }
}
