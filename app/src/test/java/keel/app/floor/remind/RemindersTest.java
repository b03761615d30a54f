package keel.app.floor.remind;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalTime;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import keel.app.fleet.ShopSettings;
import keel.app.floor.round.Rounds;
import keel.app.people.Actor;
import keel.app.people.People;
import keel.app.support.PageTest;
import keel.core.round.RemindOf;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Reminders at a page and by mail; no server is named here, so mail is kept. */
class RemindersTest extends PageTest {

    @Autowired
    private Reminders reminders;

    @Autowired
    private Rounds rounds;

    @Autowired
    private People people;

    @Autowired
    private JdbcClient jdbc;

    @Autowired
    private ShopSettings settings;

    @AfterEach
    void nobodyIsReminded() {
        jdbc.sql("delete from reminder_sent").update();
        jdbc.sql("delete from reminder_kind").update();
        jdbc.sql("delete from reminder_choice").update();
    }

    private String held() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        return m;
    }

    private ReminderEntry holds(String mail, Long then) {
        return new ReminderEntry(EnumSet.of(RemindOf.HOLDS), true, true, mail, null, null, then, 30);
    }

    private long person(String signIn) {
        return people.all().stream()
                .filter(p -> p.signIn().equals(signIn))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private List<String> about(String machine) {
        return jdbc.sql(
                        """
                        select p.name || ' ' || s.outcome || case when s.passed_on then ' passed on' else '' end
                        from reminder_sent s join person p on p.id = s.person_id where s.what like ? order by s.id""")
                .param(shop.now(machine).name() + ": %")
                .query(String.class)
                .list();
    }

    @Test
    void whatCannotWaitIsSaidWhileNobodyChose() {
        ReminderEntry usual = reminders.of(Actor.current().personId());
        assertThat(usual.of()).contains(RemindOf.AIR, RemindOf.LOOKS).doesNotContain(RemindOf.HOLDS);
        assertThat(usual.mail()).isNull();
        assertThat(file("/reminders").getStatus()).isEqualTo(200);
    }

    @Test
    void anOpenPageSaysWhatSomebodyChose() {
        String m = held();
        reminders.say(holds(null, null));
        assertThat(reminders.atPage().notes())
                .anyMatch(n -> n.title().equals(shop.now(m).name() + ": Clear the plate"));
        reminders.say(new ReminderEntry(EnumSet.of(RemindOf.HOLDS), false, true, null, null, null, null, 30));
        assertThat(reminders.atPage().notes()).isEmpty();
        reminders.say(new ReminderEntry(Set.of(), true, true, null, null, null, null, 30));
        assertThat(reminders.atPage().notes()).isEmpty();
        LocalTime time = LocalTime.now(settings.zone());
        reminders.say(new ReminderEntry(
                EnumSet.of(RemindOf.HOLDS), true, true, null, time.minusHours(1), time.plusHours(1), null, 30));
        assertThat(reminders.atPage().notes()).as("quiet for an hour yet").isEmpty();
    }

    @Test
    void mailGoesOutOnceAndIsPassedOnWhereNothingComesOfIt() {
        String m = held();
        String taken = held();
        rounds.mine("HOLD:" + taken + ":plate-not-clear");
        shop.as("operator");
        reminders.say(new ReminderEntry(
                EnumSet.of(RemindOf.STORES), true, false, "operator@saltmarsh.example", null, null, null, 30));
        shop.as("keeper");
        reminders.say(holds("keeper@saltmarsh.example", person("operator")));
        assertThat(reminders.send()).isPositive();
        String keeper = Actor.current().displayName();
        assertThat(about(m)).containsExactly(keeper + " KEPT");
        assertThat(about(taken)).as("somebody has it").isEmpty();
        reminders.send();
        assertThat(about(m)).hasSize(1);
        jdbc.sql("update reminder_sent set at = dateadd('MINUTE', -31, at)").update();
        reminders.send();
        assertThat(about(m)).hasSize(2).anyMatch(l -> l.endsWith("KEPT passed on"));
        shop.service(m, "PLATE_CLEARED", 6);
        jdbc.sql("delete from reminder_sent").update();
        reminders.send();
        assertThat(about(m)).as("done").isEmpty();
    }

    @Test
    void whomNothingReachedIsNotWrittenToForAWhileAndTheOthersAre() {
        String m = held();
        reminders.say(holds("keeper@saltmarsh.example", null));
        String keeper = Actor.current().displayName();
        long id = Actor.current().personId();
        shop.as("operator");
        reminders.say(holds("operator@saltmarsh.example", null));
        shop.as("keeper");
        jdbc.sql(
                        """
                        insert into reminder_sent (person_id, chore, what, at, passed_on, outcome, why)
                        values (?, 'x', 'x', current_timestamp, false, 'FAILED', 'no answer')""")
                .param(id)
                .update();
        assertThat(reminders.send()).isPositive();
        assertThat(about(m)).hasSize(1).noneMatch(l -> l.startsWith(keeper));
        assertThat(page("/reminders/choose")).contains("kept here, no server is named");
        jdbc.sql("update reminder_sent set at = dateadd('MINUTE', -11, at)").update();
        assertThat(reminders.send()).isPositive();
        assertThat(about(m)).hasSize(2).anyMatch(l -> l.startsWith(keeper));
    }

    @Test
    void whoIsNotHereAnyMoreIsNotWrittenTo() {
        String m = held();
        reminders.say(holds("keeper@saltmarsh.example", null));
        long id = Actor.current().personId();
        jdbc.sql("update person set active = false where id = ?").param(id).update();
        try {
            reminders.send();
            assertThat(about(m)).isEmpty();
        } finally {
            jdbc.sql("update person set active = true where id = ?").param(id).update();
        }
    }

    @Test
    void whatCannotBeIsRefusedInWords() {
        String mail = "/reminders/choose";
        assertThat(refused(422, "no mail address", mail, "afterMinutes", "37", "mail", "joost at home"))
                .as("what was typed stays")
                .contains("joost at home", "37");
        refused(422, "a begin and an end", mail, "afterMinutes", "30", "quietFrom", "21:00");
        refused(422, "written like 21:30", mail, "afterMinutes", "30", "quietFrom", "late", "quietTo", "7");
        refused(422, "name an address", mail, "afterMinutes", "30", "then", Long.toString(person("operator")));
        String self = Long.toString(Actor.current().personId());
        refused(422, "somebody else", mail, "afterMinutes", "30", "mail", "a@b", "then", self);
        String other = Long.toString(person("operator"));
        refused(422, "named no address yet", mail, "afterMinutes", "30", "mail", "a@b", "then", other);
        refused(422, "nobody of that number", mail, "afterMinutes", "30", "mail", "a@b", "then", "987654");
        refused(422, "must be between", mail, "afterMinutes", "0");
        accepted(mail, "afterMinutes", "45", "of", "LOOKS", "of", "AIR", "sound", "yes", "mail", "a@b.example");
        ReminderEntry kept = reminders.of(Actor.current().personId());
        assertThat(kept.of()).containsExactlyInAnyOrder(RemindOf.LOOKS, RemindOf.AIR);
        assertThat(kept.atPage()).isFalse();
        assertThat(kept.afterMinutes()).isEqualTo(45);
        assertThat(page(mail)).contains("No mail server is named", "a@b.example");
    }
}
