package keel.demo;

import java.util.Set;
import keel.app.failures.CaseChecks;
import keel.app.failures.CaseFacts;
import keel.app.failures.FailureEntry;
import keel.app.failures.Failures;
import keel.app.failures.Verdicts;
import keel.sim.shop.Happening;
import org.springframework.stereotype.Component;

/** Failures: what was seen, told, checked and named. */
@Component
class FailuresChapter implements Chapter {

    private final Failures failures;
    private final Verdicts verdicts;
    private final CaseChecks checks;
    private final CaseFacts facts;
    private final StoryKeys keys;

    FailuresChapter(Failures failures, Verdicts verdicts, CaseChecks checks, CaseFacts facts, StoryKeys keys) {
        this.failures = failures;
        this.verdicts = verdicts;
        this.checks = checks;
        this.facts = facts;
        this.keys = keys;
    }

    @Override
    public void tell(Telling telling) {
        telling.on(Happening.FailureSeen.class, this::seen);
        telling.on(Happening.FactsTold.class, t -> facts.tell(keys.failure(t.failureKey()), Set.copyOf(t.facts())));
        telling.on(Happening.CheckDone.class, c -> checks.check(keys.failure(c.failureKey()), c.check(), c.found()));
        telling.on(Happening.CauseMended.class, m -> verdicts.mended(keys.failure(m.failureKey()), true));
        telling.on(
                Happening.CauseNamed.class,
                c -> verdicts.nameCause(keys.failure(c.failureKey()), c.cause(), c.certainty(), c.note()));
    }

    private void seen(Happening.FailureSeen f) {
        FailureEntry entry = new FailureEntry(
                f.machine(), keys.run(f.runKey()), f.at(), f.symptoms(), f.absent(), f.zones(), f.note());
        keys.failure(f.key(), failures.log(entry).id());
    }
}
