package keel.app.people;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.web.filter.OncePerRequestFilter;

/** While there is nobody, every page leads to the one that makes the owner's account. */
class FirstRunFilter extends OncePerRequestFilter {

    private final People people;
    private volatile boolean somebody;

    FirstRunFilter(People people) {
        this.people = people;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        somebody = somebody || !people.nobodyYet();
        if (somebody || request.getRequestURI().equals("/first")) {
            chain.doFilter(request, response);
        } else {
            response.sendRedirect("/first");
        }
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String path = request.getRequestURI();
        return OpenPages.open(path) || path.startsWith("/api/") || path.startsWith("/control/");
    }
}
