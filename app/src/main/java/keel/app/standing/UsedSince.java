package keel.app.standing;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import keel.core.wear.Usage;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;

/** What a machine did since a moment; what was reckoned is kept until its runs change. */
@Component
@Transactional(readOnly = true)
public class UsedSince {

    private final RunSums sums;
    private final Cache<Asked, Usage> kept =
            Caffeine.newBuilder().maximumSize(20_000).build();

    private record Asked(long machine, Instant since) {}

    UsedSince(RunSums sums) {
        this.sums = sums;
    }

    public Usage of(long machine, Instant since) {
        return kept.get(new Asked(machine, since), a -> sums.between(a.machine(), a.since(), RunSums.FOREVER));
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void on(RunsChanged event) {
        List<Asked> changed = new ArrayList<>(kept.asMap().keySet());
        changed.removeIf(a -> a.machine() != event.machine());
        kept.invalidateAll(changed);
    }
}
