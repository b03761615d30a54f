package keel.app.support;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Asks for every address that answers GET, with every name of the shop that can stand in it and with one that cannot,
 * and says what did not answer as it should: a page, or plainly that there is no such thing.
 */
public final class EveryAddress {

    /** What some must be asked with. */
    private static final Map<String, String> ASKED_WITH = Map.of(
            "/api/v1/bolts", "?count=16",
            "/api/v1/film/spacer", "?spanMm=144&strainPercent=1",
            "/api/v1/screen/test-picture", "?pattern=WHITE&pixelsX=1280&pixelsY=720");

    private static final int BROKE = 599;
    private static final String NOBODYS = "nobodys";

    private final MockMvc mvc;
    private final Addresses addresses;
    private final Authentication who = SecurityContextHolder.getContext().getAuthentication();
    private final Map<String, Exception> broke = new LinkedHashMap<>();
    private int asked;

    public EveryAddress(MockMvc mvc, RequestMappingHandlerMapping mappings, JdbcClient jdbc) {
        this.mvc = mvc;
        this.addresses = new Addresses(mappings, jdbc, true);
    }

    /** How many addresses were asked for. */
    public int asked() {
        return asked;
    }

    /** What answered otherwise, a line each; the whole list is empty where all is well. */
    public List<String> wrong() {
        List<String> wrong = new ArrayList<>();
        for (String pattern : addresses.patterns(RequestMethod.GET)) {
            for (String name : addresses.filled(pattern)) {
                String path = name + ASKED_WITH.getOrDefault(pattern, "");
                int status = status(path);
                boolean sensible = status == 200 || status == 404 && pattern.contains("{");
                if (!sensible) {
                    wrong.add(status + " " + path + (status == BROKE ? " " + broke.get(path) : ""));
                }
            }
            if (pattern.contains("{")) {
                String unknown = Addresses.VARIABLE.matcher(pattern).replaceAll(NOBODYS);
                int status = status(unknown);
                boolean unreadable = status == 400 && pattern.startsWith("/api/");
                if (status != 404 && !unreadable) {
                    wrong.add(status + " instead of 404 " + unknown);
                }
            }
        }
        return wrong;
    }

    /** The status, where it leads elsewhere that of where it led to; 599 where it broke. */
    private int status(String path) {
        asked++;
        SecurityContextHolder.getContext().setAuthentication(who);
        try {
            MvcResult result = mvc.perform(MockMvcRequestBuilders.get(path).with(authentication(who)))
                    .andReturn();
            MockHttpServletResponse response = result.getRequest().isAsyncStarted()
                    ? mvc.perform(MockMvcRequestBuilders.asyncDispatch(result))
                            .andReturn()
                            .getResponse()
                    : result.getResponse();
            String to = response.getRedirectedUrl();
            return to == null ? response.getStatus() : status(to);
        } catch (Exception e) {
            broke.put(path, e);
            return BROKE;
        }
    }
}
