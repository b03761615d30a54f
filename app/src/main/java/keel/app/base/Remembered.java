package keel.app.base;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.function.Supplier;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * One answer that is dear to reckon, kept until what it follows from has changed. Forgetting waits for a reckoning that
 * is under way, so that none that began before a change is kept after it.
 */
public final class Remembered<T> {

    private final Cache<Boolean, T> kept = Caffeine.newBuilder().maximumSize(1).build();

    /** What was reckoned, anew if it was forgotten. */
    public T get(Supplier<T> reckon) {
        return kept.get(true, any -> reckon.get());
    }

    /** To be called once what changed can be read by others. */
    public void forget() {
        kept.invalidate(true);
    }

    /** Forgets once the transaction that is going on has ended either way; at once where there is none. */
    public void forgetAfterwards() {
        if (!TransactionSynchronizationManager.isSynchronizationActive()) {
            forget();
            return;
        }
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCompletion(int status) {
                forget();
            }
        });
    }
}
