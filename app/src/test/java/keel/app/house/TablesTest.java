package keel.app.house;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * Corridors that imports do not show: which room's SQL touches which table. A table belongs to one room; what others
 * still read or write of it is listed, and the list only gets shorter.
 */
class TablesTest {

    private static final Pattern TOUCH = Pattern.compile(
            "\\b(insert into|merge into|delete from|update|from|join)\\s+([a-z_]+)\\b", Pattern.CASE_INSENSITIVE);

    @Test
    void everyTableBelongsToARoomAndIsTouchedByItOnly() {
        Map<String, String> owners = owners();
        TreeSet<String> debts = new TreeSet<>();
        for (Sources.Source source : Sources.all()) {
            TOUCH.matcher(source.literals())
                    .results()
                    .filter(touch -> owners.containsKey(table(touch)))
                    .filter(touch -> !owners.get(table(touch)).equals(source.room()))
                    .forEach(touch -> debts.add(source.room() + " " + verb(touch) + " " + table(touch) + " of "
                            + owners.get(table(touch))));
        }
        assertThat(debts)
                .as("tables of other rooms, against sql-debts.txt: ask the room's service instead")
                .containsExactlyElementsOf(Sources.listed("sql-debts.txt"));
    }

    /** Every table that the migrations make has an owner. */
    @Test
    void noTableIsNobodys() {
        assertThat(owners().keySet()).containsExactlyInAnyOrderElementsOf(Migrations.tables());
    }

    private static String table(MatchResult touch) {
        return touch.group(2).toLowerCase(java.util.Locale.ROOT);
    }

    private static String verb(MatchResult touch) {
        String word = touch.group(1).toLowerCase(java.util.Locale.ROOT);
        return word.equals("from") || word.equals("join") ? "reads" : "writes";
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
