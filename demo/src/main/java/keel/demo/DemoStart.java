package keel.demo;

import java.nio.file.Path;
import keel.sim.story.Saltmarsh;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Makes the demo's data before the first page can be asked for, and says how to sign in. */
@Component
class DemoStart implements SmartLifecycle {

    private final DemoShop shop;
    private final Path home;
    private boolean started;

    DemoStart(DemoShop shop, @Value("${keel.home}") Path home) {
        this.shop = shop;
        this.home = home;
    }

    @Override
    public void start() {
        shop.make();
        shop.writeToken();
        started = true;
    }

    @EventListener(ApplicationReadyEvent.class)
    @Order(2)
    void say() {
        System.out.println("This is the demo: " + Saltmarsh.NAME + ", an invented shop. Sign in as");
        Saltmarsh.PEOPLE.forEach(
                p -> System.out.printf("  %-9s password %-19s PIN %s%n", p.signIn(), p.password(), p.pin()));
        System.out.println("Token of the open interface: " + home.resolve("api-token"));
    }

    @Override
    public void stop() {
        started = false;
    }

    @Override
    public boolean isRunning() {
        return started;
    }

    /** Before the web server, which starts in one of the last phases. */
    @Override
    public int getPhase() {
        return 0;
    }
}
