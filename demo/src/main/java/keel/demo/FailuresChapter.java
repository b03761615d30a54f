package keel.demo;

import java.util.Set;
import keel.app.failures.CaseChecks;
import keel.app.failures.CaseFacts;
import keel.app.failures.FailureEntry;
import keel.app.failures.FailurePhotos;
import keel.app.failures.Failures;
import keel.app.failures.Verdicts;
import keel.sim.chance.Chance;
import keel.sim.instrument.PlatePhoto;
import keel.sim.shop.Happening;
import org.springframework.stereotype.Component;

/** Failures: what was seen, told, checked and named. */
@Component
class FailuresChapter implements Chapter {

    /** People photograph one failure in three. */
    private static final int ONE_IN = 3;

    private final Failures failures;
    private final Verdicts verdicts;
    private final CaseChecks checks;
    private final CaseFacts facts;
    private final FailurePhotos photos;
    private final StoryKeys keys;

    FailuresChapter(
            Failures failures,
            Verdicts verdicts,
            CaseChecks checks,
            CaseFacts facts,
            FailurePhotos photos,
            StoryKeys keys) {
        this.failures = failures;
        this.verdicts = verdicts;
        this.checks = checks;
        this.facts = facts;
        this.photos = photos;
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
        long id = failures.log(entry).id();
        keys.failure(f.key(), id);
        if (!f.symptoms().isEmpty() && id % ONE_IN == 0) {
            photos.addPhoto(id, PlatePhoto.of(f.symptoms(), f.zones(), Chance.of(id)), null);
        }
    }
}
