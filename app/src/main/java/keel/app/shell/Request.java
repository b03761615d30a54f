package keel.app.shell;

import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;

/** What was asked for on the command line. */
record Request(
        String command, Path home, Path file, int port, boolean fresh, boolean lan, boolean https, String clock) {

    static final String USAGE =
            """
            Usage: keel demo [--port N] [--home DIR] [--fresh] [--lan]
                   keel run [--port N] [--home DIR] [--lan] [--https]
                   keel backup FILE [--home DIR]
                   keel restore FILE [--home DIR]""";

    /** @throws IllegalArgumentException with a sentence that says what is wrong */
    static Request of(String[] arguments) {
        Deque<String> left = new ArrayDeque<>(List.of(arguments));
        String command = left.isEmpty() ? "" : left.pop();
        Path home = Path.of(System.getProperty("keel.folder", "."), "var", command.equals("demo") ? "demo" : "keel")
                .normalize();
        Path file = null;
        int port = command.equals("run") ? 8090 : 8080;
        boolean fresh = false;
        boolean lan = false;
        boolean https = false;
        String clock = "";
        while (!left.isEmpty()) {
            String argument = left.pop();
            switch (argument) {
                case "--port" -> port = port(value(argument, left));
                case "--home" -> home = Path.of(value(argument, left));
                case "--clock" -> clock = value(argument, left);
                case "--fresh" -> fresh = true;
                case "--lan" -> lan = true;
                case "--https" -> https = true;
                default -> {
                    if (argument.startsWith("-") || file != null) {
                        throw new IllegalArgumentException("Not understood: " + argument + "\n" + USAGE);
                    }
                    file = Path.of(argument);
                }
            }
        }
        boolean errand = command.equals("backup") || command.equals("restore");
        if (errand != (file != null)) {
            throw new IllegalArgumentException((errand ? "Which file? " : "Not understood: " + file + ". ") + USAGE);
        }
        if (fresh && !command.equals("demo")) {
            throw new IllegalArgumentException("--fresh is for the demo only: it throws its records away.");
        }
        return new Request(command, home, file, port, fresh, lan, https, clock);
    }

    private static String value(String option, Deque<String> left) {
        if (left.isEmpty()) {
            throw new IllegalArgumentException(option + " needs a value.\n" + USAGE);
        }
        return left.pop();
    }

    private static int port(String text) {
        try {
            int port = Integer.parseInt(text);
            if (port >= 0 && port <= 65535) {
                return port;
            }
        } catch (NumberFormatException e) {
            // said below
        }
        throw new IllegalArgumentException("A port is a number from 1 to 65535, not " + text + ".");
    }
}
