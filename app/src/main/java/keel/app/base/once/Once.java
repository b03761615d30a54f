package keel.app.base.once;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.locks.ReentrantLock;
import java.util.regex.Pattern;
import org.hibernate.Session;
import org.hibernate.cfg.AvailableSettings;
import org.hibernate.resource.jdbc.spi.StatementInspector;
import org.springframework.boot.autoconfigure.orm.jpa.HibernatePropertiesCustomizer;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionExecution;
import org.springframework.transaction.TransactionExecutionListener;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Remembers for a day which writes were made under which key. The key is committed in the same transaction as what was
 * written: there is no moment at which one stands and the other does not.
 */
@Component
class Once implements TransactionExecutionListener, StatementInspector, HibernatePropertiesCustomizer {

    private static final Duration REMEMBERED = Duration.ofDays(1);
    private static final Duration SWEPT_EVERY = Duration.ofHours(1);
    private static final Pattern WRITES =
            Pattern.compile("\\s*(insert|update|delete|merge)\\b", Pattern.CASE_INSENSITIVE);

    /** What this thread answers, while it does. */
    private static final ThreadLocal<Answering> ANSWERING = new ThreadLocal<>();

    private final transient EntityManager entities;
    private final transient OnceRecords records;
    private final transient TransactionTemplate alone;
    private final transient Clock clock;
    private final transient Cache<String, ReentrantLock> locks =
            Caffeine.newBuilder().weakValues().build();
    private Instant swept = Instant.EPOCH;

    Once(
            @Lazy EntityManager entities,
            @Lazy OnceRecords records,
            @Lazy PlatformTransactionManager transactions,
            Clock clock) {
        this.entities = entities;
        this.records = records;
        this.alone = new TransactionTemplate(transactions);
        this.clock = clock;
    }

    /** @param sum of all that was sent: a key stands for one request */
    record Key(String who, String code, String sum) {}

    private static final class Answering {
        private final Key key;
        private boolean wrote;
        private Long record;

        private Answering(Key key) {
            this.key = key;
        }
    }

    /** Of two with the same key the second waits for this until the first was answered. */
    ReentrantLock lock(Key key) {
        return locks.get(key.who() + '\n' + key.code(), k -> new ReentrantLock());
    }

    Optional<WrittenOnce> written(Key key) {
        Optional<WrittenOnce> written = records.findByWhoAndCode(key.who(), key.code());
        if (written.isPresent() && written.get().at.plus(REMEMBERED).isBefore(clock.instant())) {
            forget(written.get().id);
            return Optional.empty();
        }
        return written;
    }

    /** From now on what this thread commits is written under that key. */
    void begin(Key key) {
        sweep();
        ANSWERING.set(new Answering(key));
    }

    /** The record of what was committed since {@link #begin}; none if nothing was. */
    Optional<Long> end() {
        Answering answering = ANSWERING.get();
        ANSWERING.remove();
        return Optional.ofNullable(answering.record);
    }

    /** What was answered, for whoever asks again. */
    void answered(long record, int status, String mediaType, String location, String body) {
        alone.executeWithoutResult(t -> records.findById(record).ifPresent(w -> {
            w.status = status;
            w.mediaType = mediaType;
            w.location = location;
            w.body = body;
        }));
    }

    /** It was refused after all: the same may be sent again. */
    void forget(long record) {
        alone.executeWithoutResult(t -> records.deleteById(record));
    }

    private synchronized void sweep() {
        Instant now = clock.instant();
        if (Duration.between(swept, now).abs().compareTo(SWEPT_EVERY) > 0) {
            swept = now;
            alone.executeWithoutResult(t -> records.forgetBefore(now.minus(REMEMBERED)));
        }
    }

    /** Sees every statement that goes to the database: what only reads is no write. */
    @Override
    public String inspect(String sql) {
        Answering answering = ANSWERING.get();
        if (answering != null && !answering.wrote) {
            answering.wrote = WRITES.matcher(sql).lookingAt();
        }
        return sql;
    }

    @Override
    public void beforeCommit(TransactionExecution transaction) {
        Answering answering = ANSWERING.get();
        if (answering == null || answering.record != null || transaction.isReadOnly()) {
            return;
        }
        if (answering.wrote || entities.unwrap(Session.class).isDirty()) {
            WrittenOnce written = new WrittenOnce();
            written.who = answering.key.who();
            written.code = answering.key.code();
            written.requestSum = answering.key.sum();
            written.at = clock.instant();
            entities.persist(written);
            answering.record = written.id;
        }
    }

    @Override
    public void afterRollback(TransactionExecution transaction, Throwable failure) {
        Answering answering = ANSWERING.get();
        if (answering != null) {
            answering.wrote = false;
        }
    }

    @Override
    public void customize(java.util.Map<String, Object> settings) {
        settings.put(AvailableSettings.STATEMENT_INSPECTOR, this);
    }
}
