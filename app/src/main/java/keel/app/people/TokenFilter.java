package keel.app.people;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import keel.app.base.ProblemAnswer;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
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
        String token = token(request);
        Optional<Actor> actor = token == null ? Optional.empty() : people.byToken(token);
        if (actor.isPresent()) {
            if (!people.reaches(token, request.getMethod(), request.getRequestURI())) {
                ProblemAnswer.write(response, HttpStatus.FORBIDDEN, "This token does not reach that far.");
                return;
            }
            SecurityContext context = SecurityContextHolder.createEmptyContext();
            context.setAuthentication(PasswordSignIn.signedIn(actor.get()));
            SecurityContextHolder.setContext(context);
        }
        chain.doFilter(request, response);
    }

    private static String token(HttpServletRequest request) {
        String header = request.getHeader(HttpHeaders.AUTHORIZATION);
        if (header != null && header.regionMatches(true, 0, SCHEME, 0, SCHEME.length())) {
            return header.substring(SCHEME.length()).strip();
        }
        return request.getRequestURI().endsWith(TokenScope.CALENDAR_PATH) ? request.getParameter("token") : null;
    }
}
