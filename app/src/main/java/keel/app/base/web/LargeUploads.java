package keel.app.base.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.util.Locale;
import java.util.Set;
import keel.app.base.PhotoLimits;
import keel.app.base.ProblemAnswer;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Only sliced files may be very large, and only from somebody who is known: all else is refused before a byte of it is
 * written to the disk, whoever reads the form first.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 40)
class LargeUploads extends OncePerRequestFilter {

    static final Set<String> SLICED_FILES = Set.of("/api/v1/files/check", "/files");
    private static final long MOST_BYTES = 55L * 1024 * 1024;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean unsaid = request.getContentLengthLong() < 0 && request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null;
        if ((unsaid || request.getContentLengthLong() > MOST_BYTES) && !mayBeLarge(request)) {
            refuse(request, response);
            return;
        }
        chain.doFilter(request, response);
    }

    private static void refuse(HttpServletRequest request, HttpServletResponse response) throws IOException {
        if (request.getRequestURI().startsWith("/api/")) {
            ProblemAnswer.write(response, HttpStatus.PAYLOAD_TOO_LARGE, PhotoLimits.TOO_LARGE);
        } else {
            response.sendError(HttpStatus.PAYLOAD_TOO_LARGE.value(), PhotoLimits.TOO_LARGE);
        }
    }

    private static boolean signedIn(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session != null
                && session.getAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY) != null;
    }

    private static boolean mayBeLarge(HttpServletRequest request) {
        return SLICED_FILES.contains(request.getRequestURI())
                && (signedIn(request) || request.getHeader(HttpHeaders.AUTHORIZATION) != null);
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String type = request.getContentType();
        return type == null || !type.toLowerCase(Locale.ROOT).startsWith("multipart/");
    }
}
