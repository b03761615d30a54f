package keel.e2e;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The application as a process of its own, started as the README says: the very jar, a home of its own, a free port.
 */
final class KeelProcess implements AutoCloseable {

    private static final Pattern ADDRESS = Pattern.compile("answers at (https?://\\S+)/");

    private final Process process;
    private final Path home;
    private final List<String> said = new ArrayList<>();
    private final CompletableFuture<String> address = new CompletableFuture<>();

    private KeelProcess(Process process, Path home) {
        this.process = process;
        this.home = home;
        Thread reader = new Thread(this::read, "keel output");
        reader.setDaemon(true);
        reader.start();
    }

    static KeelProcess start(String command, Path home, String... options) {
        List<String> line = java("-jar", jar().toString(), command, "--home", home.toString(), "--port", "0");
        line.addAll(List.of(options));
        try {
            return new KeelProcess(
                    new ProcessBuilder(line).redirectErrorStream(true).start(), home);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Runs a command to its end and answers what it said; its exit code is the first line. */
    static String errand(String... arguments) throws IOException, InterruptedException {
        List<String> line = java("-jar", jar().toString());
        line.addAll(List.of(arguments));
        Process process = new ProcessBuilder(line).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes());
        return process.waitFor() + "\n" + said;
    }

    /** A JVM that starts fast: the tests start it often and let it run for a minute. */
    private static List<String> java(String... arguments) {
        List<String> line = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-XX:+UnlockDiagnosticVMOptions",
                "-XX:-BytecodeVerificationRemote"));
        line.addAll(List.of(arguments));
        return line;
    }

    /** The application, unpacked once: so it starts several seconds sooner than from one jar. */
    private static Path jar() {
        Path unpacked = Path.of("target", "run").toAbsolutePath();
        Path start = unpacked.resolve("keel-run.jar");
        Alone.with("unpack", () -> {
            if (!Files.exists(start)
                    || Files.getLastModifiedTime(start).compareTo(Files.getLastModifiedTime(packed())) < 0) {
                unpack(unpacked);
                Files.setLastModifiedTime(start, FileTime.from(Instant.now()));
            }
        });
        return start;
    }

    private static void unpack(Path to) throws IOException, InterruptedException {
        new ProcessBuilder(java(
                        "-Djarmode=tools",
                        "-jar",
                        packed().toString(),
                        "extract",
                        "--force",
                        "--destination",
                        to.toString()))
                .inheritIO()
                .start()
                .waitFor();
    }

    static Path packed() {
        Path jar =
                Path.of("..", "demo", "target", "keel-run.jar").toAbsolutePath().normalize();
        if (!Files.exists(jar)) {
            throw new IllegalStateException("The application is not built: " + jar.getFileName() + " is missing.");
        }
        return jar;
    }

    /** Waits until it answers. */
    String address() {
        try {
            return address.get(420, TimeUnit.SECONDS);
        } catch (InterruptedException | ExecutionException | TimeoutException e) {
            throw new IllegalStateException("It did not start: " + output(), e);
        }
    }

    String token() throws IOException {
        address();
        return Files.readString(home.resolve("api-token")).strip();
    }

    Path home() {
        return home;
    }

    synchronized String output() {
        return String.join("\n", said);
    }

    /** Pulls the plug on the process: no hook runs. */
    void kill() throws InterruptedException {
        process.destroyForcibly().waitFor();
    }

    /** Asks it to end; answers its exit code. */
    int terminate() throws InterruptedException {
        process.destroy();
        if (!process.waitFor(30, TimeUnit.SECONDS)) {
            throw new IllegalStateException("It did not end within 30 s.");
        }
        return process.exitValue();
    }

    @Override
    public void close() {
        process.destroy();
        try {
            if (!process.waitFor(20, TimeUnit.SECONDS)) {
                process.destroyForcibly().waitFor();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void read() {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(process.getInputStream()))) {
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                synchronized (this) {
                    said.add(line);
                }
                Matcher found = ADDRESS.matcher(line);
                if (found.find()) {
                    address.complete(found.group(1));
                }
            }
        } catch (IOException e) {
            // the process ended
        }
        address.completeExceptionally(new IllegalStateException("The process ended."));
    }
}
