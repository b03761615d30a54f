package keel.app.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import keel.app.base.Conflict;
import keel.app.support.AtOnce;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;

/** A shop that was just set up: of several who make the owner's account at once, one does. */
@SpringBootTest(
        properties = {"spring.datasource.url=jdbc:h2:mem:first;DB_CLOSE_DELAY=-1", "keel.home=target/first-home"})
class FirstOwnerTest {

    @Autowired
    private People people;

    @Test
    void thereIsOneOwner() throws Exception {
        AtomicInteger number = new AtomicInteger();
        List<Object> answers =
                AtOnce.times(4, () -> people.first("owner" + number.incrementAndGet(), "Olga", "a-long-password"));
        assertThat(answers).filteredOn(Actor.class::isInstance).hasSize(1);
        assertThat(answers).filteredOn(Conflict.class::isInstance).hasSize(3);
        assertThat(people.all()).hasSize(1);
    }
}
