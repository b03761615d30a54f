package keel.app.people;

import java.util.List;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.web.authentication.WebAuthenticationDetails;
import org.springframework.stereotype.Component;

/** Signs a person in by name and password, throttled. */
@Component
public class PasswordSignIn implements AuthenticationProvider {

    private final People people;
    private final Throttle throttle;
    private final Refusals refusals;

    PasswordSignIn(People people, Throttle throttle, Refusals refusals) {
        this.people = people;
        this.throttle = throttle;
        this.refusals = refusals;
    }

    @Override
    public Authentication authenticate(Authentication attempt) {
        String address = attempt.getDetails() instanceof WebAuthenticationDetails d ? d.getRemoteAddress() : "";
        if (!throttle.takes(attempt.getName(), address)) {
            refusals.tooMany(attempt.getName(), address);
            throw new LockedException("Too many wrong tries.");
        }
        Actor actor = people.byPassword(attempt.getName(), String.valueOf(attempt.getCredentials()))
                .orElse(null);
        if (actor == null) {
            refusals.wrong(attempt.getName(), address, "password");
            throw new BadCredentialsException("Wrong name or password.");
        }
        throttle.right(attempt.getName(), address);
        return signedIn(actor);
    }

    @Override
    public boolean supports(Class<?> type) {
        return UsernamePasswordAuthenticationToken.class.isAssignableFrom(type);
    }

    public static Authentication signedIn(Actor actor) {
        return UsernamePasswordAuthenticationToken.authenticated(
                actor,
                null,
                List.of(new SimpleGrantedAuthority("ROLE_" + actor.role().name())));
    }
}
