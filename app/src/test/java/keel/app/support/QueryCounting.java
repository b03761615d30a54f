package keel.app.support;

import java.util.List;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
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
    private static final Queue<Sent> LOG = new ConcurrentLinkedQueue<>();

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
                                    LOG.add(new Sent(queries.get(0).getQuery(), run.getElapsedTime()));
                                    while (LOG.size() > KEPT) {
                                        LOG.poll();
                                    }
                                })
                                .build()
                        : bean;
            }
        };
    }

    /** The statements that the action sends, at most the last few hundred. */
    public static List<Sent> sent(Runnable action) {
        LOG.clear();
        action.run();
        return List.copyOf(LOG);
    }

    /** How many statements the action sends. */
    public static long during(Runnable action) {
        long before = STATEMENTS.get();
        action.run();
        return STATEMENTS.get() - before;
    }
}
