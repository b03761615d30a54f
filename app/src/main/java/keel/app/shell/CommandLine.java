package keel.app.shell;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.util.HashMap;
import java.util.Map;
import org.springframework.boot.Banner;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** Reads what was asked for on the command line and does it: demo, run, backup, restore, rebuild. */
public final class CommandLine {

    private static final PrintStream OUT = System.out;
    private static final PrintStream ERR = System.err;

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
                case "backup" -> {
                    Backup.write(request.home(), request.file());
                    OUT.println("Backed up " + request.home() + " to " + request.file() + ".");
                }
                case "restore" -> {
                    Backup.restore(request.file(), request.home());
                    OUT.println("Restored " + request.file() + " to " + request.home() + ".");
                }
                case "rebuild" -> rebuild(application, request);
                default ->
                    throw new IllegalArgumentException(
                            "There is no command " + request.command() + ". " + Request.USAGE);
            }
        } catch (IllegalArgumentException | IOException e) {
            ERR.println(e.getMessage());
            System.exit(1);
        }
    }

    private static void start(Class<?> application, Request request) throws IOException {
        if (request.fresh()) {
            Home.clear(request.home());
        }
        Files.createDirectories(request.home());
        open(application, request);
    }

    private static void rebuild(Class<?> application, Request request) throws IOException {
        if (!Files.exists(request.home().resolve("keel.mv.db"))) {
            throw new IllegalArgumentException("There are no records in " + request.home() + ".");
        }
        try (ConfigurableApplicationContext shop = open(application, request)) {
            OUT.println(shop.getBean(RebuildCommand.class).run());
        }
    }

    private static ConfigurableApplicationContext open(Class<?> application, Request request) throws IOException {
        SpringApplication spring = new SpringApplication(application);
        spring.setBannerMode(Banner.Mode.OFF);
        String[] settings = properties(request).entrySet().stream()
                .map(p -> "--" + p.getKey() + "=" + p.getValue())
                .toArray(String[]::new);
        try {
            return spring.run(settings);
        } catch (RuntimeException e) {
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
        properties.put("keel.announced", !request.command().equals("rebuild"));
        properties.put("server.port", request.command().equals("rebuild") ? 0 : request.port());
        properties.put("server.address", request.lan() ? "0.0.0.0" : "127.0.0.1");
        if (request.https()) {
            properties.putAll(Certificate.in(request.home()).properties());
            properties.put("server.servlet.session.cookie.secure", true);
        }
        return properties;
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
