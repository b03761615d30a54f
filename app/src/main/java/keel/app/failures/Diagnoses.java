package keel.app.failures;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.Quirks;
import keel.app.fleet.ShopSettings;
import keel.app.stores.Finishing;
import keel.core.Findings;
import keel.core.diagnosis.Diagnosis;
import keel.core.diagnosis.Diagnostician;
import keel.core.diagnosis.Evidence;
import keel.core.diagnosis.Odds;
import keel.core.diagnosis.Stakes;
import keel.core.history.Past;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Tuning;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What may have made a print fail: the same answer for the page and for programs, from the knowledge as the owner tuned
 * it and the odds as the shop's own closed failures shift them.
 */
@Service
@Transactional(readOnly = true)
public class Diagnoses {

    private static final List<String> TELLABLE = List.of(
            "heavy-or-hollow-part",
            "one-drain-or-none",
            "two-drains",
            "no-tilt",
            "file-not-paged",
            "resin-not-stirred",
            "wash-under-3-min",
            "dried-under-2-h",
            "scraper-used");

    private final TunedKnowledge tuned;
    private final Knowledge shipped;
    private final Odds odds;
    private final MachineRecords records;
    private final Quirks quirks;
    private final ClosedFailures closed;
    private final Fleet fleet;
    private final CaseChecks caseChecks;
    private final CaseFacts caseFacts;
    private final Finishing finishing;
    private final PrintedFiles files;
    private final ShopSettings settings;
    private final Clock clock;

    Diagnoses(
            Odds odds,
            TunedKnowledge tuned,
            Knowledge shipped,
            MachineRecords records,
            Quirks quirks,
            ClosedFailures closed,
            Fleet fleet,
            CaseChecks caseChecks,
            CaseFacts caseFacts,
            Finishing finishing,
            PrintedFiles files,
            ShopSettings settings,
            Clock clock) {
        this.odds = odds;
        this.tuned = tuned;
        this.shipped = shipped;
        this.records = records;
        this.quirks = quirks;
        this.closed = closed;
        this.fleet = fleet;
        this.caseChecks = caseChecks;
        this.caseFacts = caseFacts;
        this.finishing = finishing;
        this.files = files;
        this.settings = settings;
        this.clock = clock;
    }

    /**
     * Of a recorded failure: what was seen and told, the checks that were done for it, and the machine's records as
     * they stood then.
     */
    public Diagnosis of(FailureView failure) {
        return diagnostician(tuned.tuning(), closed.counts()).diagnose(evidence(failure));
    }

    /** The same without what the shop learned from this failure itself. */
    Diagnosis without(FailureView failure) {
        return diagnostician(tuned.tuning(), closed.countsWithout(failure.id())).diagnose(evidence(failure));
    }

    Evidence evidence(FailureView failure) {
        MachineRef machine = fleet.machine(failure.machine());
        Past.Failed seen =
                new Past.Failed(failure.seenAt(), Set.copyOf(failure.symptoms()), Set.copyOf(failure.zones()));
        Set<String> history = new LinkedHashSet<>(records.facts(machine, failure.run(), seen, failure.id()));
        history.addAll(quirks.facts(machine.code()));
        history.addAll(caseFacts.facts(failure.id()));
        if (failure.run() != null) {
            history.addAll(finishing.facts(failure.run()));
            files.at(failure.run(), failure.failedAtLayer()).ifPresent(f -> history.addAll(f.facts()));
        }
        return new Evidence(
                new LinkedHashSet<>(failure.symptoms()),
                new LinkedHashSet<>(failure.absent()),
                caseChecks.checks(failure.id()).stream()
                        .map(c -> new Evidence.Done(c.check(), c.found()))
                        .toList(),
                history);
    }

    /**
     * Of evidence that nobody recorded.
     *
     * @param here whether it is about a machine of this shop, so that what the shop has learned counts
     * @throws Refused if a code is not known, or a symptom is both seen and absent
     */
    public Diagnosis of(Evidence evidence, boolean here) {
        Findings findings = new Findings();
        Knowledge knowledge = tuned.now();
        evidence.check(knowledge, odds, findings);
        Refused.unless(findings);
        return diagnostician(tuned.tuning(), here ? closed.counts() : Map.of()).diagnose(evidence);
    }

    /**
     * Facts of a machine's own records as it stands now.
     *
     * @throws Refused if there is no such machine
     */
    public Set<String> historyOfEntry(String machine, Set<String> symptoms, Set<String> zones) {
        MachineRef ref = fleet.machineOfEntry(machine);
        Findings findings = new Findings();
        zones.stream()
                .filter(z -> !z.matches("[A-F][1-4]"))
                .forEach(z -> findings.add(
                        "zones", "There is no place " + z + " on the plate: A1 (front left) to F4 (back right)."));
        Refused.unless(findings);
        Set<String> facts =
                new LinkedHashSet<>(records.facts(ref, null, new Past.Failed(clock.instant(), symptoms, zones), null));
        facts.addAll(quirks.facts(ref.code()));
        return facts;
    }

    /** With these figures of the owner's, and the odds as the shop's closed failures shift them. */
    Diagnostician diagnostician(Tuning tuning) {
        return diagnostician(tuning, closed.counts());
    }

    private Diagnostician diagnostician(Tuning tuning, Map<String, Double> counts) {
        return new Diagnostician(
                shipped.tuned(tuning), odds.tuned(tuning), counts, Stakes.of(settings.defaults(), tuning));
    }

    /** What can be told of a print by whoever printed it, code to words. */
    public Map<String, String> tellable() {
        Map<String, String> words = new LinkedHashMap<>();
        for (String code : TELLABLE) {
            odds.fact(code).ifPresent(f -> words.put(code, f.words()));
        }
        return words;
    }
}
