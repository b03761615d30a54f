package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.options.LoadState;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;

/** The demo as it ships: every page passes axe in both themes, none scrolls sideways, and the first visit is light. */
class DemoPagesTest {

    private static final List<String> PAGES = List.of(
            "/fleet",
            "/machines/avocet",
            "/machines/bittern",
            "/machines/fulmar",
            "/machines/godwit",
            "/runs",
            "/runs/new",
            "/machines/egret/start",
            "/machines/bittern/start",
            "/runs/new?machine=bittern&after=true",
            "/runs/1",
            "/failures",
            "/failures/new?machine=egret",
            "/failures/1",
            "/failures/12?look=page-file",
            "/knowledge",
            "/knowledge/causes/film-worn",
            "/quirks",
            "/bench",
            "/bench?ended=true",
            "/vats/V3",
            "/vats/V8",
            "/vats/V3/inspect?take=uv",
            "/vats/V3/tone",
            "/vats/V8/tone",
            "/bench/batch",
            "/bench/films",
            "/bench/packs",
            "/bench/lives",
            "/machines/curlew/plate?footprint=60x40",
            "/machines/godwit/plate?show=FILM",
            "/machines/avocet/screen",
            "/machines/curlew/screen?photo=2",
            "/bench/screens?q=S2",
            "/bench/screens/S6",
            "/machines/fulmar/uv?take=all",
            "/machines/curlew/layers",
            "/machines/curlew/smoothing?x=true&y=false&between=false",
            "/machines/bittern/services/DRY_RUN",
            "/bench/spares?leadDays=30",
            "/runs/40/footprint",
            "/bench/models/tern-144",
            "/bench/models/needle-115",
            "/machines/curlew/guides/resin-change",
            "/machines/curlew/guides/pour",
            "/air/parts/1/guide",
            "/bench/batch?procedure=film-cleaning&vats=V8",
            "/machines/curlew/services/FILM_CHANGE",
            "/machines/godwit/services/TANK_CHANGE",
            "/machines/avocet/services/LEVELLING",
            "/machines/avocet/pour",
            "/stores",
            "/stores/nitrile-gloves",
            "/stores/bottles",
            "/stores/buying",
            "/stores/count",
            "/costs?days=365&machine=curlew&resinMl=85&hours=5.5",
            "/costs/runs/40",
            "/stores/resins/cast-amber",
            "/stores/bottles/B1",
            "/wash",
            "/waste",
            "/waste/sheet",
            "/incidents",
            "/incidents/SPILL",
            "/air",
            "/air/rooms/long-room",
            "/air/rooms/annexe?span=month",
            "/air/rooms/annexe/plan",
            "/air/panel",
            "/logbook",
            "/setup",
            "/setup/models/new",
            "/setup/machines/avocet",
            "/setup/people",
            "/account",
            "/hand-over",
            "/nowhere",
            "/guides",
            "/machines/bittern/guides/clean-up",
            "/labels",
            "/quick?line=d",
            "/machines/avocet/level",
            "/machines/avocet/first-layer",
            "/machines/dunlin/guides/commissioning",
            "/machines/dunlin/run",
            "/machines/egret/after",
            "/machines/curlew/stance",
            "/machines/fulmar/level?by=drag&side=5",
            "/machines/egret/tilt?length=110&height=26",
            "/machines/bittern/profiles",
            "/machines/bittern/profiles/reed-grey",
            "/machines/egret/profiles/new?resin=silt-tough",
            "/machines/fulmar/profiles/cast-amber/curve",
            "/machines/fulmar/profiles/cast-amber/scale",
            "/setup/gate",
            "/how-a-layer-is-made",
            "/instruments/curlew",
            "/machines/curlew/level?take=all");

    private final KeelProcess keel = Demo.keel();
    private final Browsing browsing = Demo.browsing();

    /**
     * Each page is loaded once: axe in the day, contrast in amber, then on a tablet, enlarged and on a phone. Two
     * browsers share them.
     */
    @Test
    void everyPageIsAccessibleInBothThemesAndNeverScrollsSideways() throws Exception {
        ExecutorService two = Executors.newFixedThreadPool(2);
        try {
            List<Future<List<String>>> halves = two.invokeAll(List.of(() -> tooWide(0), () -> tooWide(1)));
            for (Future<List<String>> half : halves) {
                assertThat(half.get()).as("pages that scroll sideways").isEmpty();
            }
        } finally {
            two.shutdownNow();
        }
    }

    /** Every second page, from this one on: its faults fail at once, the widths that scroll sideways are answered. */
    private List<String> tooWide(int from) {
        List<String> wide = new ArrayList<>();
        try (Browsing own = new Browsing(keel.address())) {
            Page page = own.signedIn("owner", "saltmarsh-owner", 1280, 800);
            own.theme(page, "day");
            for (int i = from; i < PAGES.size(); i += 2) {
                String path = PAGES.get(i);
                page.setViewportSize(1280, 800);
                assertThat(page.navigate(path).status()).as(path).isEqualTo(path.equals("/nowhere") ? 404 : 200);
                Browsing.accessible(page);
                page.evaluate("document.documentElement.dataset.theme = 'amber'");
                Browsing.readable(page);
                for (int[] size : new int[][] {{1024, 768}, {640, 400}, {390, 844}}) {
                    page.setViewportSize(size[0], size[1]);
                    if ((Boolean) page.evaluate("document.documentElement.scrollWidth > window.innerWidth")) {
                        wide.add(path + " at " + size[0]);
                    }
                }
            }
            Page outside = own.page(1280, 800);
            outside.navigate("/sign-in");
            Browsing.accessible(outside);
        }
        return wide;
    }

    @Test
    void theFirstVisitLoadsLessThan300kBAndNothingFromElsewhere() {
        Page page = browsing.page(1280, 800);
        List<String> elsewhere = new ArrayList<>();
        List<Response> responses = new ArrayList<>();
        List<String> complaints = new ArrayList<>();
        page.onConsoleMessage(m -> {
            if (m.type().equals("error")) {
                complaints.add(m.text());
            }
        });
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
        assertThat(complaints)
                .as("what the browser complains of, the content security policy for one")
                .isEmpty();
        assertThat(bytes).isLessThan(300_000);
    }

    @Test
    void theFleetShowsEachStateAndKeysLeadToThePlaces() {
        Page page = browsing.keeper(1280, 800);
        for (String word : List.of("Ready", "Hold", "Due", "Watch", "Running")) {
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
