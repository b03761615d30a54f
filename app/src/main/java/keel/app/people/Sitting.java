package keel.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import jakarta.servlet.http.HttpSessionEvent;
import jakarta.servlet.http.HttpSessionListener;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * How long somebody sits in: a session of nobody lives minutes; one that was left alone is locked until its person says
 * their PIN; what only an owner may do asks for the password again unless it was said a moment ago.
 */
@Component
public class Sitting implements HttpSessionListener {

    private static final Duration OF_NOBODY = Duration.ofMinutes(10);
    private static final Duration SAID_LATELY = Duration.ofMinutes(10);
    private static final Duration NOTED_EVERY = Duration.ofSeconds(20);
    private static final String SAID = "keel.said";
    private static final String LAST = "keel.last";
    private static final String LOCKED = "keel.locked";

    private final Clock clock;
    private final Duration ofSomebody;

    Sitting(Clock clock, @Value("${server.servlet.session.timeout}") Duration ofSomebody) {
        this.clock = clock;
        this.ofSomebody = ofSomebody;
    }

    @Override
    public void sessionCreated(HttpSessionEvent event) {
        event.getSession().setMaxInactiveInterval((int) OF_NOBODY.toSeconds());
    }

    /** Somebody came in. */
    public void opened(HttpServletRequest request, boolean byPassword) {
        HttpSession session = request.getSession();
        session.setMaxInactiveInterval((int) ofSomebody.toSeconds());
        session.removeAttribute(LOCKED);
        session.setAttribute(LAST, clock.instant());
        if (byPassword) {
            said(session);
        } else {
            session.removeAttribute(SAID);
        }
    }

    /** The password was said. */
    public void said(HttpSession session) {
        session.setAttribute(SAID, clock.instant());
    }

    public boolean saidLately(HttpSession session) {
        return session.getAttribute(SAID) instanceof Instant at
                && at.plus(SAID_LATELY).isAfter(clock.instant());
    }

    /**
     * Whether it is locked, or is from now on because nobody did anything for so long.
     *
     * @param byHand whether somebody did something; what a page asks by itself keeps nobody in
     */
    boolean locked(HttpSession session, double idleMinutes, boolean byHand) {
        Instant now = clock.instant();
        Instant last = session.getAttribute(LAST) instanceof Instant at ? at : now;
        boolean left = idleMinutes > 0
                && last.plusMillis((long) (idleMinutes * 60_000)).isBefore(now);
        if (left) {
            session.setAttribute(LOCKED, true);
        } else if (session.getAttribute(LAST) == null
                || byHand && last.plus(NOTED_EVERY).isBefore(now)) {
            session.setAttribute(LAST, now);
        }
        return session.getAttribute(LOCKED) != null;
    }
}
