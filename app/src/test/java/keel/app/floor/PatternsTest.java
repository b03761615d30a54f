package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import keel.app.base.Refused;
import keel.app.floor.patterns.Learned;
import keel.app.floor.patterns.PatternFinding;
import keel.app.floor.patterns.PatternVerdicts;
import keel.app.floor.patterns.Patterns;
import keel.app.floor.patterns.Verdict;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.stores.Costs;
import keel.app.support.ApiCalls;
import keel.app.support.TestShop;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Machines of which it is known how often they fail; other tests' prints lie outside the span. */
class PatternsTest extends ApiCalls {

    private static double hour = 12_000;

    @Autowired
    private Runs runs;

    @Autowired
    private Patterns patterns;

    @Autowired
    private PatternVerdicts verdicts;

    @Autowired
    private Costs costs;

    @Autowired
    private Learned learned;

    private double from;

    @BeforeEach
    void aSpanOfItsOwn() {
        hour += 10;
        from = hour;
    }

    private record Share(int prints, int failed) {}

    /** Prints one after the other, the failed ones spread evenly, of two jobs in turn. */
    private List<String> print(Share... shares) {
        List<String> machines = new ArrayList<>();
        for (Share share : shares) {
            String machine = shop.maskMachine();
            machines.add(machine);
            double at = from;
            for (int i = 0; i < share.prints(); i++, at += 2) {
                boolean fails = (i + 1) * share.failed() / share.prints() > i * share.failed() / share.prints();
                print(machine, at, i % 2 == 0 ? "Hinge" : "Latch", fails);
            }
            hour = Math.max(hour, at + 10);
        }
        return machines;
    }

    private void print(String machine, double at, String job, boolean fails) {
        runs.enter(new RunEntry(
                machine,
                job,
                TestShop.at(at),
                TestShop.at(at + 1),
                1000,
                1.8,
                50.0,
                fails ? "FAILED" : "GOOD",
                null,
                null));
    }

    private Patterns.Found found() {
        return patterns.of(TestShop.at(from), TestShop.at(hour));
    }

    @Test
    void namesTheMachineThatFailsMoreAndWhatItCosts() {
        List<String> machines = print(new Share(60, 20), new Share(60, 3), new Share(60, 3));
        Patterns.Found found = found();
        PatternFinding first = found.findings().get(0);

        assertThat(first.kind()).isEqualTo("MACHINE");
        assertThat(first.group().value()).isEqualTo(machines.get(0));
        assertThat(first.own().failed()).isEqualTo(20);
        assertThat(first.rest().failed()).isEqualTo(6);
        assertThat(found.prints()).isEqualTo(180);
        assertThat(found.cameOut()).isEqualTo(154);
        assertThat(found.findings())
                .as("its film, screen and room are the same prints")
                .hasSize(1);
        assertThat(first.because().get(0).text()).contains("The same prints are told by");

        Costs.Overview overview = costs.overview(TestShop.at(from), TestShop.at(hour));
        double perFailure = overview.all().lost() / 26;
        double years = Duration.between(TestShop.at(from), TestShop.at(hour)).toSeconds() / 86_400.0 / 365;
        assertThat(found.perFailure()).isCloseTo(perFailure, within(1e-9));
        assertThat(first.perYear().likely()).isCloseTo((20 / 60.0 - 6 / 120.0) * 60 / years * perFailure, within(1e-6));
        assertThat(first.perYear().low())
                .isPositive()
                .isLessThan(first.perYear().likely());
    }

    @Test
    void answersProgramsTheSame() throws Exception {
        print(new Share(60, 20), new Share(60, 3));
        String span = "?from=" + TestShop.at(from) + "&to=" + TestShop.at(hour);
        JsonNode answer = get("/api/v1/patterns" + span).body();

        assertThat(answer.get("prints").asInt()).isEqualTo(120);
        assertThat(answer.get("cameOut").asInt()).isEqualTo(97);
        JsonNode cost = get("/api/v1/costs" + span).body();
        assertThat(cost.get("prints")).isEqualTo(answer.get("prints"));
        assertThat(cost.get("cameOut")).isEqualTo(answer.get("cameOut"));
        JsonNode finding = answer.get("findings").get(0);
        assertThat(finding.get("prints").asInt()).isEqualTo(60);
        assertThat(finding.get("failures").asInt()).isEqualTo(20);
        assertThat(finding.get("since").isNull()).isTrue();
        assertThat(finding.get("p").asDouble()).isLessThan(0.001);
        assertThat(get("/api/v1/patterns?from=yesterday").status()).isEqualTo(422);
        assertThat(get("/api/v1/patterns?from=2024-02-02&to=2024-01-01").status())
                .isEqualTo(422);
    }

    @Test
    void aTurnNamesWhatStandsJustBeforeIt() {
        String machine = shop.maskMachine();
        Random random = new Random(2);
        double at = from;
        for (int i = 0; i < 120; i++, at += 2) {
            if (i == 80) {
                shop.service(machine, "LEVELLING", at - 0.5, "school", "PAPER");
            }
            print(machine, at, "Hinge", i < 80 ? i % 30 == 7 : random.nextInt(5) < 2);
        }
        hour = at + 10;
        PatternFinding turn = found().findings().stream()
                .filter(f -> f.kind().equals("CHANGE"))
                .findFirst()
                .orElseThrow();

        assertThat(turn.since()).isBetween(TestShop.at(from + 2 * 72), TestShop.at(from + 2 * 88));
        assertThat(turn.because().get(0).text()).containsIgnoringCase("level");
        assertThat(turn.text()).contains("fails more often").contains("before");
    }

