package keel.app.people;

import java.security.SecureRandom;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.base.Refused;
import keel.core.Findings;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Several people at once, with a first password made for each, which is told once and kept nowhere but as its hash. */
@Service
@Transactional
public class NewHands {

    /** Letters and digits that are not taken for one another when they are read aloud or copied by hand. */
    private static final String SIGNS = "abcdefghjkmnpqrstuvwxyz23456789";

    private static final int GROUPS = 4;
    private static final int IN_A_GROUP = 4;

    private final People people;
    private final SecureRandom random = new SecureRandom();

    NewHands(People people) {
        this.people = people;
    }

    /** @param row where it was typed, from 0, for what is not right with it */
    public record Hand(int row, String name, Role role, String pin) {}

    /** Somebody who was added, with what they sign in by. */
    public record Made(String name, String signIn, String password, boolean pin) {}

    /**
     * All of them or none.
     *
     * @throws Refused with the row behind each field, as in {@code pin2}
     */
    public List<Made> add(List<Hand> hands) {
        Actor.require(Role.OWNER);
        Findings findings = new Findings();
        Set<String> taken = people.all().stream().map(People.PersonView::signIn).collect(Collectors.toSet());
        List<Made> made = new ArrayList<>();
        for (Hand hand : hands) {
            String signIn = free(hand.name(), taken);
            String password = password();
            try {
                people.add(signIn, hand.name(), hand.role(), password, hand.pin());
                made.add(new Made(hand.name(), signIn, password, !hand.pin().isBlank()));
            } catch (Refused e) {
                e.findings().forEach(f -> findings.add(f.field() + hand.row(), f.message()));
            }
        }
        Refused.unless(findings);
        return made;
    }

    private static String free(String name, Set<String> taken) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFD)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]", "");
        String base = plain.isEmpty() ? "hand" : plain.substring(0, Math.min(30, plain.length()));
        String signIn = base;
        for (int n = 2; !taken.add(signIn); n++) {
            signIn = base + n;
        }
        return signIn;
    }

    private String password() {
        StringBuilder password = new StringBuilder();
        for (int i = 0; i < GROUPS * IN_A_GROUP; i++) {
            password.append(i > 0 && i % IN_A_GROUP == 0 ? "-" : "");
            password.append(SIGNS.charAt(random.nextInt(SIGNS.length())));
        }
        return password.toString();
    }
}
