package keel.demo;

import jakarta.persistence.EntityManager;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.function.IntConsumer;
import keel.app.people.Actor;
import keel.app.shell.ShopClock;
import keel.app.standing.Rebuild;
import keel.sim.shop.Happening;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Enters what happened in a simulated shop through the application's own services, each at its time and by whoever did
 * it.
 */
@Component
class Replay {

    /**
     * Entries after which the session is emptied: a long one is slow to check for changes, an empty one reads all anew.
     */
    private static final int BATCH = 10;

    private final Telling telling;
    private final ShopClock clock;
    private final Rebuild rebuild;
    private final EntityManager entities;
    private final TransactionTemplate piece;
    private int entered;

    Replay(
            Telling telling,
            ShopClock clock,
            Rebuild rebuild,
            EntityManager entities,
            PlatformTransactionManager transactions) {
        this.telling = telling;
        this.clock = clock;
        this.rebuild = rebuild;
        this.entities = entities;
        this.piece = new TransactionTemplate(transactions);
        piece.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    /**
     * Enters all of it; afterwards the clock shows the real time again, and nobody is signed in.
     *
     * @param happenings in order of time
     * @param actors sign-in to person
     */
    @Transactional
    public void enter(List<Happening> happenings, Map<String, Actor> actors) {
        int last = firstOfTheEnd(happenings);
        enterPast(happenings.subList(0, last), actors);
        enterNow(happenings.subList(last, happenings.size()), actors);
    }

    /** Enters what is over; what follows from it is derived once at the end. */
    @Transactional
    public void enterPast(List<Happening> happenings, Map<String, Actor> actors) {
        try {
            rebuild.onceAfter(() -> happenings.forEach(h -> enter(h, actors)));
        } finally {
            clock.tell(null);
            SecurityContextHolder.clearContext();
        }
    }

    /**
     * The same, each piece written by itself, so that a past of years fits into memory.
     *
     * @param atOnce entries of a piece
     * @param progress told how many entries are written
     */
    @Transactional
    public void enterPastInPieces(
            List<Happening> happenings, Map<String, Actor> actors, int atOnce, IntConsumer progress) {
        try {
            rebuild.onceAfter(() -> {
                for (int from = 0; from < happenings.size(); from += atOnce) {
                    List<Happening> some = happenings.subList(from, Math.min(happenings.size(), from + atOnce));
                    piece.executeWithoutResult(t -> some.forEach(h -> enter(h, actors)));
                    progress.accept(from + some.size());
                }
            });
        } finally {
            clock.tell(null);
            SecurityContextHolder.clearContext();
        }
    }

    /** Enters what is going on, one by one. */
    @Transactional
    public void enterNow(List<Happening> happenings, Map<String, Actor> actors) {
        try {
            happenings.forEach(h -> enter(h, actors));
        } finally {
            clock.tell(null);
            SecurityContextHolder.clearContext();
        }
    }

    /**
     * A run that is still going on is started as in the shop, through the holds, and so needs what is derived up to
     * then.
     */
    static int firstOfTheEnd(List<Happening> happenings) {
        for (int i = 0; i < happenings.size(); i++) {
            if (happenings.get(i) instanceof Happening.RunGoing) {
                return i;
            }
        }
        return happenings.size();
    }

    private void enter(Happening happening, Map<String, Actor> actors) {
        clock.tell(happening.at().plus(2, ChronoUnit.MINUTES));
        as(actors.get(happening.who()));
        telling.enter(happening);
        entities.flush();
        if (++entered % BATCH == 0) {
            entities.clear();
        }
    }

    static void as(Actor actor) {
        SecurityContextHolder.getContext()
                .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(actor, null, List.of()));
    }
}
