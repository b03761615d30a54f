package keel.app.people;

import jakarta.servlet.http.HttpServletRequest;
import keel.app.base.Refused;
import org.springframework.stereotype.Component;

/** What only an owner may do asks for their password again, unless it was said a moment ago. */
@Component
public class OwnPassword {

    private final People people;
    private final Sitting sitting;

    OwnPassword(People people, Sitting sitting) {
        this.people = people;
        this.sitting = sitting;
    }

    /** Whether it is asked for now. */
    public boolean asked(HttpServletRequest request) {
        return !sitting.saidLately(request.getSession());
    }

    /** @throws Refused at {@code own} if it is asked for and another was said */
    public void ask(String own, HttpServletRequest request) {
        Actor.require(Role.OWNER);
        if (asked(request)) {
            people.confirm(own);
            sitting.said(request.getSession());
        }
    }
}
