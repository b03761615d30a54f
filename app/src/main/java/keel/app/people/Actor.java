package keel.app.people;

import java.io.Serializable;
import java.security.Principal;
import java.util.Locale;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;

/**
 * Who is doing something.
 *
 * @param via how, where it was not by sign-in: "PIN" or the name of a token, else null
 * @param door of the person when they came in; when it has grown since, they are out
 */
public record Actor(long personId, String signIn, String displayName, Role role, String via, int door)
        implements Principal, Serializable {

    @Override
    public String getName() {
        return signIn;
    }

    /**
     * Whoever is signed in now.
     *
     * @throws AccessDeniedException if nobody is
     */
    public static Actor current() {
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        if (authentication != null && authentication.getPrincipal() instanceof Actor actor) {
            return actor;
        }
        throw new AccessDeniedException("Nobody is signed in.");
    }

    /** @throws AccessDeniedException unless whoever is signed in has at least this role */
    public static Actor require(Role least) {
        Actor actor = current();
        if (!actor.role().atLeast(least)) {
            throw new AccessDeniedException("That takes a " + least.words().toLowerCase(Locale.ROOT) + ".");
        }
        return actor;
    }
}
