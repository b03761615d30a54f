package keel.app.base.once;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.http.HttpHeaders;

/** A request with the sum of what was sent, by which a repeat is known from something new under the same key. */
final class Sent extends HttpServletRequestWrapper {

    private static final Set<String> OF_THE_FORM = Set.of(FormKeys.FIELD, "_csrf");

    private final byte[] body;
    private final String sum;

    private Sent(HttpServletRequest request, byte[] body) {
        super(request);
        this.body = body;
        this.sum = sum(request, body);
    }

    /** Files are not read twice: of a request with files the sum is of its length and its fields. */
    static Sent of(HttpServletRequest request) throws IOException {
        boolean program = request.getRequestURI().startsWith("/api/");
        return new Sent(
                request,
                program && !multipart(request) ? request.getInputStream().readAllBytes() : null);
    }

    String sum() {
        return sum;
    }

    /** A program's keys are its own, whoever made its token. */
    String who() {
        String token = byProgram() ? getHeader(HttpHeaders.AUTHORIZATION) : null;
        return getUserPrincipal().getName() + (token == null ? "" : " " + Integer.toHexString(token.hashCode()));
    }

    boolean byProgram() {
        return getRequestURI().startsWith("/api/");
    }

    /** Whether a script puts the answer into the page that is shown. */
    boolean forAPieceOfAPage() {
        return getHeader("HX-Request") != null && getHeader("HX-Boosted") == null;
    }

    private static boolean multipart(HttpServletRequest request) {
        return request.getContentType() != null && request.getContentType().startsWith("multipart/");
    }

    private static String sum(HttpServletRequest request, byte[] body) {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            add(digest, request.getMethod() + ' ' + request.getRequestURI() + '?' + request.getQueryString());
            if (body != null) {
                digest.update(body);
            } else {
                if (multipart(request)) {
                    add(digest, String.valueOf(request.getContentLengthLong()));
                }
                for (Map.Entry<String, String[]> field : new TreeMap<>(request.getParameterMap()).entrySet()) {
                    if (!OF_THE_FORM.contains(field.getKey())) {
                        add(digest, field.getKey() + '=' + Arrays.toString(field.getValue()));
                    }
                }
            }
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void add(MessageDigest digest, String text) {
        digest.update(text.getBytes(StandardCharsets.UTF_8));
        digest.update((byte) '\n');
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
        return body == null ? super.getInputStream() : new Again(new ByteArrayInputStream(body));
    }

    private static final class Again extends ServletInputStream {

        private final ByteArrayInputStream from;

        Again(ByteArrayInputStream from) {
            this.from = from;
        }

        @Override
        public int read() {
            return from.read();
        }

        @Override
        public int read(byte[] into, int at, int length) {
            return from.read(into, at, length);
        }

        @Override
        public boolean isFinished() {
            return from.available() == 0;
        }

        @Override
        public boolean isReady() {
            return true;
        }

        @Override
        public void setReadListener(ReadListener listener) {
            throw new UnsupportedOperationException();
        }
    }
}
