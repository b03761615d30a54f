package keel.app.people;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** Reads the bearer token of the open interface. */
class TokenFilter extends OncePerRequestFilter {

    private static final String SCHEME = "Bearer ";

    private final People people;

    TokenFilter(People people) {
        this.people = people;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String header = request.getHeader(HttpHeaders.AUTHORIZATION);
        Optional<Actor> actor = header != null && header.regionMatches(true, 0, SCHEME, 0, SCHEME.length())
                ? people.byToken(header.substring(SCHEME.length()).strip())
                : Optional.empty();
        if (actor.isPresent()) {
            SecurityContext context = SecurityContextHolder.createEmptyContext();
            context.setAuthentication(PasswordSignIn.signedIn(actor.get()));
            SecurityContextHolder.setContext(context);
        }
        chain.doFilter(request, response);
    }
}
