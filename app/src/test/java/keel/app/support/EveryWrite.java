package keel.app.support;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.lang.reflect.Parameter;
import java.lang.reflect.RecordComponent;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Sends nonsense to every address that writes: nothing, words where numbers belong, numbers nobody has, what is far too
 * long. Each must be refused in words or taken; none may break.
 */
public final class EveryWrite {

    private static final Set<String> LEFT_OUT = Set.of("/sign-out", "/first", "/control/backup");
    private static final Pattern FIELD = Pattern.compile("\\bname=\"([A-Za-z][A-Za-z0-9.]*)\"");
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int MOST_OF_ONE = 1;

    /** What stands in every field at once. */
    private static final List<Object> NONSENSE = List.of(
            "",
            "x",
            -1,
            1e308,
            "2026-13-45T99:00",
            "\u0000\uD800\u202E",
            "<script>'\"--",
            "9".repeat(400),
            List.of(),
            true);

    private final MockMvc mvc;
    private final RequestMappingHandlerMapping mappings;
    private final Addresses addresses;
    private final Authentication who = SecurityContextHolder.getContext().getAuthentication();
    private int sent;

    public EveryWrite(MockMvc mvc, RequestMappingHandlerMapping mappings, JdbcClient jdbc) {
        this.mvc = mvc;
        this.mappings = mappings;
        this.addresses = new Addresses(mappings, jdbc, false);
    }

    public int sent() {
        return sent;
    }

    /** What broke, a line each. */
    public List<String> broken() throws IOException {
        List<String> broken = new ArrayList<>();
        Set<String> fields = fields();
        for (RequestMethod method : List.of(RequestMethod.POST, RequestMethod.PUT, RequestMethod.DELETE)) {
            for (String pattern : addresses.patterns(method)) {
                if (!LEFT_OUT.contains(pattern)) {
                    for (String path : paths(pattern)) {
                        all(method, pattern, path, fields, broken);
                    }
                }
            }
        }
        return broken;
    }

    private List<String> paths(String pattern) {
        List<String> filled = pattern.contains("{") ? addresses.filled(pattern) : List.of(pattern);
        List<String> paths = new ArrayList<>(filled.subList(0, Math.min(MOST_OF_ONE, filled.size())));
        paths.add(Addresses.VARIABLE.matcher(pattern).replaceAll("1"));
        return paths;
    }

    private void all(RequestMethod method, String pattern, String path, Set<String> fields, List<String> broken) {
        boolean program = path.startsWith("/api/");
        Set<String> names = program ? members(method, pattern) : fields;
        send(bare(method, path), method + " " + path + " with nothing", broken);
        for (Object nonsense : NONSENSE) {
            MockHttpServletRequestBuilder request =
                    MockMvcRequestBuilders.request(org.springframework.http.HttpMethod.valueOf(method.name()), path);
            if (program) {
                request.contentType(MediaType.APPLICATION_JSON).content(json(names, nonsense));
            } else {
                names.forEach(n -> request.param(n, nonsense instanceof List ? "" : String.valueOf(nonsense)));
                request.with(csrf());
            }
            send(request, method + " " + path + " with " + shown(nonsense), broken);
        }
    }

    private static MockHttpServletRequestBuilder bare(RequestMethod method, String path) {
        MockHttpServletRequestBuilder request =
                MockMvcRequestBuilders.request(org.springframework.http.HttpMethod.valueOf(method.name()), path);
        return path.startsWith("/api/") ? request : request.with(csrf());
    }

    /** Where somebody who is not signed in got through, a line each. */
    public List<String> openToNobody() throws Exception {
        List<String> open = new ArrayList<>();
        for (RequestMethod method : List.of(RequestMethod.POST, RequestMethod.PUT, RequestMethod.DELETE)) {
            for (String pattern : addresses.patterns(method)) {
                if (!LEFT_OUT.contains(pattern)) {
                    String path = Addresses.VARIABLE.matcher(pattern).replaceAll("1");
                    SecurityContextHolder.clearContext();
                    MockHttpServletResponse answer =
                            mvc.perform(bare(method, path)).andReturn().getResponse();
                    boolean sentAway = answer.getStatus() == 302
                            && answer.getRedirectedUrl().contains("/sign-in");
                    if (!sentAway && answer.getStatus() != 401) {
                        open.add(answer.getStatus() + " " + method + " " + path);
                    }
                }
            }
        }
        return open;
    }

    private static String shown(Object nonsense) {
        String text = String.valueOf(nonsense);
        return text.length() > 30 ? text.substring(0, 30) + "…" : text;
    }

    private void send(MockHttpServletRequestBuilder request, String what, List<String> broken) {
        sent++;
        SecurityContextHolder.getContext().setAuthentication(who);
        try {
            int status = mvc.perform(request.with(authentication(who)))
                    .andReturn()
                    .getResponse()
                    .getStatus();
            if (status >= 500) {
                broken.add(status + " " + what);
            }
        } catch (Exception e) {
            Throwable root = e;
            while (root.getCause() != null) {
                root = root.getCause();
            }
            broken.add(what + ": " + root);
        }
    }

    private static String json(Set<String> names, Object nonsense) {
        Map<String, Object> body = new LinkedHashMap<>();
        names.forEach(n -> body.put(n, nonsense));
        try {
            return JSON.writeValueAsString(nonsense instanceof List ? nonsense : body);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Fields of the body that an address reads. */
    private Set<String> members(RequestMethod method, String pattern) {
        Set<String> names = new TreeSet<>();
        mappings.getHandlerMethods().forEach((info, handler) -> {
            if (info.getPatternValues().contains(pattern)
                    && info.getMethodsCondition().getMethods().contains(method)) {
                for (Parameter parameter : handler.getMethod().getParameters()) {
                    if (parameter.isAnnotationPresent(RequestBody.class)) {
                        names.addAll(members(parameter.getType()));
                    }
                }
            }
        });
        return names;
    }

    private static List<String> members(Class<?> body) {
        return body.isRecord()
                ? Stream.of(body.getRecordComponents())
                        .map(RecordComponent::getName)
                        .toList()
                : Stream.of(body.getFields()).map(f -> f.getName()).toList();
    }

    /** Every name that stands at a field of some form. */
    private static Set<String> fields() throws IOException {
        Set<String> names = new TreeSet<>();
        try (Stream<Path> files = Files.walk(Path.of("src/main/resources/templates"))) {
            for (Path file : files.filter(f -> f.toString().endsWith(".html")).toList()) {
                FIELD.matcher(Files.readString(file)).results().forEach(m -> names.add(m.group(1)));
            }
        }
        names.removeAll(Set.of("_csrf", "once", "viewport"));
        return names;
    }
}
