package keel.app.shell;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.boot.Banner;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** Reads what was asked for on the command line and does it: demo, run, backup, restore, rebuild, audit. */
public final class CommandLine {

    private static final PrintStream OUT = System.out;
    private static final PrintStream ERR = System.err;

    /** Of the home that this process works in; a lock that nobody holds on to would be let go by the collector. */
    @SuppressWarnings("unused")
    private static HomeLock held;

    private CommandLine() {}

    /**
     * Starts the application, or does the errand and ends the process with 0 or, after a sentence that says why, with
     * 1.
     */
    public static void run(Class<?> application, String[] arguments) {
        try {
            Request request = Request.of(arguments);
            switch (request.command()) {
                case "demo", "run" -> start(application, request);
                case "backup" -> OUT.println(backup(request));
                case "restore" -> OUT.println(Restore.of(request.file(), request.home()));
                case "rebuild" -> rebuild(application, request);
                case "audit" -> audit(application, request);
                default ->
                    throw new IllegalArgumentException(
                            "There is no command " + request.command() + ". " + Request.USAGE);
            }
        } catch (IllegalArgumentException | IOException e) {
            ERR.println(e.getMessage());
            System.exit(1);
        }
    }

    private static String backup(Request request) throws IOException {
        if (request.check()) {
            BackupCheck whole = BackupCheck.of(request.file());
            return "%s is whole: made at %s, %,d rows, %d photos; every sum holds and the records open."
                    .formatted(request.file(), whole.madeAt(), whole.rows(), whole.photos());
        }
        Backup.write(request.home(), request.file());
        return "Backed up " + request.home() + " to " + request.file() + ", and opened it to see that it is whole.";
    }

    /** The lock is held until the process ends. */
    private static void start(Class<?> application, Request request) throws IOException {
        held = HomeLock.of(request.home());
        boolean cutOff = request.command().equals("demo") && Home.isUnfinished(request.home());
        if (cutOff) {
            OUT.println("The demo was cut off while it was made; it is made anew.");
        }
        if (request.fresh() || cutOff) {
            Home.clear(request.home());
        }
        Home.closeToOthers(request.home());
        open(application, request);
    }

    private static void rebuild(Class<?> application, Request request) throws IOException {
        if (!Files.exists(request.home().resolve("keel.mv.db"))) {
            throw new IllegalArgumentException("There are no records in " + request.home() + ".");
        }
        try (HomeLock alone = HomeLock.of(request.home());
                ConfigurableApplicationContext shop = open(application, request)) {
            OUT.println(shop.getBean(RebuildCommand.class).run());
        }
    }

    /** Asks the application that runs in this home, or opens the records itself; ends with 1 if anything was found. */
    private static void audit(Class<?> application, Request request) throws IOException {
        if (!Files.exists(request.home().resolve("keel.mv.db"))) {
            throw new IllegalArgumentException("There are no records in " + request.home() + ".");
        }
        Optional<ShopAudit.Answer> running = Control.fetchAudit(request.home());
        ShopAudit.Answer answer;
        if (running.isPresent()) {
            answer = running.get();
        } else {
            try (HomeLock alone = HomeLock.of(request.home());
                    ConfigurableApplicationContext shop = open(application, request)) {
                answer = shop.getBean(ShopAudit.class).answer();
            }
        }
        OUT.println(answer.words());
        if (!answer.clean()) {
            System.exit(1);
        }
    }

    private static boolean errand(Request request) {
        return request.command().equals("rebuild") || request.command().equals("audit");
    }

    private static ConfigurableApplicationContext open(Class<?> application, Request request) throws IOException {
        SpringApplication spring = new SpringApplication(application);
        spring.setBannerMode(Banner.Mode.OFF);
        String[] settings = properties(request).entrySet().stream()
                .map(p -> "--" + p.getKey() + "=" + p.getValue())
                .toArray(String[]::new);
        if (SafeMigration.putBack(request.home())) {
            OUT.println("The last start was cut off while it changed the records' form; they are as before it.");
        }
        try {
            ConfigurableApplicationContext shop = spring.run(settings);
            Home.closeToOthers(request.home());
            return shop;
        } catch (RuntimeException e) {
            SafeMigration.putBack(request.home());
            throw new IllegalArgumentException(why(e, request), e);
        }
    }

    private static Map<String, Object> properties(Request request) throws IOException {
        Map<String, Object> properties = new HashMap<>();
        properties.put("keel.home", request.home().toAbsolutePath().toString());
        properties.put("keel.demo", request.command().equals("demo"));
        properties.put("keel.demo.machines", request.machines());
        properties.put("keel.demo.months", request.months());
        properties.put("keel.clock", request.clock());
        properties.put("keel.https", request.https());
        properties.put("keel.backups", backups(request));
        properties.put("keel.lan", request.lan());
        properties.put("keel.hosts", request.hosts().toLowerCase(Locale.ROOT));
        properties.put("keel.announced", !errand(request));
        properties.put("server.port", errand(request) ? 0 : request.port());
        properties.put("server.address", request.lan() ? "0.0.0.0" : "127.0.0.1");
        if (request.https()) {
            properties.putAll(Certificate.in(request.home()).properties());
            properties.put("server.servlet.session.cookie.secure", true);
        }
        return properties;
    }

    private static String backups(Request request) {
        return errand(request) ? "" : request.backups().toAbsolutePath().toString();
    }

    private static String why(Throwable e, Request request) {
        StringBuilder messages = new StringBuilder();
        for (Throwable t = e; t != null; t = t.getCause()) {
            messages.append(t.getClass().getSimpleName())
                    .append(' ')
                    .append(t.getMessage())
                    .append('\n');
        }
        String all = messages.toString();
        if (all.contains("PortInUse") || all.contains("Address already in use")) {
            return "Port " + request.port() + " is taken. Choose another with --port.";
        }
        if (all.contains("Database may be already in use") || all.contains("The file is locked")) {
            return "Another Vigilant Keel is running in " + request.home()
                    + ". Stop it first, or choose another --home.";
        }
        return "Vigilant Keel could not start:\n" + all;
    }
}
