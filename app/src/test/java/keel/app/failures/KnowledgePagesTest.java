package keel.app.failures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.entry;

import java.util.ArrayList;
import java.util.List;
import keel.app.support.PageTest;
import keel.core.knowledge.Knowledge;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The owner tunes the knowledge, and sees first what it would have said of the failures that are closed. */
class KnowledgePagesTest extends PageTest {

    @Autowired
    private Knowledge shipped;

    @Autowired
    private TunedKnowledge tuned;

    @Autowired
    private Failures failures;

    @Autowired
    private Verdicts verdicts;

    @BeforeEach
    void people() {
        shop.people();
    }

    @AfterEach
    void asItShips() {
        shop.as("owner");
        accepted("/knowledge/shipped");
    }

    @Test
    void theEffectIsShownBeforeAnythingIsSaved() {
        String machine = shop.maskMachine();
        for (int i = 0; i < 3; i++) {
            shop.as("keeper");
            long id = failures.log(new FailureEntry(machine, null, null, List.of("smoky-colour"), null, null, null))
                    .id();
            verdicts.nameCause(id, "machine-rocks", "PRESUMED", null);
        }
        shop.as("owner");
        String html = form("/knowledge/causes/machine-rocks", fields("machine-rocks", "900"))
                .html();
        assertThat(html)
                .contains(
                        "What it would have said of the failures you closed",
                        "machine-rocks, place",
                        "Of 150 from a simulated shop",
                        "Let these figures count");
        assertThat(tuned.now().cause("machine-rocks").orElseThrow().weight())
                .isEqualTo(shipped.cause("machine-rocks").orElseThrow().weight());
    }

    @Test
    void savedFiguresCountAndTheRestStays() {
        shop.as("owner");
        List<String> save = new ArrayList<>(List.of(fields("vat-bolts-loose", "7")));
        save.addAll(List.of(
                "save", "yes", "why", "Ours shake", "after", Long.toString(tuned.latest()), "shows.grinding", "1"));
        accepted("/knowledge/causes/vat-bolts-loose", save.toArray(String[]::new));
        Knowledge now = tuned.now();
        assertThat(now.cause("vat-bolts-loose").orElseThrow().weight()).isEqualTo(7);
        assertThat(now.cause("vat-bolts-loose").orElseThrow().strength("grinding"))
                .isEqualTo(1);
        assertThat(now.cause("vat-bolts-loose").orElseThrow().strength("vat-rides-up"))
                .isEqualTo(3);
        assertThat(tuned.tuning().weights()).containsOnlyKeys("vat-bolts-loose");
        assertThat(tuned.tuning().minutes())
                .as("what is as it ships is not held")
                .isEmpty();
        assertThat(now.cause("plate-tilted")).isEqualTo(shipped.cause("plate-tilted"));
        assertThat(page("/knowledge")).contains("Ours shake", "ships 1.5");
    }

    @Test
    void consequencesAndCostsAreTunedToo() {
        shop.as("owner");
        List<String> save = new ArrayList<>(List.of(fields("plate-burr", "1.56")));
        save.addAll(List.of(
                "save",
                "yes",
                "after",
                Long.toString(tuned.latest()),
                "leads.film-pierced",
                "40",
                "leadsTo",
                "debris-on-film",
                "leadsChance",
                "30",
                "mends",
                "55"));
        accepted("/knowledge/causes/plate-burr", save.toArray(String[]::new));
        assertThat(tuned.tuning().leads().get("plate-burr"))
                .containsOnly(entry("film-pierced", 0.4), entry("debris-on-film", 0.3));
        assertThat(tuned.tuning().mends()).containsOnly(entry("plate-burr", 55.0));
        assertThat(page("/knowledge/causes/plate-burr"))
                .contains("value=\"40\"", "value=\"30\"", "value=\"55\"", "Ships as 15");
    }

    @Test
    void whatWouldBringItselfAboutIsRefused() {
        shop.as("owner");
        List<String> round = new ArrayList<>(List.of(fields("film-pierced", "3")));
        round.addAll(List.of("leadsTo", "plate-burr", "leadsChance", "20"));
        refused(422, "would bring itself about", "/knowledge/causes/film-pierced", round.toArray(String[]::new));
        round.set(round.size() - 1, "200");
        refused(
                422,
                "The chance must be between 0 and 0.95",
                "/knowledge/causes/film-pierced",
                round.toArray(String[]::new));
    }

    @Test
    void whoeverWasSlowerIsToldSo() {
        shop.as("owner");
        List<String> save = new ArrayList<>(List.of(fields("film-worn", "3")));
        save.addAll(List.of("save", "yes", "after", "-1"));
        refused(
                409,
                "Somebody changed the knowledge meanwhile",
                "/knowledge/causes/film-worn",
                save.toArray(String[]::new));
    }

    @Test
    void nonsenseIsRefusedInWords() {
        shop.as("owner");
        refused(
                422,
                "The weight must be between 0.01 and 1000",
                "/knowledge/causes/film-worn",
                fields("film-worn", "-3"));
        refused(422, "errors", "/knowledge/causes/film-worn", fields("film-worn", "heavy"));
        List<String> save = new ArrayList<>(List.of(fields("film-worn", "3")));
        save.addAll(List.of("save", "yes", "after", "soon"));
        refused(422, "This is no whole number: soon.", "/knowledge/causes/film-worn", save.toArray(String[]::new));
        assertThat(status("/knowledge/causes/bad-luck")).isEqualTo(404);
    }

    @Test
    void onlyTheOwnerTunes() {
        shop.as("keeper");
        assertThat(form("/knowledge/causes/film-worn", fields("film-worn", "3")).status())
                .isEqualTo(403);
        assertThat(page("/knowledge/causes/film-worn")).contains("The owner tunes this");
    }

    private String[] fields(String cause, String weight) {
        List<String> all = new ArrayList<>(List.of("weight", weight));
        shipped.cause(cause)
                .orElseThrow()
                .shows()
                .forEach((symptom, strength) -> all.addAll(List.of("shows." + symptom, Integer.toString(strength))));
        return all.toArray(String[]::new);
    }
}
