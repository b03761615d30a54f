package keel.app.stores;

import jakarta.persistence.PostPersist;
import jakarta.persistence.PostUpdate;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;

/** Tells of all that is written about the stock, whoever wrote it. */
@Component
class StockWatch {

    private final ApplicationEventPublisher events;

    StockWatch(ApplicationEventPublisher events) {
        this.events = events;
    }

    @PostPersist
    @PostUpdate
    void written(Object record) {
        events.publishEvent(new StockChanged());
    }
}
