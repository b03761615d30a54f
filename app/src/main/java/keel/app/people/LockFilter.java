package keel.app.people;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** A tablet that was left alone asks who is there before it shows or writes anything. */
class LockFilter extends OncePerRequestFilter {

    private static final Set<String> OPEN = Set.of("/back-in", "/sign-out", "/theme", "/sign-in", "/error");

    /** What asks by itself, once a minute, on every open page. */
    private static final String OF_ITSELF = "looks";

    private final Sitting sitting;
    private final IdleTime idle;

    LockFilter(Sitting sitting, IdleTime idle) {
        this.sitting = sitting;
        this.idle = idle;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        HttpSession session = request.getSession(false);
        boolean locked = who != null
                && who.getPrincipal() instanceof Actor
                && session != null
                && sitting.locked(session, idle.idleMinutes(), !OF_ITSELF.equals(request.getHeader("HX-Trigger")));
        if (!locked) {
            chain.doFilter(request, response);
        } else if (Door.asksForAPiece(request)) {
            Door.shut(response, "locked");
        } else if (request.getMethod().equals("GET")) {
            String query = request.getQueryString() == null ? "" : "?" + request.getQueryString();
            response.sendRedirect(
                    "/back-in?to=" + URLEncoder.encode(request.getRequestURI() + query, StandardCharsets.UTF_8));
        } else {
            response.setStatus(HttpStatus.SEE_OTHER.value());
            response.setHeader("Location", "/back-in?to=/fleet");
        }
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String path = request.getRequestURI();
        return OPEN.contains(path) || OpenPages.open(path);
    }
}
