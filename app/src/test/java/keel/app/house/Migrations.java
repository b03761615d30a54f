package keel.app.house;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** What the migrations make. */
final class Migrations {

    private static final Pattern CREATED = Pattern.compile("create table (?:if not exists )?([a-z_]+)");

    private Migrations() {}

    static Set<String> tables() {
        Set<String> tables = new TreeSet<>();
        try (Stream<Path> files = Files.list(Path.of("src/main/resources/db/migration"))) {
            for (Path file : files.toList()) {
                CREATED.matcher(Files.readString(file)).results().forEach(m -> tables.add(m.group(1)));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return tables;
    }
}
