package keel.app.people;

import static org.assertj.core.api.Assertions.assertThat;

import keel.app.support.PageTest;
import keel.app.support.TestShop;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;

class PeoplePagesTest extends PageTest {

    @Autowired
    private People people;

    @Test
    void theOwnerAddsSomebodyChangesTheirRoleAndLocksThemOut() {
        shop.as("owner");
        accepted(
                "/setup/people",
                "signIn",
                "pia",
                "name",
                "Pia",
                "role",
                "OPERATOR",
                "password",
                "a-long-password",
                "pin",
                "9463",
                "own",
                TestShop.PASSWORD);
        assertThat(page("/setup/people")).contains("Pia");
        assertThat(people.byPassword("pia", "a-long-password")).isPresent();
        assertThat(people.byPin("pia", "9463")).isPresent();
        long id = people.all().stream()
                .filter(p -> p.signIn().equals("pia"))
                .findFirst()
                .orElseThrow()
                .id();
        accepted("/setup/people/" + id, "role", "KEEPER", "active", "true", "own", TestShop.PASSWORD);
        assertThat(people.byPassword("pia", "a-long-password").orElseThrow().role())
                .isEqualTo(Role.KEEPER);
        accepted("/setup/people/" + id + "/password", "password", "another-long-one", "own", TestShop.PASSWORD);
        assertThat(people.byPassword("pia", "a-long-password")).isEmpty();
        accepted("/setup/people/" + id, "role", "KEEPER", "own", TestShop.PASSWORD);
        assertThat(people.byPassword("pia", "another-long-one"))
                .as("locked out")
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "qi|Qi|short|1234",
                "qi|Qi|a-long-password|12",
                "qi|Qi|a-long-password|abcd",
                "owner|Qi|a-long-password|1234",
                "q i|Qi|a-long-password|1234",
                "qi||a-long-password|1234"
            })
    void whoCannotBeAddedIsRefused(String signIn, String name, String password, String pin) {
        shop.as("owner");
        Shown shown = form(
                "/setup/people",
                "signIn",
                signIn,
                "name",
                name == null ? "" : name,
                "role",
                "OPERATOR",
                "password",
                password,
                "pin",
                pin,
                "own",
                TestShop.PASSWORD);
        assertThat(shown.status()).isIn(409, 422);
        assertThat(shown.html()).doesNotContain(password);
        assertThat(people.all()).noneMatch(p -> p.signIn().equals("qi"));
    }

    @Test
    void aTokenIsShownOnceAndWorksUntilItIsRevoked() {
        shop.as("owner");
        String html = form("/setup/tokens", "name", "dashboard", "role", "OPERATOR", "own", TestShop.PASSWORD)
                .html();
        String token = html.replaceAll("(?s).*(keel_[A-Za-z0-9_-]+).*", "$1");
        assertThat(people.byToken(token)).isPresent();
        assertThat(page("/setup/people")).contains("dashboard").doesNotContain(token);
        long id = people.tokens().stream()
                .filter(t -> t.name().equals("dashboard"))
                .findFirst()
                .orElseThrow()
                .id();
        accepted("/setup/tokens/" + id + "/revoke");
        assertThat(people.byToken(token)).isEmpty();
    }

    @Test
    void onlyTheOwnerSeesPeople() {
        shop.as("keeper");
        assertThat(form("/setup/tokens", "name", "mine", "role", "OWNER").status())
                .isEqualTo(403);
        assertThat(form(
                                "/setup/people",
                                "signIn",
                                "x",
                                "name",
                                "X",
                                "role",
                                "OWNER",
                                "password",
                                "a-long-password",
                                "pin",
                                "")
                        .status())
                .isEqualTo(403);
    }

    @Test
    void onesOwnPinAsksForThePassword() {
        shop.as("operator");
        assertThat(form("/account/pin", "password", "not-mine-at-all", "pin", "5827")
                        .status())
                .isEqualTo(422);
        assertThat(people.byPin("operator", "5827")).isEmpty();
        accepted("/account/pin", "password", TestShop.PASSWORD, "pin", "5827");
        assertThat(people.byPin("operator", "5827")).isPresent();
        accepted("/account/pin", "password", TestShop.PASSWORD, "pin", "4829");
        assertThat(form("/account/password", "old", "not-mine-at-all", "password", "a-new-long-one")
                        .status())
                .isEqualTo(422);
    }
}
