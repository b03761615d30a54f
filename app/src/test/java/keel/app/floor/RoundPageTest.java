package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.app.floor.round.Rounds;
import keel.app.floor.web.Headline;
import keel.app.guides.Guides;
import keel.app.people.Actor;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.support.PageTest;
import keel.core.round.Chore;
import keel.core.round.ChoreKind;
import keel.core.round.Round;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What the fleet says: the headline, why in three words, and what needs hands, machine by machine and in one round. */
class RoundPageTest extends PageTest {

    @Autowired
    private Guides guides;

    @Autowired
    private Runs runs;

    @Autowired
    private Rounds rounds;

    private List<Round.Line> at(String machine) {
        return rounds.at(shop.now(machine), null, Rounds.Who.of(Actor.current()))
                .lines();
    }

    private List<Chore> chores(String machine) {
        return at(machine).stream().map(Round.Line::chore).toList();
    }

    private Rounds.Shown all() {
        return rounds.of(null, 1, Rounds.Who.of(Actor.current()));
    }

    private Optional<Round.Line> inRound(String key) {
        return all().round().items().stream()
                .filter(l -> l.chore().key().equals(key))
                .findFirst();
    }

    private String held() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        return m;
    }

    private void asOperator(Runnable what) {
        shop.as("operator");
        what.run();
        shop.as("keeper");
    }

    private static String clear(String machine) {
        return "HOLD:" + machine + ":plate-not-clear";
    }

    @Test
    void theHeadlineSaysWhatStandsInTheWay() {
        String free = shop.maskMachine();
        String held = held();
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
    void whatHoldsAMachineComesBeforeWhatIsOnlyDue() {
        String m = shop.maskMachine();
        shop.run(m, 1, 300);
        assertThat(chores(m))
                .extracting(Chore::kind, Chore::what)
                .containsSubsequence(
                        tuple(ChoreKind.HOLD, "Clear the plate"), tuple(ChoreKind.UPKEEP, "Lubricate the Z axis"));
    }

    @Test
    void aGuideThatWasPutDownStandsInTheRound() {
        String m = shop.maskMachine();
        guides.begin(m, "vat-inspection");
        assertThat(chores(m)).extracting(Chore::what).contains("Inspect the vat: go on", "Say what is not known");
        assertThat(page("/round")).contains("Inspect the vat: go on");
    }

    @Test
    void everyChoreLeadsToThePageThatDoesIt() {
        String m = held();
        shop.service(m, "MOVED", 6, "room", shop.now(m).room());
        assertThat(chores(m))
                .extracting(Chore::path)
                .contains("/machines/" + m + "/do/STANCE_CHECKED", "/machines/" + m + "/do/PLATE_CLEARED");
    }

    @Test
    void aPrintThatEndsSoonWantsSomebodyThere() {
        String m = shop.maskMachine();
        shop.run(m, 1, 2);
        shop.service(m, "PLATE_CLEARED", 4);
        runs.enter(new RunEntry(m, "Hinge", Instant.now().minusSeconds(3600), null, 900, 1.8, 40.0, null, null, null));
        assertThat(at(m)).anySatisfy(l -> {
            assertThat(l.chore().what()).isEqualTo("Be there when it ends");
            assertThat(l.chore().from()).isBetween(Instant.now(), Instant.now().plusSeconds(3600));
            assertThat(l.startAt()).isAfterOrEqualTo(l.chore().from());
        });
    }

    @Test
    void aLookThatIsDueAndPartsThatDryStandInIt() {
        String m = shop.maskMachine();
        shop.run(m, 1, 5);
        shop.service(m, "PLATE_CLEARED", 6);
        runs.enter(new RunEntry(m, "Hinge", Instant.now().minusSeconds(7200), null, 1500, 1.8, 40.0, null, null, null));
        assertThat(chores(m)).anySatisfy(c -> {
            assertThat(c.what()).isEqualTo("Look in");
            assertThat(c.path()).isEqualTo("/runs/" + shop.now(m).run().id() + "/now");
            assertThat(c.waiting().perHour()).isPositive();
        });
        runs.finish(shop.now(m).run().id(), null, "GOOD", null, null);
        accepted("/runs/" + runs.last(m).orElseThrow().id() + "/after", "clear", "true", "drying", "true");
        assertThat(chores(m)).noneMatch(c -> c.what().equals("Look in")).anySatisfy(c -> {
            assertThat(c.what()).isEqualTo("Dries before the cure");
            assertThat(c.from())
                    .isBetween(Instant.now().plusSeconds(7000), Instant.now().plusSeconds(7300));
        });
    }

    @Test
    void whatWasPutOffIsNotForTodayAndComesBackWhenAsked() {
        String m = held();
        accepted("/round/not-now", "chore", clear(m), "reason", "CAN_WAIT", "until", "TOMORROW");
        assertThat(inRound(clear(m))).isEmpty();
        assertThat(all().putOff()).containsKey(clear(m));
        assertThat(all().round().notToday())
                .filteredOn(l -> l.chore().key().equals(clear(m)))
                .singleElement()
                .satisfies(l -> assertThat(l.startAt())
                        .isAfter(Instant.now())
                        .isBefore(Instant.now().plus(Duration.ofHours(40))));
        int before = all().canWait().get(ChoreKind.HOLD);
        accepted("/round/not-now", "chore", clear(m), "reason", "CAN_WAIT", "until", "TOMORROW");
        assertThat(all().canWait()).as("said twice is said once").containsEntry(ChoreKind.HOLD, before);
        accepted("/round/back", "chore", clear(m));
        assertThat(inRound(clear(m))).isPresent();
        assertThat(all().canWait().getOrDefault(ChoreKind.HOLD, 0)).isEqualTo(before - 1);
    }

    @Test
    void whatSomebodyTookStaysFirstForThemAndIsNotAskedOfOthers() {
        String m = held();
        accepted("/round/mine", "chore", clear(m));
        accepted("/round/mine", "chore", clear(m));
        assertThat(all().round().items().stream()
                        .filter(l -> !l.chore().kind().aboutPeople())
                        .findFirst())
                .as("first of all that harms nobody")
                .hasValueSatisfying(l -> {
                    assertThat(l.chore().key()).isEqualTo(clear(m));
                    assertThat(l.mine()).isTrue();
                });
        asOperator(() -> {
            assertThat(inRound(clear(m))).isEmpty();
            assertThat(all().others()).containsKey(clear(m));
            assertThat(page("/round")).contains("Somebody else has");
            assertThat(page("/machines/" + m)).contains(", Kees has it");
            refused(409, "has taken it already", "/round/mine", "chore", clear(m));
        });
        accepted("/round/back", "chore", clear(m));
        asOperator(() -> assertThat(inRound(clear(m))).isPresent());
    }

    @Test
    void whatIsDoneOrNonsenseIsRefusedInWords() {
        String m = held();
        shop.service(m, "PLATE_CLEARED", 6);
        refused(404, "done, or gone", "/round/mine", "chore", clear(m));
        String other = held();
        refused(422, "Say why", "/round/not-now", "chore", clear(other));
        refused(422, "Say why", "/round/not-now", "chore", clear(other), "reason", "MINE");
        assertThat(status("/round?minutes=-3")).isEqualTo(422);
        assertThat(status("/round?people=9")).isEqualTo(422);
    }

    @Test
    void theBestOfAFewMinutesFitsIntoThem() {
        held();
        assertThat(page("/round?minutes=25&people=2"))
                .contains(
                        "/round?minutes=10&amp;people=2",
                        "/round?minutes=25&amp;people=3",
                        "/round/sheet?minutes=25&amp;people=2");
        Rounds.Shown few = rounds.of(5.0, 1, Rounds.Who.of(Actor.current()));
        assertThat(few.round().items().stream()
                        .mapToDouble(l -> l.chore().minutes())
                        .sum())
                .isLessThanOrEqualTo(5);
        assertThat(few.round().items().size() + few.round().notToday().size())
                .isEqualTo(
                        all().round().items().size() + all().round().notToday().size());
    }

    @Test
    void theSheetForTheWallHasABoxAndACodeForEachLine() {
        String m = held();
        accepted("/round/mine", "chore", clear(m));
        String sheet = page("/round/sheet");
        Matcher boxes = Pattern.compile("class=\"box\"").matcher(sheet);
        assertThat(boxes.results().count()).isBetween(1L, 12L);
        assertThat(sheet).contains("QR code VK-M-" + m.toUpperCase(Locale.ROOT));
        accepted("/round/back", "chore", clear(m));
    }
}
