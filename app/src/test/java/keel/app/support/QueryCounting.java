package keel.app.support;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import javax.sql.DataSource;
import net.ttddyy.dsproxy.support.ProxyDataSourceBuilder;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;

/** Counts the statements that reach the database. */
@TestConfiguration(proxyBeanMethods = false)
public class QueryCounting {

    private static final int KEPT = 400;
    private static final AtomicLong STATEMENTS = new AtomicLong();
    private static final Deque<Sent> LOG = new ArrayDeque<>(KEPT);

    /** A statement and how long it took, ms. */
    public record Sent(String sql, long ms) {}

    @Bean
    static BeanPostProcessor countStatements() {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof DataSource source
                        ? ProxyDataSourceBuilder.create(source)
                                .afterQuery((run, queries) -> {
                                    STATEMENTS.addAndGet(queries.size());
                                    keep(new Sent(queries.get(0).getQuery(), run.getElapsedTime()));
                                })
                                .build()
                        : bean;
            }
        };
    }

    private static void keep(Sent sent) {
        synchronized (LOG) {
            if (LOG.size() == KEPT) {
                LOG.removeFirst();
            }
            LOG.addLast(sent);
        }
    }

    /** The statements that the action sends, at most the last few hundred. */
    public static List<Sent> sent(Runnable action) {
        synchronized (LOG) {
            LOG.clear();
        }
        action.run();
        synchronized (LOG) {
            return List.copyOf(LOG);
        }
    }

    /** How many statements the action sends. */
    public static long during(Runnable action) {
        long before = STATEMENTS.get();
        action.run();
        return STATEMENTS.get() - before;
    }
}
