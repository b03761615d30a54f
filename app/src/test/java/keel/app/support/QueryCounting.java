package keel.app.support;

import java.util.concurrent.atomic.AtomicLong;
import javax.sql.DataSource;
import net.ttddyy.dsproxy.support.ProxyDataSourceBuilder;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;

/** Counts the statements that reach the database. */
@TestConfiguration(proxyBeanMethods = false)
public class QueryCounting {

    private static final AtomicLong STATEMENTS = new AtomicLong();

    @Bean
    static BeanPostProcessor countStatements() {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof DataSource source
                        ? ProxyDataSourceBuilder.create(source)
                                .afterQuery((run, queries) -> STATEMENTS.addAndGet(queries.size()))
                                .build()
                        : bean;
            }
        };
    }

    /** Statements that the action sends. */
    public static long during(Runnable action) {
        long before = STATEMENTS.get();
        action.run();
        return STATEMENTS.get() - before;
    }
}
