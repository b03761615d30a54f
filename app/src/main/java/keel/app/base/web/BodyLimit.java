package keel.app.base.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import keel.app.base.ProblemAnswer;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** What programs send beside files is a megabyte at most, whether or not they say beforehand how much it is. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 50)
class BodyLimit extends OncePerRequestFilter {

    static final int MOST_BYTES = 1 << 20;
    static final String TOO_LARGE = "The body is larger than 1 MB. Send it in pieces.";

    /** More was sent than is read. */
    static final class TooLarge extends IOException {
        private TooLarge() {
            super(TOO_LARGE);
        }
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getContentLengthLong() > MOST_BYTES) {
            ProblemAnswer.write(response, HttpStatus.PAYLOAD_TOO_LARGE, TOO_LARGE);
        } else {
            try {
                chain.doFilter(new Limited(request), response);
            } catch (TooLarge e) {
                // somebody read it before the controllers
                ProblemAnswer.write(response, HttpStatus.PAYLOAD_TOO_LARGE, TOO_LARGE);
            }
        }
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String type = request.getContentType();
        return !request.getRequestURI().startsWith("/api/") || type != null && type.startsWith("multipart/");
    }

    private static final class Limited extends HttpServletRequestWrapper {

        private ServletInputStream in;

        Limited(HttpServletRequest request) {
            super(request);
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (in == null) {
                in = new LimitedStream(super.getInputStream());
            }
            return in;
        }
    }

    private static final class LimitedStream extends ServletInputStream {

        private final ServletInputStream from;
        private long left = MOST_BYTES;

        LimitedStream(ServletInputStream from) {
            this.from = from;
        }

        @Override
        public int read() throws IOException {
            int read = from.read();
            count(read < 0 ? 0 : 1);
            return read;
        }

        @Override
        public int read(byte[] into, int at, int length) throws IOException {
            int read = from.read(into, at, length);
            count(read);
            return read;
        }

        private void count(int read) throws TooLarge {
            left -= Math.max(0, read);
            if (left < 0) {
                throw new TooLarge();
            }
        }

        @Override
        public boolean isFinished() {
            return from.isFinished();
        }

        @Override
        public boolean isReady() {
            return from.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            from.setReadListener(listener);
        }
    }
}
