package keel.app.base.once;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InterruptedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import keel.app.base.ProblemAnswer;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * A write that carries a key, as a program's header or a form's hidden field, is made once: sent again within a day it
 * gets the first answer. Behind the sign-in, so that a key belongs to one person.
 */
@Component
@Order(Ordered.LOWEST_PRECEDENCE - 100)
class OnceFilter extends OncePerRequestFilter {

    static final String HEADER = "Idempotency-Key";
    private static final int LONGEST_KEY = 100;
    private static final int LONGEST_BODY = 200_000;
    private static final long PATIENCE_S = 30;
    private static final Set<String> WRITES = Set.of("POST", "PUT", "PATCH", "DELETE");

    private final Once once;

    OnceFilter(Once once) {
        this.once = once;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String code = code(request);
        if (code == null || code.isBlank() || request.getUserPrincipal() == null) {
            chain.doFilter(request, response);
        } else if (code.length() > LONGEST_KEY) {
            ProblemAnswer.write(
                    response, HttpStatus.UNPROCESSABLE_ENTITY, "The key of a write has 100 characters at most.");
        } else {
            Sent sent = Sent.of(request);
            Once.Key key = new Once.Key(sent.who(), code, sent.sum());
            ReentrantLock lock = once.lock(key);
            if (!taken(lock)) {
                ProblemAnswer.write(
                        response, HttpStatus.SERVICE_UNAVAILABLE, "The first of two alike is not answered yet.");
                return;
            }
            try {
                answer(key, sent, response, chain);
            } finally {
                lock.unlock();
            }
        }
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !WRITES.contains(request.getMethod());
    }

    private static String code(HttpServletRequest request) {
        String header = request.getHeader(HEADER);
        return header != null || request.getRequestURI().startsWith("/api/")
                ? header
                : request.getParameter(FormKeys.FIELD);
    }

    private static boolean taken(ReentrantLock lock) throws InterruptedIOException {
        try {
            return lock.tryLock(PATIENCE_S, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new InterruptedIOException();
        }
    }

    private void answer(Once.Key key, Sent sent, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Optional<WrittenOnce> before = once.written(key);
        boolean same = before.isPresent() && before.get().requestSum.equals(key.sum());
        if (same) {
            again(before.get(), sent, response);
        } else if (before.isEmpty()) {
            first(key, sent, response, chain);
        } else if (sent.byProgram()) {
            ProblemAnswer.write(
                    response,
                    HttpStatus.UNPROCESSABLE_ENTITY,
                    "This key stood for another request before. Take a new key for each write.");
        } else {
            // somebody went back to the form and changed what it says
            chain.doFilter(sent, response);
        }
    }

    private void first(Once.Key key, Sent sent, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        ContentCachingResponseWrapper kept = new ContentCachingResponseWrapper(response);
        boolean done = false;
        once.begin(key);
        try {
            chain.doFilter(sent, kept);
            done = true;
        } finally {
            Optional<Long> record = once.end();
            if (record.isPresent() && done) {
                keep(record.get(), kept, sent);
            }
            kept.copyBodyToResponse();
        }
    }

    /** Of pages only where they lead to is kept: what they show, such as a new token, is nobody's to store. */
    private void keep(long record, ContentCachingResponseWrapper answer, Sent sent) {
        if (answer.getStatus() >= HttpStatus.BAD_REQUEST.value()
                && answer.getStatus() < HttpStatus.INTERNAL_SERVER_ERROR.value()) {
            once.forget(record);
            return;
        }
        byte[] body = answer.getContentAsByteArray();
        once.answered(
                record,
                answer.getStatus(),
                answer.getContentType(),
                answer.getHeader(HttpHeaders.LOCATION),
                body.length > LONGEST_BODY || !sent.byProgram() ? null : new String(body, StandardCharsets.UTF_8));
    }

    private static void again(WrittenOnce before, Sent sent, HttpServletResponse response) throws IOException {
        response.setHeader("Keel-Again", "true");
        boolean whole = sent.byProgram() ? before.body != null : before.location != null;
        if (before.status == null || !whole) {
            lost(sent, response);
            return;
        }
        response.setStatus(before.status);
        if (before.location != null) {
            response.setHeader(HttpHeaders.LOCATION, before.location);
        }
        if (before.mediaType != null) {
            response.setContentType(before.mediaType);
        }
        if (before.body != null) {
            response.getOutputStream().write(before.body.getBytes(StandardCharsets.UTF_8));
        }
    }

    /** It was written, and whoever answered was cut off before the answer was kept. */
    private static void lost(Sent sent, HttpServletResponse response) throws IOException {
        if (sent.byProgram()) {
            ProblemAnswer.write(
                    response,
                    HttpStatus.CONFLICT,
                    "This was written, once. What was answered then was lost on the way: read what stands there now.");
        } else if (sent.forAPieceOfAPage()) {
            response.setContentType("text/html;charset=UTF-8");
            response.getWriter().write("<p role=\"status\">It was written, once; only the answer was lost.</p>");
        } else {
            response.sendRedirect("/written");
        }
    }
}
