package keel.app.support;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import keel.app.Keel;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.autoconfigure.web.servlet.AutoConfigureMockMvc;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.context.annotation.Import;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** The whole application over a database in memory, shared by all tests; each builds machines of its own. */
@SpringBootTest(classes = Keel.class)
@AutoConfigureMockMvc
@Import({TestShop.class, QueryCounting.class, QuickPasswords.class})
public abstract class AppTest {

    private static final String HOME = home();

    @Autowired
    protected TestShop shop;

    @DynamicPropertySource
    static void settings(DynamicPropertyRegistry settings) {
        settings.add("spring.datasource.url", () -> "jdbc:h2:mem:keel;DB_CLOSE_DELAY=-1;LOCK_TIMEOUT=10000");
        settings.add("keel.home", () -> HOME);
        settings.add("keel.reminders.every-seconds", () -> 0);
    }

    private static String home() {
        try {
            return Files.createTempDirectory("keel-test").toString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @BeforeEach
    void signIn() {
        shop.people();
        shop.as("keeper");
    }

    @AfterEach
    void signOut() {
        SecurityContextHolder.clearContext();
    }
}
