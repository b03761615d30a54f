package keel.app.base;

import java.util.HashMap;
import java.util.Map;
import java.util.function.Supplier;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * Answers that several parts of a page ask for alike: given once while a page is read. A request that writes, and what
 * runs outside a request, asks each time.
 */
public final class OncePerRead {

    private static final String KEPT = OncePerRead.class.getName();

    private OncePerRead() {}

    /** @param key tells this answer from all others */
    @SuppressWarnings("unchecked")
    public static <T> T get(Object key, Supplier<T> answer) {
        Map<Object, Object> kept = kept();
        if (kept == null) {
            return answer.get();
        }
        if (!kept.containsKey(key)) {
            kept.put(key, answer.get());
        }
        return (T) kept.get(key);
    }

    @SuppressWarnings("unchecked")
    private static Map<Object, Object> kept() {
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request)
                || !request.getRequest().getMethod().equals("GET")) {
            return null;
        }
        Map<Object, Object> kept = (Map<Object, Object>) request.getAttribute(KEPT, RequestAttributes.SCOPE_REQUEST);
        if (kept == null) {
            kept = new HashMap<>();
            request.setAttribute(KEPT, kept, RequestAttributes.SCOPE_REQUEST);
        }
        return kept;
    }
}
