package keel.app.floor.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import keel.app.base.EditedMeanwhile;
import keel.app.base.Seen;
import keel.app.floor.round.Rounds;
import keel.app.people.Actor;
import keel.app.support.PageTest;
import keel.app.support.TestShop;
import keel.core.round.Chore;
import keel.core.round.ChoreKind;
import keel.core.round.Round;
import keel.core.standing.ServiceKind;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Rules of upkeep: when each falls due, what is done, left out and put off, and who may change them. */
class UpkeepRulesTest extends PageTest {

    @Autowired
    private UpkeepRules rules;

    @Autowired
    private Rounds rounds;

    @Autowired
    private JdbcClient jdbc;

    private static RuleEntry entry(
            String name, String machine, Double prints, Double days, ServiceKind after, ServiceKind by) {
        return new RuleEntry(
                name,
                "By hand.",
                RuleScope.MACHINE,
                machine,
                after,
                by,
                null,
                null,
                prints,
                null,
                days,
                null,
                4,
                Hurts.SOME);
    }

    private Optional<UpkeepRules.Due> due(long rule, String machine) {
        return rules.due(List.of(shop.now(machine))).stream()
                .filter(d -> d.rule().id() == rule && d.machine() != null)
                .findFirst();
    }

    /** A rule that is as old as the shop. */
    private long old(RuleEntry entry) {
        long rule = rules.add(entry);
        jdbc.sql("update upkeep_rule set made_at = ? where id = ?")
                .params(TestShop.SINCE, rule)
                .update();
        return rule;
    }

    private void print(String machine, int times) {
        for (int i = 0; i < times; i++) {
            shop.run(machine, 10 + 10 * i, 4);
        }
    }

    private Optional<Round.Line> inRound(long rule, String machine) {
        return rounds.at(shop.now(machine), null, Rounds.Who.of(Actor.current())).lines().stream()
                .filter(l -> l.chore().key().equals("RULE:" + rule + ":" + machine))
                .findFirst();
    }

    @Test
    void aShopBeginsWithRulesThatItMayChange() {
        assertThat(rules.all())
                .filteredOn(UpkeepRules.RuleView::shipped)
                .extracting(r -> r.entry().name())
                .contains("Check what holds the plate", "Count the stores");
        assertThat(RuleEntry.shipped())
                .allSatisfy(s -> assertThat(s.entry().findings().list()).isEmpty());
        assertThat(page("/bench/upkeep")).contains("every 50 prints; every machine", "Count the stores");
    }

    @Test
    void soManyPrintsMakeItDueAndATickBeginsAnew() {
        String m = shop.maskMachine();
        long rule = old(entry("Feel the arm of " + m, m, 2.0, null, null, null));
        print(m, 2);
        assertThat(due(rule, m).orElseThrow().how().due()).isTrue();
        Chore chore = inRound(rule, m).orElseThrow().chore();
        assertThat(chore.today()).isTrue();
        assertThat(chore.path()).isEqualTo("/bench/upkeep/" + rule + "?at=" + m);
        assertThat(page(chore.path())).contains("2 prints, due at 2", "It is due.");
        accepted("/bench/upkeep/" + rule + "/mark", "target", m, "kind", "DONE");
        assertThat(due(rule, m).orElseThrow().how().text()).isEqualTo("0 of 2 prints");
        assertThat(inRound(rule, m)).isEmpty();
        accepted("/bench/upkeep/" + rule + "/mark", "target", m, "kind", "DONE");
        assertThat(rules.history(rule)).as("tapped twice").hasSize(1);
        long mark = rules.history(rule).get(0).id();
        accepted("/bench/upkeep/" + rule + "/back", "mark", Long.toString(mark));
        assertThat(due(rule, m).orElseThrow().how().due())
                .as("the tick was taken back")
                .isTrue();
    }

    @Test
    void whatIsLeftOutCountsAnewAndWhatIsPutOffComesBack() {
        String m = shop.maskMachine();
        long rule = old(entry("Wipe " + m, m, 1.0, null, null, null));
        print(m, 1);
        String path = "/bench/upkeep/" + rule + "/mark";
        refused(422, "Say why", path, "target", m, "kind", "SKIPPED");
        refused(422, "Say until when", path, "target", m, "kind", "PUT_OFF", "why", "no time");
        refused(422, "Say until when", path, "target", m, "kind", "PUT_OFF", "why", "no time", "until", "2020-01-01");
        String later = LocalDate.now().plusDays(3).toString();
        accepted(path, "target", m, "kind", "PUT_OFF", "why", "no time", "until", later);
        Round.Line line = inRound(rule, m).orElseThrow();
        assertThat(line.chore().today()).isFalse();
        assertThat(line.startAt()).isAfter(Instant.now().plus(Duration.ofDays(1)));
        refused(422, "not about it", path, "target", shop.maskMachine(), "kind", "DONE");
        accepted(path, "target", m, "kind", "SKIPPED", "why", "it is clean");
        assertThat(due(rule, m).orElseThrow().how().due()).isFalse();
        assertThat(due(rule, m).orElseThrow().putOff())
                .as("done with after it was put off")
                .isNull();
        assertThat(page("/bench/upkeep/" + rule)).contains("left out", "it is clean", "no time");
    }

