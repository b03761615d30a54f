package keel.app.house;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What the migrations make. */
final class Migrations {

    private static final Pattern TABLE = Pattern.compile("create table (?:if not exists )?([a-z_]+)");
    private static final Pattern VIEW =
            Pattern.compile("create (?:or replace )?view ([a-z_]+) as\\s(.*?);", Pattern.DOTALL);
    private static final Pattern READS = Pattern.compile("\\b(?:from|join)\\s+([a-z_]+)");

    private Migrations() {}

    static Set<String> tables() {
        return TABLE.matcher(all()).results().map(m -> m.group(1)).collect(Collectors.toCollection(TreeSet::new));
    }

    /** Every view with the tables that it reads in the end. */
    static Map<String, Set<String>> views() {
        Map<String, Set<String>> direct = new HashMap<>();
        VIEW.matcher(all()).results().forEach(m -> direct.put(m.group(1), reads(m)));
        Set<String> tables = tables();
        Map<String, Set<String>> views = new HashMap<>();
        direct.keySet().forEach(view -> views.put(view, tables(view, direct, tables)));
        return views;
    }

    private static Set<String> reads(MatchResult view) {
        return READS.matcher(view.group(2)).results().map(m -> m.group(1)).collect(Collectors.toSet());
    }

    private static Set<String> tables(String view, Map<String, Set<String>> direct, Set<String> tables) {
        Set<String> found = new TreeSet<>();
        for (String read : direct.get(view)) {
            if (direct.containsKey(read)) {
                found.addAll(tables(read, direct, tables));
            } else if (tables.contains(read)) {
                found.add(read);
            }
        }
        return found;
    }

    private static String all() {
        try (Stream<Path> files = Files.list(Path.of("src/main/resources/db/migration"))) {
            StringBuilder sql = new StringBuilder();
            for (Path file : files.sorted().toList()) {
                sql.append(Files.readString(file)).append('\n');
            }
            return sql.toString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
