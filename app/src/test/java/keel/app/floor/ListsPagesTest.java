package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.regex.Pattern;
import keel.app.failures.FailureEntry;
import keel.app.failures.Failures;
import keel.app.support.PageTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The lists of runs and failures: what is asked of them stands in the address, and goes out as a table. */
class ListsPagesTest extends PageTest {

    @Autowired
    private Failures failures;

    @Autowired
    private QuickLines lines;

    private String failed(String... machines) {
        for (String m : machines) {
            failures.log(new FailureEntry(m, null, null, List.of("tacky"), List.of(), List.of(), "note of " + m));
        }
        return machines[0];
    }

    @Test
    void failuresAreSoughtByMachineCauseAndDayAndTakenAlong() {
        String m = failed(shop.maskMachine());
        String other = failed(shop.maskMachine());
        long named = failures.log(new FailureEntry(m, null, null, List.of("bare-plate"), List.of(), List.of(), null))
                .id();
        accepted("/failures/" + named + "/cause", "cause", "film-worn", "certainty", "PRESUMED");
        String page = page("/failures?machine=" + m);
        assertThat(page).contains("What they were put down to", "Not named yet", "cause=film-worn");
        long unknown = failures.log(new FailureEntry(m, null, null, List.of("warped"), List.of(), List.of(), null))
                .id();
        accepted("/failures/" + unknown + "/cause", "certainty", "UNKNOWN");
        assertThat(failures.causes(m, Instant.EPOCH))
                .as("one that nobody will ever know is not one that nobody named yet")
                .containsExactly(new Failures.OfCause(null, 1), new Failures.OfCause("film-worn", 1));
        String worn = page("/failures?machine=" + m + "&cause=film-worn");
        assertThat(worn)
                .contains("Only those put down to", "/failures/" + named)
                .doesNotContain("Tacky</");
        String csv = shown("/failures.csv?machine=" + m).html();
        assertThat(csv).startsWith("id,seenAt,machine,symptoms").contains("bare-plate", "film-worn", "note of " + m);
        assertThat(csv).doesNotContain("note of " + other);
        assertThat(shown("/failures.csv?machine=" + m + "&cause=film-worn").html())
                .doesNotContain("note of");
        assertThat(shown("/failures.csv?machine=" + m + "&from=2090-01-01").html())
                .doesNotContain("note of");
        assertThat(page("/failures?machine=" + m + "&from=2090-01-01")).contains("No failures here");
        assertThat(page("/failures?machine=" + m + "&page=0&open=true")).contains("open=true");
    }

    @Test
    void runsAreSoughtByDayAndTakenAlong() {
        String m = shop.maskMachine();
        shop.run(m, 2, 4);
        assertThat(page("/runs?machine=" + m + "&from=2025-01-01&to=2025-01-01"))
                .contains("Latch pattern");
        assertThat(page("/runs?machine=" + m + "&from=2025-01-02")).contains("No runs here");
        String csv = shown("/runs.csv?machine=" + m).html();
        assertThat(csv).startsWith("id,startedAt,endedAt,machine,job").contains(m + ",Latch pattern,GOOD,1000");
        assertThat(shown("/runs.csv?machine=" + m + "&text=nothing").html()).doesNotContain("Latch");
    }

    @Test
    void everyLineOfTheLogbookThatLeadsSomewhereLeadsToAPage() {
        String m = failed(shop.maskMachine());
        shop.run(m, 2, 4);
        shop.service(m, "LEVELLING", 6, "school", "PAPER");
        String item = shop.item("Wipes", 5);
        lines.commit(item + " -2");
        lines.commit(shop.now(m).room() + " 20,5");
        lines.commit(m + " film hazy");
        List<String> to = Pattern.compile("<div><a href=\"(/[^\"]+)\"")
                .matcher((page("/logbook") + page("/logbook?machine=" + m)).replaceAll(">\\s+<", "><"))
                .results()
                .map(r -> r.group(1))
                .distinct()
                .toList();
        assertThat(to).anyMatch(p -> p.startsWith("/runs/")).anyMatch(p -> p.startsWith("/failures/"));
        assertThat(to).contains("/stores/" + item, "/air", "/machines/" + m + "/history");
        assertThat(to).anyMatch(p -> p.startsWith("/vats/"));
        to.forEach(p -> assertThat(status(p)).as(p).isEqualTo(200));
    }

    @Test
    void aDayThatIsNoneIsSaidInWords() {
        shop.as("keeper");
        assertThat(shown("/runs?from=soon").status()).isEqualTo(422);
        assertThat(shown("/runs?from=soon").html()).contains("This is no day and no instant: soon");
        assertThat(shown("/failures?to=soon").html()).contains("This is no day and no instant: soon");
        assertThat(status("/failures.csv?to=soon")).isEqualTo(422);
    }
}