    @Test
    void aServiceDoesItWhereverItIsWrittenDown() {
        String m = shop.maskMachine();
        long rule = old(entry("Look under the vat of " + m, m, 1.0, null, null, ServiceKind.VAT_INSPECTED));
        print(m, 1);
        assertThat(inRound(rule, m).orElseThrow().chore().path()).isEqualTo("/machines/" + m + "/do/VAT_INSPECTED");
        shop.service(m, "VAT_INSPECTED", 60, "clean", true);
        assertThat(due(rule, m).orElseThrow().how().due()).isFalse();
        assertThat(due(rule, m).orElseThrow().done()).isTrue();
    }

    @Test
    void whatARuleAndAHoldAskForAlikeIsOnePieceOfWork() {
        String m = shop.maskMachine();
        long rule = old(entry("Clear " + m, m, 1.0, null, null, ServiceKind.PLATE_CLEARED));
        print(m, 1);
        assertThat(due(rule, m).orElseThrow().how().due()).isTrue();
        assertThat(rounds.at(shop.now(m), null, Rounds.Who.of(Actor.current())).lines())
                .filteredOn(l -> l.chore().path().endsWith("/do/PLATE_CLEARED"))
                .singleElement()
                .satisfies(l -> assertThat(l.chore().kind()).isEqualTo(ChoreKind.HOLD));
    }

    @Test
    void whatFollowsAServiceIsAskedForOnlyOnceItWasDone() {
        String m = shop.maskMachine();
        long rule = old(entry("After the look at " + m, m, 1.0, null, ServiceKind.VAT_INSPECTED, null));
        print(m, 3);
        assertThat(due(rule, m)).isEmpty();
        shop.service(m, "VAT_INSPECTED", 60, "clean", true);
        assertThat(due(rule, m).orElseThrow().how().text()).isEqualTo("0 of 1 prints");
        shop.run(m, 80, 4);
        assertThat(due(rule, m).orElseThrow().how().due()).isTrue();
    }

    @Test
    void theShopAndItsRoomsCountDays() {
        assertThat(rules.due(List.of()))
                .filteredOn(d -> d.rule().entry().name().equals("Count the stores"))
                .singleElement()
                .satisfies(d -> {
                    assertThat(d.how().text()).isEqualTo("0 of 30 days");
                    assertThat(d.how().inDays().median()).isBetween(29.0, 30.0);
                });
        refused(
                422,
                "Rooms and the shop count days only",
                "/bench/upkeep/new",
                "name",
                "Sweep",
                "scope",
                "SHOP",
                "everyHours",
                "5",
                "minutes",
                "5",
                "hurts",
                "SOME");
        refused(
                422,
                "Say when it is due",
                "/bench/upkeep/new",
                "name",
                "Sweep",
                "scope",
                "SHOP",
                "minutes",
                "5",
                "hurts",
                "SOME");
        refused(
                422,
                "is no number",
                "/bench/upkeep/new",
                "name",
                "Sweep",
                "scope",
                "SHOP",
                "everyDays",
                "soon",
                "minutes",
                "5",
                "hurts",
                "SOME");
    }

    @Test
    void aRuleIsChangedByAKeeperAndNotOverSomebodyElse() {
        String m = shop.maskMachine();
        long rule = rules.add(entry("Sweep " + m, m, null, 7.0, null, null));
        Seen seen = Seen.of(rules.one(rule).entry().stands());
        rules.change(rule, entry("Sweep under " + m, m, null, 9.0, null, null), seen);
        assertThatThrownBy(() -> rules.change(rule, entry("Sweep by " + m, m, null, 5.0, null, null), seen))
                .isInstanceOf(EditedMeanwhile.class);
        accepted("/bench/upkeep/" + rule + "/off", "off", "true");
        assertThat(due(rule, m)).isEmpty();
        assertThat(page("/bench/upkeep/" + rule)).contains("switched off");
        shop.as("operator");
        assertThat(form("/bench/upkeep/" + rule + "/off", "off", "false").status())
                .isEqualTo(403);
        accepted("/bench/upkeep/" + rule + "/mark", "target", m, "kind", "DONE");
        shop.as("keeper");
    }
}
