package keel.app.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.access.AccessDeniedHandler;
import org.springframework.security.web.access.AccessDeniedHandlerImpl;
import org.springframework.security.web.csrf.CsrfException;

/**
 * Answers what is sent after its session ended. A script gets a word in a header and asks over the page, where what was
 * typed still stands; the rest goes to the sign-in.
 */
final class Door implements AccessDeniedHandler {

    static final String HEADER = "Keel-Door";

    private final AccessDeniedHandler usual = new AccessDeniedHandlerImpl();

    static boolean asksForAPiece(HttpServletRequest request) {
        return request.getHeader("HX-Request") != null;
    }

    /** @param why {@code sign-in}, {@code locked}, or {@code again} where only the form's key is out of date */
    static void shut(HttpServletResponse response, String why) throws IOException {
        response.setStatus(HttpStatus.UNAUTHORIZED.value());
        response.setHeader(HEADER, why);
        response.setContentType("text/plain;charset=UTF-8");
        response.getWriter().write("Nobody is signed in here any more. Nothing was written.");
    }

    @Override
    public void handle(HttpServletRequest request, HttpServletResponse response, AccessDeniedException e)
            throws IOException, jakarta.servlet.ServletException {
        boolean nobody = nobody();
        if (!(e instanceof CsrfException)) {
            usual.handle(request, response, e);
        } else if (asksForAPiece(request)) {
            shut(response, nobody ? "sign-in" : "again");
        } else if (nobody) {
            response.sendRedirect("/sign-in?ended");
        } else {
            usual.handle(request, response, e);
        }
    }

    private static boolean nobody() {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        return who == null || who instanceof AnonymousAuthenticationToken || !who.isAuthenticated();
    }
}
