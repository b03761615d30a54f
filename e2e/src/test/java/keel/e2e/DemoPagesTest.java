package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.options.LoadState;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The demo as it ships: the first visit is light, each state is shown, keys lead to the places. */
class DemoPagesTest extends DemoWalk {

    private final KeelProcess keel = Demo.keel();

    @Test
    void theFirstVisitLoadsLessThan300kBAndNothingFromElsewhere() {
        Page page = browsing.page(1280, 800);
        List<String> elsewhere = new ArrayList<>();
        List<Response> responses = new ArrayList<>();
        page.onResponse(r -> {
            responses.add(r);
            if (!r.url().startsWith(keel.address())) {
                elsewhere.add(r.url());
            }
        });
        page.navigate("/sign-in");
        page.fill("#username", "keeper");
        page.fill("#password", "saltmarsh-keeper");
        page.click("button:has-text('Sign in')");
        page.waitForURL("**/fleet");
        page.waitForLoadState(LoadState.NETWORKIDLE);
        int bytes = responses.stream()
                .mapToInt(
                        r -> r.request().sizes().responseBodySize + r.request().sizes().responseHeadersSize)
                .sum();
        assertThat(elsewhere).isEmpty();
        assertThat(bytes).isLessThan(300_000);
    }

    @Test
    void theFleetShowsEachStateAndKeysLeadToThePlaces() {
        Page page = browsing.keeper(1280, 800);
        for (String word : List.of("Ready", "Hold", "Due", "Running")) {
            assertThat(page.locator("main")).containsText(word);
        }
        page.keyboard().press("g");
        page.keyboard().press("x");
        page.waitForURL("**/failures");
        page.keyboard().press("Shift+?");
        assertThat(page.locator("dialog#keys")).isVisible();
        page.keyboard().press("Escape");
        assertThat(page.locator("dialog#keys")).isHidden();
    }

    @Test
    void aTokenFromTheFileOpensTheInterface() throws Exception {
        var answer = java.net.http.HttpClient.newHttpClient()
                .send(
                        java.net.http.HttpRequest.newBuilder(java.net.URI.create(keel.address() + "/api/v1/machines"))
                                .header("Authorization", "Bearer " + keel.token())
                                .build(),
                        java.net.http.HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).isEqualTo(200);
        assertThat(answer.body()).contains("\"code\":\"avocet\"", "\"state\":\"RUNNING\"", "\"state\":\"HOLD\"");
    }
}