    /** The second print failed again, from the same cause as far as anybody knows: the chain counts once. */
    @Test
    void failedReprintsCountWithWhatTheyPrintAgain() {
        String machine = shop.maskMachine();
        long first = run(machine, from, null);
        long second = run(machine, from + 2, first);
        run(machine, from + 4, second);
        hour = from + 10;
        Patterns.Found found = found();

        assertThat(found.prints()).isEqualTo(3);
        assertThat(found.reprints()).isEqualTo(2);
        assertThat(found.machines().values().iterator().next().failed()).isEqualTo(1);
        assertThat(found.findings()).isEmpty();
    }

    private long run(String machine, double at, Long again) {
        return runs.enter(new RunEntry(
                        machine,
                        "Hinge",
                        TestShop.at(at),
                        TestShop.at(at + 1),
                        1000,
                        1.8,
                        50.0,
                        "FAILED",
                        null,
                        null,
                        null,
                        again,
                        null,
                        null,
                        null))
                .id();
    }

    @Test
    void whereLittleOrNothingWasPrintedNothingIsSaid() {
        hour = from + 5;
        assertThat(found().findings()).isEmpty();
        assertThat(found().prints()).isZero();
        print(new Share(3, 3));
        assertThat(found().findings()).isEmpty();
    }

    /** What was found is kept, and looked for again once a print is entered. */
    @Test
    void aNewPrintIsCountedAtOnce() {
        List<String> machines = print(new Share(12, 2));
        assertThat(found().prints()).isEqualTo(12);
        print(machines.get(0), from + 30, "Hinge", true);
        assertThat(found().prints()).isEqualTo(13);
    }

    @Test
    void whatWouldTeachMostIsSaid() {
        List<String> machines = print(new Share(30, 4));
        List<String> texts = wanting();
        assertThat(texts).anySatisfy(t -> assertThat(t).contains("prints were lost and nobody logged"));
        assertThat(texts).anySatisfy(t -> assertThat(t).contains("no settings on record"));
        long open = lacking(texts);
        shop.failure(machines.get(0), from + 1, "bare-plate");
        assertThat(lacking(wanting())).as("one more without a cause").isEqualTo(open + 1);
    }

    private List<String> wanting() {
        return learned.of(found(), TestShop.at(from)).wanting().stream()
                .map(Learned.Wanting::text)
                .toList();
    }

    private static long lacking(List<String> texts) {
        return texts.stream()
                .filter(t -> t.contains("no cause"))
                .mapToLong(t -> Long.parseLong(t.split(" ")[0]))
                .findFirst()
                .orElse(0);
    }

    @Test
    void aMachineThatFailsInARowJustNowIsNamedAtOnce() {
        List<String> machines = print(new Share(100, 6), new Share(100, 6));
        double at = hour;
        for (int i = 0; i < 8; i++) {
            print(machines.get(0), at + 2 * i, "Hinge", i % 4 != 3);
        }
        hour = at + 20;
        PatternFinding now = found().findings().stream()
                .filter(f -> f.turned() && f.group().value().equals(machines.get(0)))
                .findFirst()
                .orElseThrow();
        assertThat(now.own().failed()).isGreaterThanOrEqualTo(6);
        verdicts.say(now.key(), now.what(), Verdict.WATCH, null);
        assertThat(verdicts.last().get(now.key()).verdict()).isEqualTo(Verdict.WATCH);
        print(machines.get(0), at + 17, "Hinge", false);
        assertThat(found().findings())
                .as("the second machine does as ever")
                .noneMatch(f -> f.turned() && f.group().value().equals(machines.get(1)));
    }

    @Test
    void whatIsNoPatternCannotBeSpokenOf() {
        for (String key : List.of(
                "",
                "PAINT:blue",
                "CHANGE:m1:soon",
                "RUNNING:m1:x",
                "RUNNING-PAINT:blue:12",
                "RUNNING-ROOM:r",
                "MACHINE",
                "x".repeat(300))) {
            assertThatThrownBy(() -> verdicts.say(key, "it", Verdict.SEEN, null))
                    .as(key)
                    .isInstanceOf(Refused.class);
        }
        verdicts.say("RUNNING-FILM_PACK:K3:1741788000", "Prints over film of pack K3", Verdict.SEEN, null);
        assertThat(verdicts.last()).containsKey("RUNNING-FILM_PACK:K3:1741788000");
        assertThatThrownBy(() -> verdicts.say("MACHINE:m1", "it", Verdict.NOT_SO, " "))
                .hasMessageContaining("Say why it is not so.");
    }

    @Test
    void aRemedyIsMeasuredUnasked() {
        List<String> machines = print(new Share(60, 20), new Share(60, 3));
        Patterns.Found found = found();
        PatternFinding first = found.findings().get(0);
        verdicts.say(first.key(), first.what(), Verdict.DONE, "new bolts at the vat");
        PatternVerdicts.Said said = verdicts.last().get(first.key());

        assertThat(said.closes()).isTrue();
        PatternVerdicts.Brought brought = verdicts.brought(found).stream()
                .filter(b -> b.said().pattern().equals(first.key()))
                .findFirst()
                .orElseThrow();
        assertThat(brought.before().failed()).isEqualTo(20);
        assertThat(brought.after().prints()).isZero();
        assertThat(brought.words())
                .contains("Not enough to tell yet. About ", "would tell whether it fails no more than the others");
        verdicts.say(first.key(), first.what(), Verdict.OPEN, null);
        assertThat(verdicts.last()).doesNotContainKey(first.key());
    }
}
