package keel.app.prints;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.support.PageTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What came of exposure strips, and the exposure that follows. */
class ShortestPagesTest extends PageTest {

    @Autowired
    private Logbook logbook;

    private String machine;
    private String path;

    @BeforeEach
    void profile() {
        machine = shop.maskMachine();
        String resin = shop.resin("Reed " + machine);
        accepted(
                "/machines/" + machine + "/profiles",
                "resin",
                resin,
                "school",
                "MAKER",
                "layerMm",
                "0.05",
                "bottomLayers",
                "5",
                "bottomExposureS",
                "20",
                "exposureS",
                "2",
                "liftMm",
                "5",
                "liftMmPerMin",
                "60",
                "retractMmPerMin",
                "60");
        path = "/machines/" + machine + "/profiles/" + resin + "/shortest";
    }

    private static String[] strips(String exposures, String seen, String depths, String... more) {
        List<String> fields = new ArrayList<>();
        for (String e : exposures.split(" ")) {
            fields.addAll(List.of("exposure", e));
        }
        for (String s : seen.split(" ")) {
            fields.addAll(List.of("seen", s.equals("-") ? "" : s));
        }
        for (String d : depths.split(" ")) {
            fields.addAll(List.of("depth", d.equals("-") ? "" : d));
        }
        fields.addAll(List.of(more));
        return fields.toArray(String[]::new);
    }

    @Test
    void theStripsStandAroundTheProfilesExposure() {
        assertThat(page(path)).contains("value=\"0.5\"", "value=\"2\"", "value=\"4\"", "/test-piece.stl");
    }

    @Test
    void theShortestIsShownProposedAndKept() {
        String[] seen = strips("1 1,5 2 2.5", "GONE SOFT HELD HELD", "- - - -");
        String html = form(path, seen).html();
        assertThat(html).contains("2.00 s a layer.", "set=exposureS&amp;to=2.00", "looked at, not measured");
        accepted(path, strips("1 1,5 2 2.5", "GONE SOFT HELD HELD", "- - - -", "keep", "true"));
        assertThat(logbook.lines(LogFilter.ofMachine(machine, 9))).anySatisfy(l -> assertThat(l.headline())
                .contains("Shortest exposure: 2.00 s hold, from 4 strips, looked at, not measured."));
    }

    @Test
    void halfARowAndTooFewAreSaidAndWhatWasTypedStays() {
        assertThat(refused(422, "Say what strip 2 looked like.", path, strips("1 2", "GONE -", "- 0,12")))
                .contains("value=\"0,12\"");
        refused(
                422,
                "Say how long strip 1 was lit.",
                path,
                "exposure",
                "",
                "exposure",
                "2",
                "seen",
                "HELD",
                "seen",
                "HELD");
        refused(422, "two strips at least", path, strips("1 2", "HELD -", "- -"));
        refused(422, "This is no number: long.", path, strips("long 2", "HELD HELD", "- -"));
    }

    @Test
    void thePieceIsAFileToSlice() {
        byte[] stl = file("/test-piece.stl").getContentAsByteArray();
        assertThat(stl).hasSizeGreaterThan(10_000);
        assertThat((stl.length - 84) % 50)
                .as("50 bytes a triangle after the head")
                .isZero();
    }
}
