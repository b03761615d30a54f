package keel.app.people;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import java.util.Set;
import keel.app.base.ProblemAnswer;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Answers to addresses, to names without a dot and to names of the shop's own network; another name must have been said
 * at the start. So a page of somebody else's, whose name was turned round to this address, gets nothing.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class HostFilter extends OncePerRequestFilter {

    private static final Set<String> OF_A_HOUSE = Set.of("local", "lan", "home", "internal", "localhost");

    private final Set<String> said;

    HostFilter(@Value("${keel.hosts:}") Set<String> said) {
        this.said = said;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (answersTo(request.getServerName())) {
            chain.doFilter(request, response);
        } else {
            ProblemAnswer.write(
                    response,
                    HttpStatus.BAD_REQUEST,
                    "This Vigilant Keel does not answer to that name. Start it with --host and the name.");
        }
    }

    boolean answersTo(String host) {
        String name = host == null ? "" : host.toLowerCase(Locale.ROOT);
        boolean address = name.startsWith("[") || name.contains(":") || name.matches("\\d+(\\.\\d+){3}");
        return address
                || !name.contains(".")
                || OF_A_HOUSE.contains(name.substring(name.lastIndexOf('.') + 1))
                || name.endsWith(".home.arpa")
                || said.contains(name);
    }
}
