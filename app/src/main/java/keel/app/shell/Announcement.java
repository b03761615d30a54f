package keel.app.shell;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Says on the terminal where the application answers. */
@Component
@ConditionalOnProperty(name = "keel.announced", matchIfMissing = true)
class Announcement {

    private final Path home;
    private final boolean https;

    Announcement(@Value("${keel.home}") Path home, @Value("${keel.https:false}") boolean https) {
        this.home = home;
        this.https = https;
    }

    @EventListener
    @Order(1)
    void say(ApplicationReadyEvent ready) {
        if (!(ready.getApplicationContext() instanceof ServletWebServerApplicationContext server)) {
            return;
        }
        System.out.println("Vigilant Keel answers at " + (https ? "https" : "http") + "://localhost:"
                + server.getWebServer().getPort() + "/");
        System.out.println("Records are kept in " + home);
        lastEnd();
        if (https) {
            System.out.println("The certificate is the shop's own: copy " + home.resolve("keel.crt")
                    + " to each tablet and trust it there"
                    + " (settings, security, install a certificate), or accept the browser's warning once.");
        }
    }

    /** A process that ran out of memory leaves this file and ends at once, rather than answer half. */
    private static void lastEnd() {
        Path left = Path.of(System.getProperty("keel.folder", "."), "var", "out-of-memory");
        try {
            if (Files.deleteIfExists(left)) {
                System.out.println("Last time it ran out of memory and ended itself. Everything that was answered as "
                        + "written is here.");
            }
        } catch (IOException e) {
            System.out.println("Last time it ran out of memory; " + left + " that says so cannot be taken away.");
        }
    }
}
