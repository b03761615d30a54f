package keel.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * Each page is loaded once: the Nu checker and axe in the day, then on a tablet, enlarged and on a phone. Colours, in
 * the day and in amber, are looked at on the first page of each template; what shows further pages of it is the same.
 */
abstract class PagesWalk extends DemoWalk {

    private static final int[][] SIZES = {{1024, 768}, {640, 400}, {390, 844}};

    /** Addresses, those of one template together. */
    abstract List<List<String>> pages();

    @Test
    void everyPageIsAccessibleAndNeverScrollsSideways() {
        Page page = browsing.signedIn("owner", "saltmarsh-owner", 1280, 800);
        browsing.theme(page, "day");
        List<String> wide = new ArrayList<>();
        for (List<String> template : pages()) {
            for (String path : template) {
                page.setViewportSize(1280, 800);
                Response answer = page.navigate(path);
                assertThat(answer.status()).as(path).isEqualTo(path.equals("/nowhere") ? 404 : 200);
                boolean first = path.equals(template.get(0));
                if (first) {
                    NuChecker.valid(path, answer.text());
                }
                look(page, first);
                wide.addAll(tooWide(page, path));
            }
        }
        assertThat(wide).as("pages that scroll sideways").isEmpty();
    }

    private static void look(Page page, boolean first) {
        if (first) {
            Browsing.accessible(page);
            page.evaluate("document.documentElement.dataset.theme = 'amber'");
            Browsing.readable(page);
        } else {
            Browsing.accessibleButForColours(page);
        }
    }

    private static List<String> tooWide(Page page, String path) {
        List<String> wide = new ArrayList<>();
        for (int[] size : SIZES) {
            page.setViewportSize(size[0], size[1]);
            if ((Boolean) page.evaluate("document.documentElement.scrollWidth > window.innerWidth")) {
                wide.add(path + " at " + size[0]);
            }
        }
        return wide;
    }
}
