package keel.app.floor.remind;

import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Looks every minute whether a reminder is to go out. */
@Component
class Postman implements DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(Postman.class);

    private final Reminders reminders;
    private final int everySeconds;
    private ScheduledFuture<?> walks;
    private final ScheduledExecutorService walking = Executors.newSingleThreadScheduledExecutor(r -> {
        Thread thread = new Thread(r, "reminders");
        thread.setDaemon(true);
        return thread;
    });

    /** @param everySeconds 0 for never */
    Postman(Reminders reminders, @Value("${keel.reminders.every-seconds:60}") int everySeconds) {
        this.reminders = reminders;
        this.everySeconds = everySeconds;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        if (everySeconds > 0) {
            walks = walking.scheduleWithFixedDelay(this::walk, everySeconds, everySeconds, TimeUnit.SECONDS);
        }
    }

    private void walk() {
        try {
            reminders.send();
        } catch (RuntimeException e) {
            LOG.warn("No reminders were looked for: {}", e.getMessage());
        }
    }

    @Override
    public void destroy() {
        if (walks != null) {
            walks.cancel(true);
        }
        walking.shutdownNow();
    }
}
