package keel.app.base;

import jakarta.persistence.EntityManager;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Keeps long entries of many rows quick: what was written is sent to the database and forgotten now and then, or every
 * question would look through all of it. Nothing has to be sent before it is read.
 */
@Component
public class LongWork {

    private static final int EACH = 100;

    private final EntityManager entities;

    LongWork(EntityManager entities) {
        this.entities = entities;
    }

    /** To be called after each row, with its number from 0; what was read before is not to be used afterwards. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void after(int row) {
        if (row % EACH == EACH - 1) {
            EntityManager session = entities;
            session.flush();
            session.clear();
        }
    }
}
