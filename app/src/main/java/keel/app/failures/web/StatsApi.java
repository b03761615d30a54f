package keel.app.failures.web;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import keel.app.base.Refused;
import keel.core.Findings;
import keel.core.pattern.ChangePoint;
import keel.core.pattern.GammaPrior;
import keel.core.pattern.Rates;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What many failures together say, reckoned for programs. */
@RestController
@RequestMapping("/api/v1/stats")
class StatsApi {

    private static final double USUAL_FALSE_DISCOVERY = 0.1;
    private static final int MOST_GROUPS = 500;
    private static final int MOST_EVENTS = 200_000;

    /** Events of a group over its exposure. */
    record GroupEntry(String id, Long events, Double exposure) {}

    record RatesQuestion(List<GroupEntry> groups, Double falseDiscovery) {}

    /** {@code alpha} and {@code beta} null where the groups differ no more than chance. */
    record RatesAnswer(Double alpha, Double beta, List<Rates.Group> groups) {}

    @PostMapping("/rates")
    RatesAnswer rates(@RequestBody RatesQuestion q) {
        Findings findings = new Findings();
        double falseDiscovery = q.falseDiscovery() == null ? USUAL_FALSE_DISCOVERY : q.falseDiscovery();
        findings.range(falseDiscovery, 0, 1, "falseDiscovery", "The share of false finds", "");
        List<Rates.Counted> groups = groups(q.groups() == null ? List.of() : q.groups(), findings);
        Refused.unless(findings);
        Rates rates = Rates.of(groups, falseDiscovery);
        return new RatesAnswer(
                rates.prior().map(GammaPrior::alpha).orElse(null),
                rates.prior().map(GammaPrior::beta).orElse(null),
                rates.groups());
    }

    private static List<Rates.Counted> groups(List<GroupEntry> entries, Findings findings) {
        findings.when(entries.isEmpty(), "groups", "There is no group.");
        findings.when(entries.size() > MOST_GROUPS, "groups", "More than " + MOST_GROUPS + " groups.");
        List<Rates.Counted> groups = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        long events = 0;
        for (int i = 0; i < entries.size(); i++) {
            GroupEntry g = entries.get(i);
            String field = "groups[" + i + "]";
            boolean whole = g != null && g.id() != null && g.events() != null && g.exposure() != null;
            if (findings.when(!whole, field, "A group takes id, events and exposure.")) {
                continue;
            }
            findings.when(!ids.add(g.id()), field, "Two groups are called " + g.id() + ".");
            findings.when(g.events() < 0, field + ".events", "Events are 0 or more.");
            findings.when(
                    !(g.exposure() > 0) || g.exposure() > 1e12, field + ".exposure", "An exposure is more than 0.");
            if (g.events() >= 0 && g.exposure() > 0) {
                groups.add(new Rates.Counted(g.id(), g.events(), g.exposure()));
                events += g.events();
            }
        }
        findings.when(events > MOST_EVENTS, "groups", "More than " + MOST_EVENTS + " events in all.");
        return groups;
    }

    record ChangeQuestion(List<Double> values, ChangePoint.Kind kind) {}

    /** {@code lastBefore} is the index from 0 of the last value before the change, null where nothing changed. */
    record ChangeAnswer(boolean changed, Integer lastBefore, double before, double after, double p) {}

    @PostMapping("/change")
    ChangeAnswer change(@RequestBody ChangeQuestion q) {
        Findings findings = new Findings();
        findings.when(q.kind() == null, "kind", "The kind is MEAN, COUNT or SHARE.");
        findings.when(q.values() == null || q.values().contains(null), "values", "Values are missing.");
        Refused.unless(findings);
        try {
            ChangePoint c = ChangePoint.of(
                    q.values().stream().mapToDouble(Double::doubleValue).toArray(), q.kind());
            return new ChangeAnswer(c.changed(), c.lastBefore().orElse(null), c.before(), c.after(), c.p());
        } catch (IllegalArgumentException e) {
            throw new Refused("values", e.getMessage());
        }
    }
}
