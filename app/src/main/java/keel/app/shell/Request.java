package keel.app.shell;

import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;

/** What was asked for on the command line. */
record Request(
        String command,
        Path home,
        Path file,
        int port,
        boolean fresh,
        boolean lan,
        boolean https,
        String clock,
        int machines,
        int months,
        boolean check,
        Path backups,
        String hosts) {

    static final int USUAL_MACHINES = 7;
    static final int USUAL_MONTHS = 14;
    private static final int MOST_MACHINES = 200;
    private static final int MOST_MONTHS = 240;

    static final String USAGE =
            """
            Usage: keel demo [--port N] [--home DIR] [--fresh] [--lan] [--machines N] [--months N]
                   keel run [--port N] [--home DIR] [--lan] [--https] [--host NAME]
                            [--backups DIR]
                   keel backup FILE [--home DIR]
                   keel backup --check FILE
                   keel restore FILE [--home DIR]
                   keel rebuild [--home DIR]
                   keel audit [--home DIR]""";

    /** @throws IllegalArgumentException with a sentence that says what is wrong */
    static Request of(String[] arguments) {
        Deque<String> left = new ArrayDeque<>(List.of(arguments));
        Options options = new Options(left.isEmpty() ? "" : left.pop());
        while (!left.isEmpty()) {
            options.read(left.pop(), left);
        }
        Request request = options.request();
        request.requireSense();
        return request;
    }

    private void requireSense() {
        boolean copies = command.equals("backup") || command.equals("restore");
        if (copies != (file != null)) {
            throw new IllegalArgumentException((copies ? "Which file? " : "Not understood: " + file + ". ") + USAGE);
        }
        if (fresh && !command.equals("demo")) {
            throw new IllegalArgumentException("--fresh is for the demo only: it throws its records away.");
        }
        if (check && !command.equals("backup")) {
            throw new IllegalArgumentException("--check is for backups: keel backup --check FILE");
        }
        boolean usual = machines == USUAL_MACHINES && months == USUAL_MONTHS;
        if (!usual && !command.equals("demo")) {
            throw new IllegalArgumentException("--machines and --months are for the demo only.");
        }
    }

    /** What was read of the command line so far, and what stands where nothing was said. */
    private static final class Options {

        private final String command;
        private Path home;
        private Path file;
        private int port;
        private boolean fresh;
        private boolean lan;
        private boolean https;
        private String clock = "";
        private int machines = USUAL_MACHINES;
        private int months = USUAL_MONTHS;
        private boolean check;
        private Path backups;
        private String hosts = "";

        Options(String command) {
            this.command = command;
            this.home = Path.of(System.getProperty("keel.folder", "."), "var", command.equals("demo") ? "demo" : "keel")
                    .normalize();
            this.port = command.equals("run") ? 8090 : 8080;
        }

        void read(String argument, Deque<String> left) {
            switch (argument) {
                case "--port" -> port = port(value(argument, left));
                case "--home" -> home = Path.of(value(argument, left));
                case "--clock" -> clock = value(argument, left);
                case "--machines" -> machines = number(argument, left, MOST_MACHINES);
                case "--months" -> months = number(argument, left, MOST_MONTHS);
                case "--fresh" -> fresh = true;
                case "--lan" -> lan = true;
                case "--https" -> https = true;
                case "--check" -> check = true;
                case "--host" -> hosts += (hosts.isEmpty() ? "" : ",") + value(argument, left);
                case "--backups" -> backups = Path.of(value(argument, left));
                default -> {
                    if (argument.startsWith("-") || file != null) {
                        throw new IllegalArgumentException("Not understood: " + argument + "\n" + USAGE);
                    }
                    file = Path.of(argument);
                }
            }
        }

        Request request() {
            Path kept = backups == null ? home.resolve("backups") : backups;
            return new Request(
                    command, home, file, port, fresh, lan, https, clock, machines, months, check, kept, hosts);
        }
    }

    private static String value(String option, Deque<String> left) {
        if (left.isEmpty()) {
            throw new IllegalArgumentException(option + " needs a value.\n" + USAGE);
        }
        return left.pop();
    }

    private static int number(String option, Deque<String> left, int most) {
        String text = value(option, left);
        try {
            int number = Integer.parseInt(text);
            if (number >= 1 && number <= most) {
                return number;
            }
        } catch (NumberFormatException e) {
            // said below
        }
        throw new IllegalArgumentException(option + " takes a number from 1 to " + most + ", not " + text + ".");
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
