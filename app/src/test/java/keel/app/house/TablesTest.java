package keel.app.house;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * Corridors that imports do not show. A table belongs to one room, which alone reads and writes it; what others ask
 * stands in views, which rooms on the same floor and above may read. Every table and view is mapped once.
 */
class TablesTest {

    private static final Pattern TOUCH = Pattern.compile(
            "\\b(?:insert into|merge into|delete from|update|from|join)\\s+([A-Za-z_]+)\\b", Pattern.CASE_INSENSITIVE);
    private static final Pattern ENTITY = Pattern.compile("@Entity\\n((?:@.*\\n)*)(?:public )?class (\\w+)");
    private static final Pattern NAMED = Pattern.compile("@Table\\(name = \"([a-z_]+)\"\\)");
    private static final Pattern READS = Pattern.compile("@Synchronize\\(\\{?([^)}]*)}?\\)");
    private static final Pattern COLLECTED =
            Pattern.compile("@(?:CollectionTable|JoinTable)\\(\\s*name = \"([a-z_]+)\"");

    /** A mapped table or view: the room that maps it, and which tables it says it reads. */
    private record Mapped(String entity, String name, String room, Set<String> says) {}

    @Test
    void aTableIsTouchedByItsRoomOnlyAndAViewByRoomsAbove() {
        Map<String, String> owners = new HashMap<>(owners());
        Map<String, String> named = new HashMap<>();
        mapped().forEach(m -> {
            named.put(m.entity().toLowerCase(Locale.ROOT), m.name());
            owners.put(m.name(), m.room());
        });
        Set<String> views = Migrations.views().keySet();
        Set<String> wrong = new TreeSet<>();
        for (Sources.Source source : Sources.all()) {
            if (source.type().equals("AuditFacts")) {
                continue; // reads the raw record of all rooms on purpose
            }
            TOUCH.matcher(source.literals()).results().forEach(touch -> {
                String word = touch.group(1).toLowerCase(Locale.ROOT);
                String target = named.getOrDefault(word, word);
                String owner = owners.get(target);
                if (owner != null && !owner.equals(source.room()) && !mayRead(source.room(), owner, views, target)) {
                    wrong.add(source.type() + " of " + source.room() + " touches " + target + " of " + owner);
                }
            });
        }
        assertThat(wrong).as("ask the room's service, or a view").isEmpty();
    }

    private static boolean mayRead(String room, String owner, Set<String> views, String target) {
        return views.contains(target) && Floors.of(room) >= Floors.of(owner);
    }

    @Test
    void noTableIsNobodys() {
        assertThat(owners().keySet()).containsExactlyInAnyOrderElementsOf(Migrations.tables());
    }

    @Test
    void everyTableAndViewIsMappedOnceInItsRoom() {
        Map<String, String> owners = owners();
        List<String> mapped = mapped().stream().map(Mapped::name).toList();
        assertThat(Stream.concat(mapped.stream(), collected().stream()))
                .doesNotHaveDuplicates()
                .containsExactlyInAnyOrderElementsOf(
                        Stream.concat(Migrations.tables().stream(), Migrations.views().keySet().stream())
                                .toList());
        assertThat(mapped()).allSatisfy(m -> assertThat(owners.getOrDefault(m.name(), m.room()))
                .as(m.name())
                .isEqualTo(m.room()));
    }

    /** Otherwise what was just written would be missing from what is read through a view in the same breath. */
    @Test
    void aViewSaysWhichTablesItReads() {
        Map<String, Set<String>> views = Migrations.views();
        assertThat(mapped().stream().filter(m -> views.containsKey(m.name())))
                .isNotEmpty()
                .allSatisfy(m -> assertThat(m.says()).as(m.name()).isEqualTo(views.get(m.name())));
    }

    /** Everything goes through Hibernate but what these say the reason of. */
    @Test
    void onlyTheNamedClassesSpeakSqlByHand() {
        assertThat(Sources.all().stream()
                        .filter(s -> s.text().contains("JdbcClient") || s.text().contains("JdbcTemplate"))
                        .map(Sources.Source::type))
                .containsExactlyInAnyOrderElementsOf(Sources.listed("sql-by-hand.txt"))
                .hasSizeLessThanOrEqualTo(12);
        assertThat(Sources.all().stream()
                        .filter(s -> s.text().contains("nativeQuery"))
                        .flatMap(s -> s.each().stream())
                        .filter(text -> text.startsWith("select next value")))
                .as("native queries take the next number of a sequence, nothing else")
                .hasSameSizeAs(Sources.all().stream()
                        .flatMap(s ->
                                Pattern.compile("nativeQuery").matcher(s.text()).results())
                        .toList());
    }

    @Test
    void nobodyHasToRememberToWriteBeforeReading() {
        assertThat(Sources.all().stream()
                        .filter(s -> s.text().contains("saveAndFlush")
                                || s.text().contains("entities.flush()")
                                || s.text().contains("records.flush()"))
                        .map(Sources.Source::type))
                .isEmpty();
    }

    private static List<Mapped> mapped() {
        return Sources.all().stream()
                .flatMap(s -> ENTITY.matcher(s.text()).results().map(m -> {
                    String name = NAMED.matcher(m.group(1))
                            .results()
                            .map(n -> n.group(1))
                            .findFirst()
                            .orElse(snake(m.group(2)));
                    return new Mapped(m.group(2), name, s.room(), says(m.group(1)));
                }))
                .toList();
    }

    private static Set<String> says(String annotations) {
        return READS.matcher(annotations)
                .results()
                .flatMap(m -> Arrays.stream(m.group(1).split(",")))
                .map(t -> t.strip().replace("\"", ""))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static Set<String> collected() {
        return Sources.all().stream()
                .flatMap(s -> COLLECTED.matcher(s.text()).results().map(m -> m.group(1)))
                .collect(Collectors.toSet());
    }

    private static String snake(String type) {
        return type.replaceAll("([a-z0-9])([A-Z])", "$1_$2").toLowerCase(Locale.ROOT);
    }

    /** Lines like "fleet: room, machine". */
    private static Map<String, String> owners() {
        Map<String, String> owners = new HashMap<>();
        for (String line : Sources.listed("tables.txt")) {
            String room = line.substring(0, line.indexOf(':'));
            for (String table :
                    List.of(line.substring(line.indexOf(':') + 1).strip().split("\\s*,\\s*"))) {
                owners.put(table, room);
            }
        }
        return owners;
    }
}
