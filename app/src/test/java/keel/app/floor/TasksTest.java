package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import keel.app.bench.Drying;
import keel.app.floor.web.Headline;
import keel.app.guides.Guidebook;
import keel.app.guides.Guides;
import keel.app.prints.LookIns;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.support.PageTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What the fleet says: the headline, why in three words, and what needs hands in which order. */
class TasksTest extends PageTest {

    @Autowired
    private Guides guides;

    @Autowired
    private Runs runs;

    @Autowired
    private Guidebook guidebook;

    @Autowired
    private LookIns lookIns;

    @Autowired
    private Drying drying;

    private List<Task> tasks(String... machines) {
        return Tasks.of(
                Arrays.stream(machines).map(shop::now).toList(),
                guides.open().stream()
                        .filter(g -> List.of(machines).contains(g.machine()))
                        .toList(),
                lookIns.due(Instant.now()).stream()
                        .filter(l -> List.of(machines).contains(l.machine()))
                        .toList(),
                drying.now().stream()
                        .filter(d -> List.of(machines).contains(d.machine()))
                        .toList(),
                Map.of(),
                List.of(),
                guidebook.minutes(),
                Instant.now());
    }

    @Test
    void theHeadlineSaysWhatStandsInTheWay() {
        String free = shop.maskMachine();
        String held = shop.maskMachine();
        shop.run(held, 1, 4);
        String due = shop.maskMachine();
        shop.run(due, 1, 300);
        shop.service(due, "PLATE_CLEARED", 302);
        assertThat(Headline.of(List.of())).isEqualTo("No machines yet");
        assertThat(Headline.of(List.of(shop.now(free)))).isEqualTo("One machine, nothing stands in the way");
        assertThat(Headline.of(List.of(shop.now(free), shop.now(due)))).isEqualTo("Two machines, upkeep due on one");
        assertThat(Headline.of(List.of(shop.now(free), shop.now(due), shop.now(held))))
                .isEqualTo("Three machines, one must not print");
        assertThat(Brief.of(shop.now(due))).isEqualTo("Lubricate the Z axis");
        assertThat(Brief.of(shop.now(held))).isEqualTo("Plate not clear");
        assertThat(Brief.of(shop.now(free))).isEmpty();
    }

    @Test
    void whatIsBegunComesFirstThenWhatHoldsMostUrgentThenWhatIsDue() {
        String due = shop.maskMachine();
        shop.run(due, 1, 300);
        shop.service(due, "PLATE_CLEARED", 302);
        String held = shop.maskMachine();
        shop.run(held, 1, 4);
        shop.failure(held, 6, "wet-under-vat");
        String begun = shop.maskMachine();
        guides.begin(begun, "vat-inspection");
        assertThat(tasks(due, held, begun))
                .extracting(Task::machine, Task::what)
                .startsWith(tuple(begun, "Inspect the vat: go on"), tuple(held, "Clean up after a failure"))
                .containsSubsequence(
                        tuple(due, "Lubricate the Z axis"),
                        tuple(due, "Say what is not known"),
                        tuple(begun, "Say what is not known"));
        assertThat(page("/fleet")).contains("Inspect the vat: go on");
    }

    @Test
    void everyTaskLeadsToThePageThatDoesIt() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        shop.service(m, "MOVED", 6, "room", shop.now(m).room());
        assertThat(tasks(m))
                .extracting(Task::path)
                .contains("/machines/" + m + "/do/STANCE_CHECKED", "/machines/" + m + "/do/PLATE_CLEARED");
    }

    @Test
    void aPrintThatEndsSoonWantsSomebodyThere() {
        String m = shop.maskMachine();
        shop.run(m, 1, 2);
        shop.service(m, "PLATE_CLEARED", 4);
        runs.enter(new RunEntry(m, "Hinge", Instant.now().minusSeconds(3600), null, 900, 1.8, 40.0, null, null, null));
        assertThat(tasks(m)).anySatisfy(t -> {
            assertThat(t.what()).isEqualTo("Be there when it ends");
            assertThat(t.when()).isBetween(Instant.now(), Instant.now().plusSeconds(3600));
        });
    }

    @Test
    void aLookThatIsDueAndPartsThatDryStandAmongTheTasks() {
        String m = shop.maskMachine();
        shop.run(m, 1, 5);
        shop.service(m, "PLATE_CLEARED", 6);
        runs.enter(new RunEntry(m, "Hinge", Instant.now().minusSeconds(7200), null, 1500, 1.8, 40.0, null, null, null));
        assertThat(tasks(m)).anySatisfy(t -> {
            assertThat(t.what()).isEqualTo("Look in");
            assertThat(t.path()).isEqualTo("/runs/" + shop.now(m).run().id() + "/now");
        });
        runs.finish(shop.now(m).run().id(), null, "GOOD", null, null);
        accepted("/runs/" + runs.last(m).orElseThrow().id() + "/after", "clear", "true", "drying", "true");
        assertThat(tasks(m)).noneMatch(t -> t.what().equals("Look in")).anySatisfy(t -> {
            assertThat(t.what()).isEqualTo("Dries before the cure");
            assertThat(t.when())
                    .isBetween(Instant.now().plusSeconds(7000), Instant.now().plusSeconds(7300));
        });
    }
}
