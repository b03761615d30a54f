package keel.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** From the fleet on, whatever the demo's pages lead to is there: no link ends in a fault or in nothing. */
class EveryLinkTest extends DemoWalk {

    private static final Pattern LINK = Pattern.compile("<a\\b[^>]*?href=\"(/[^\"#]*)");
    private static final Pattern NAME = Pattern.compile("/[^/?]*[0-9][^/?]*|=[^&]*");
    /** Of pages that differ only in a number or a name in their address, so many. */
    private static final int ALIKE = 2;

    private static final List<String> MACHINES =
            List.of("avocet", "bittern", "curlew", "dunlin", "egret", "fulmar", "godwit");

    private final Deque<String> toAsk = new ArrayDeque<>(List.of("/fleet", "/setup", "/help"));
    private final Set<String> seen = new HashSet<>(toAsk);
    private final Map<String, Integer> alike = new HashMap<>();

    @Test
    void whateverIsLinkedIsThere() {
        Page page = browsing.signedIn("owner", "saltmarsh-owner", 1280, 800);
        List<String> broken = new ArrayList<>();
        int asked = 0;
        while (!toAsk.isEmpty()) {
            String path = toAsk.poll();
            APIResponse answer = page.request().get(path);
            asked++;
            if (answer.status() != 200) {
                broken.add(answer.status() + " " + path);
            } else if (answer.headers().getOrDefault("content-type", "").startsWith("text/html")) {
                follow(answer.text());
            }
            answer.dispose();
        }
        assertThat(broken).isEmpty();
        assertThat(asked).as("pages reached").isGreaterThan(150);
    }

    private void follow(String html) {
        Matcher links = LINK.matcher(html);
        while (links.find()) {
            String path = links.group(1).replace("&amp;", "&");
            if (!path.startsWith("/static/") && seen.add(path) && alike.merge(shape(path), 1, Integer::sum) <= ALIKE) {
                toAsk.add(path);
            }
        }
    }

    private static String shape(String path) {
        String shape = NAME.matcher(path).replaceAll("*");
        for (String machine : MACHINES) {
            shape = shape.replace("/" + machine, "/*");
        }
        return shape;
    }
}
