package keel.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.ConsoleMessage;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ReducedMotion;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.regex.Pattern;

/** A browser that looks at one running application. */
final class Browsing implements AutoCloseable {

    private static final List<String> WCAG_22_AA = List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa");

    private static final List<String> OF_COLOUR = List.of("color-contrast", "link-in-text-block");
    private static final Pattern REFUSED = Pattern.compile(
            "^Failed to load resource: (the server responded with a status of 4|net::ERR_(INTERNET|FAILED))"
                    + "|^htmx:(afterRequest|sendError), |^Service Worker registration blocked");

    private final Playwright playwright;
    private final Browser browser;
    private final String address;
    private final Queue<String> complaints = new ConcurrentLinkedQueue<>();
    private final Map<String, String> sessions = new HashMap<>();

    Browsing(String address) {
        this(address, List.of());
    }

    /** A browser that hears this recording, WAV, whenever a page asks for the microphone. */
    static Browsing hearing(String address, Path recording) {
        return new Browsing(
                address,
                List.of(
                        "--use-fake-ui-for-media-stream",
                        "--use-fake-device-for-media-stream",
                        "--use-file-for-fake-audio-capture=" + recording));
    }

    private Browsing(String address, List<String> more) {
        this.address = address;
        List<String> args = new ArrayList<>(List.of(
                "--no-sandbox",
                "--disable-gpu",
                "--disable-background-networking",
                "--disable-component-update",
                "--disable-sync"));
        args.addAll(more);
        this.playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        this.browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of(System.getProperty("keel.chromium", "/usr/bin/chromium")))
                        .setArgs(args));
    }

    /** A page on a screen of this size, nobody signed in. */
    Page page(int width, int height) {
        return page(width, height, null, ServiceWorkerPolicy.BLOCK);
    }

    /** The same with the cookies of an earlier one. */
    private Page page(int width, int height, String cookies, ServiceWorkerPolicy workers) {
        BrowserContext context = browser.newContext(new Browser.NewContextOptions()
                .setViewportSize(width, height)
                .setStorageState(cookies)
                .setServiceWorkers(workers)
                .setBaseURL(address)
                .setIgnoreHTTPSErrors(true)
                .setReducedMotion(ReducedMotion.REDUCE));
        context.setDefaultTimeout(20_000);
        context.onConsoleMessage(this::heard);
        context.onWebError(error -> complaints.add(error.error()));
        PlaywrightAssertions.setDefaultAssertionTimeout(20_000);
        return context.newPage();
    }

    /**
     * What the browser complains of is kept, the content security policy above all; that a page answered with a
     * refusal, or that the network was cut, is what some tests are about.
     */
    private void heard(ConsoleMessage message) {
        boolean complaint = message.type().equals("error") || message.type().equals("warning");
        if (complaint && !REFUSED.matcher(message.text()).find()) {
            complaints.add(message.page().url() + ": " + message.text());
        }
    }

    /** Fails where the browser has complained of anything since the last call. */
    void noComplaints() {
        List<String> heard = new ArrayList<>();
        for (String one = complaints.poll(); one != null; one = complaints.poll()) {
            heard.add(one);
        }
        assertThat(heard).as("what the browser complained of").isEmpty();
    }

    /**
     * A page of somebody who is signed in; where they were before, with the session they had then, as long as it lasts:
     * trying a password is slow on purpose.
     */
    Page signedIn(String signIn, String password, int width, int height) {
        return signedIn(signIn, password, width, height, ServiceWorkerPolicy.BLOCK);
    }

    /** A keeper's page on a device that keeps what was read, for when there is no network. */
    Page keeperWithoutNetwork(int width, int height) {
        return signedIn("keeper", "saltmarsh-keeper", width, height, ServiceWorkerPolicy.ALLOW);
    }

    private Page signedIn(String signIn, String password, int width, int height, ServiceWorkerPolicy workers) {
        String session = sessions.get(signIn);
        Page page = page(width, height, session, workers);
        if (session != null) {
            page.navigate("/fleet");
        }
        if (!page.url().endsWith("/fleet")) {
            page.context().clearCookies();
            signIn(page, signIn, password);
            sessions.put(signIn, page.context().storageState());
        }
        return page;
    }

    private static void signIn(Page page, String signIn, String password) {
        page.navigate("/sign-in");
        page.fill("#username", signIn);
        page.fill("#password", password);
        page.click("main button:has-text('Sign in')");
        page.waitForURL("**/fleet");
    }

    Page keeper(int width, int height) {
        return signedIn("keeper", "saltmarsh-keeper", width, height);
    }

    /** The same for an operator. */
    Page operator(int width, int height) {
        return signedIn("operator", "saltmarsh-operator", width, height);
    }

    /** Day or amber, kept in this context. */
    void theme(Page page, String theme) {
        page.context().addCookies(List.of(new com.microsoft.playwright.options.Cookie("theme", theme).setUrl(address)));
        page.reload();
    }

    /**
     * Where an element lies once it lies still: a drawing that the server draws anew as one looks has no place for a
     * moment.
     */
    static BoundingBox restingPlace(Locator element) {
        element.scrollIntoViewIfNeeded();
        BoundingBox before = null;
        for (int look = 0; look < 100; look++) {
            BoundingBox now = element.boundingBox();
            if (now != null && before != null && before.x == now.x && before.y == now.y) {
                return now;
            }
            before = now;
            element.page().waitForTimeout(150);
        }
        throw new AssertionError("never came to rest: " + element);
    }

    /** Fails with what axe-core finds against WCAG 2.2 A and AA on the page as it stands. */
    static void accessible(Page page) {
        none(new AxeBuilder(page).withTags(WCAG_22_AA), page);
    }

    /** The same but for contrast: what another page of the same template has shown already. */
    static void accessibleButForColours(Page page) {
        none(new AxeBuilder(page).withTags(WCAG_22_AA).disableRules(OF_COLOUR), page);
    }

    /** What a theme can change: contrast. */
    static void readable(Page page) {
        none(new AxeBuilder(page).withRules(OF_COLOUR), page);
    }

    private static void none(AxeBuilder axe, Page page) {
        // in one go: pages have no frames, and looking through frames opens a page of its own each time
        List<String> found = axe.setLegacyMode(true).analyze().getViolations().stream()
                .map(rule -> rule.getId() + ": "
                        + rule.getNodes().stream()
                                .limit(3)
                                .map(n -> n.getHtml())
                                .toList())
                .toList();
        assertThat(found).as("axe on %s", page.url()).isEmpty();
    }

    @Override
    public void close() {
        browser.close();
        playwright.close();
        noComplaints();
    }
}
