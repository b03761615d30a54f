package keel.app.people;

import java.security.SecureRandom;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Where others reach an application in which nobody is yet, the first account is made by whoever sits at its terminal:
 * a code stands there.
 */
@Component
public class FirstCode {

    private static final String LETTERS = "ABCDEFGHJKLMNPQRTUVWXY346789";
    private static final int LENGTH = 8;

    private final People people;
    private final String code;

    FirstCode(People people, @Value("${keel.lan:false}") boolean lan) {
        this.people = people;
        this.code = lan ? made() : null;
    }

    private static String made() {
        SecureRandom random = new SecureRandom();
        StringBuilder code = new StringBuilder();
        for (int i = 0; i < LENGTH; i++) {
            code.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
        }
        return code.toString();
    }

    @EventListener(ApplicationReadyEvent.class)
    void say() {
        if (asked() && people.nobodyYet()) {
            System.out.println("Nobody is here yet. The first account asks for this code: " + code);
        }
    }

    public boolean asked() {
        return code != null;
    }

    public boolean is(String given) {
        return code == null || given != null && code.equalsIgnoreCase(given.strip());
    }
}
