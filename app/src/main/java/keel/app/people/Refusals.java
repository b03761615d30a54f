package keel.app.people;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Writes into the logbook who tried to come in as somebody of the shop and was refused. */
@Component
public class Refusals {

    private final Persons persons;
    private final Logbook logbook;
    private final Clock clock;

    /** That tries go on while none is looked at is written once an hour. */
    private final Cache<String, Boolean> said = Caffeine.newBuilder()
            .maximumSize(10_000)
            .expireAfterWrite(Duration.ofHours(1))
            .build();

    Refusals(Persons persons, Logbook logbook, Clock clock) {
        this.persons = persons;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** @param what the password or the PIN */
    @Transactional
    public void wrong(String signIn, String address, String what) {
        write(signIn, address, "A wrong " + what + " for %s from " + address + ".");
    }

    @Transactional
    public void tooMany(String signIn, String address) {
        if (said.asMap().putIfAbsent(address + ' ' + signIn, true) == null) {
            write(signIn, address, "Too many tries to sign in as %s from " + address + "; the rest are not looked at.");
        }
    }

    /** Of names that nobody has nothing is written: anybody could fill the book with them. */
    private void write(String signIn, String address, String sentence) {
        persons.active(signIn == null ? "" : signIn.strip())
                .ifPresent(p -> logbook.write(LogDraft.of(
                        LogKind.SIGN_IN_REFUSED,
                        null,
                        "PERSON",
                        p.id,
                        clock.instant(),
                        sentence.formatted(p.name),
                        Map.of("signIn", p.signIn, "from", address),
                        p.actor())));
    }
}
