package keel.app.house;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The application's own sources as text, for rules that byte code does not show. */
final class Sources {

    private static final Path ROOT = Path.of("src/main/java/keel/app");
    private static final Pattern TEXT =
            Pattern.compile("\"\"\"(.*?)\"\"\"|\"((?:\\\\.|[^\"\\\\\n])*)\"", Pattern.DOTALL);

    private Sources() {}

    /** One file: the room it stands in, its class, what it says. */
    record Source(String room, String type, String text) {

        /** All its string literals, one after the other as they would be joined. */
        String literals() {
            return TEXT.matcher(text)
                    .results()
                    .map(Source::content)
                    .collect(Collectors.joining("\u0001"))
                    .replaceAll("\\s*\u0001\\s*", " ");
        }

        List<String> each() {
            return TEXT.matcher(text).results().map(Source::content).toList();
        }

        private static String content(MatchResult literal) {
            return literal.group(1) != null ? literal.group(1) : literal.group(2);
        }
    }

    static List<Source> all() {
        try (Stream<Path> files = Files.walk(ROOT)) {
            return files.filter(
                            f -> f.toString().endsWith(".java") && f.getParent().getNameCount() > ROOT.getNameCount())
                    .sorted()
                    .map(Sources::read)
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Source read(Path file) {
        try {
            String type = file.getFileName().toString().replace(".java", "");
            return new Source(ROOT.relativize(file).getName(0).toString(), type, Files.readString(file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A committed list, comments and blank lines left out. */
    static List<String> listed(String name) {
        try {
            return Files.readAllLines(Path.of("src/test/resources/house", name)).stream()
                    .filter(line -> !line.isBlank() && !line.startsWith("#"))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
