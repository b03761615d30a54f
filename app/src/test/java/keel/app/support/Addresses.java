package keel.app.support;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import keel.app.stores.IncidentKind;
import keel.core.guide.Procedures;
import keel.core.screen.TestPattern;
import keel.core.standing.ServiceKind;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** The addresses of the application as its mappings say, filled with every name of the shop that can stand in them. */
final class Addresses {

    static final Pattern VARIABLE = Pattern.compile("\\{(\\w+)(?::([^}]*))?}");

    /** Of long lists a few: the first and the last. */
    private static final int MOST = 4;

    /** Of one pattern so many addresses; a picture takes long to make. */
    private static final int MOST_PAGES = 12;

    private static final int MOST_FILES = 2;

    private final RequestMappingHandlerMapping mappings;
    private final JdbcClient jdbc;
    private final boolean everyPlace;

    /** @param everyPlace whether each place of a name must be known here; otherwise the unknown ones stay empty */
    Addresses(RequestMappingHandlerMapping mappings, JdbcClient jdbc, boolean everyPlace) {
        this.everyPlace = everyPlace;
        this.mappings = mappings;
        this.jdbc = jdbc;
    }

    List<String> patterns(RequestMethod method) {
        return mappings.getHandlerMethods().keySet().stream()
                .filter(i -> i.getMethodsCondition().getMethods().contains(method))
                .flatMap(i -> i.getPatternValues().stream())
                .filter(p -> !p.startsWith("/error") && !p.startsWith("/api/docs") && !p.startsWith("/control"))
                .distinct()
                .sorted()
                .toList();
    }

    /** The pattern with every name that can stand in it. */
    List<String> filled(String pattern) {
        List<String> paths = new ArrayList<>(List.of(pattern));
        Matcher variables = VARIABLE.matcher(pattern);
        while (variables.find()) {
            List<String> values = values(pattern, variables.group(1), variables.group(2));
            List<String> next = new ArrayList<>();
            for (String path : paths) {
                for (String value : values) {
                    next.add(path.replace(variables.group(), value));
                }
            }
            paths = next;
        }
        return few(paths, pattern.matches(".*\\.(png|zip|pdf|wav|stl)") ? MOST_FILES : MOST_PAGES);
    }

    /** Evenly over the whole list, the first one always. */
    private static List<String> few(List<String> paths, int most) {
        return paths.size() <= most
                ? paths
                : IntStream.range(0, most)
                        .mapToObj(i -> paths.get(i * paths.size() / most))
                        .toList();
    }

    private List<String> values(String pattern, String variable, String among) {
        if (among != null) {
            return List.of(among.split("\\|"));
        }
        return switch (variable) {
            case "kind" -> pattern.contains("/evidence/") ? List.of("machine") : kinds(pattern);
            case "procedure" -> procedures();
            case "pattern", "picture" -> names(TestPattern.values());
            case "place" -> List.of("centre");
            case "set" -> List.of("steps");
            case "month" -> List.of("2026-02", "2025-12");
            case "resin" -> codes("select code from resin where retired_at is null order by id");
            case "machine" -> codes("select code from machine order by id");
            case "item" -> codes("select code from stock_item where retired_at is null order by id");
            case "room" -> codes("select code from room order by id");
            default -> byPlace(pattern);
        };
    }

    private static List<String> kinds(String pattern) {
        if (pattern.startsWith("/incidents")) {
            return names(IncidentKind.values());
        }
        return names(pattern.contains("/do/") ? new ServiceKind[] {ServiceKind.CLEAN_UP} : ServiceKind.values());
    }

    private static List<String> procedures() {
        return Procedures.shipped().all().stream().map(p -> p.code()).toList();
    }

    private static final Map<String, String> SUBJECTS = new LinkedHashMap<>();

    static {
        SUBJECTS.put("/setup/backups", "select code from machine where false"); // files, none in a test
        SUBJECTS.put("/setup/models", "select code from machine_model order by id");
        SUBJECTS.put("/setup/machines", "select code from machine order by id");
        SUBJECTS.put("/bench/models", "select code from machine_model order by id");
        SUBJECTS.put("/bench/screens", "select code from component where kind = 'SCREEN' order by id");
        SUBJECTS.put("/bench/upkeep", "select id from upkeep_rule order by id");
        SUBJECTS.put("/stores/bottles", "select code from bottle order by id");
        SUBJECTS.put("/stores/resins", "select code from resin where retired_at is null order by id");
        SUBJECTS.put("/air/rooms", "select code from room order by id");
        SUBJECTS.put("/air/parts", "select id from air_part where retired_at is null order by id");
        SUBJECTS.put("/vats", "select code from component where kind = 'VAT' order by id");
        SUBJECTS.put("/failures", "select id from failure where not withdrawn order by id");
        SUBJECTS.put("/api/v1/failures", "select id from failure where not withdrawn order by id");
        SUBJECTS.put("/files/reading", "select hash from sliced_file where false"); // nothing is being read in a test
        SUBJECTS.put("/api/v1/files/reading", "select hash from sliced_file where false");
        SUBJECTS.put("/files/{hash}/layers", "select hash from sliced_file where false"); // two names of unlike kinds
        SUBJECTS.put("/files", "select hash from sliced_file order by hash");
        SUBJECTS.put("/api/v1/files", "select hash from sliced_file order by hash");
        SUBJECTS.put("/jobs", "select id from wanted_job order by id");
        SUBJECTS.put("/api/v1/jobs", "select id from wanted_job order by id");
        SUBJECTS.put("/orders", "select id from part_order order by id");
        SUBJECTS.put("/api/v1/orders", "select id from part_order order by id");
        SUBJECTS.put("/runs/{id}/parts", "select distinct run_id from run_part order by run_id");
        SUBJECTS.put("/photos", "select id from photo order by id");
        SUBJECTS.put("/guides", "select id from guide_session order by id");
        SUBJECTS.put("/runs/{id}/now", "select id from run where ended_at is null and not withdrawn");
        SUBJECTS.put("/runs", "select id from run where ended_at is not null and not withdrawn order by id");
        SUBJECTS.put("/costs/runs", "select id from run where ended_at is not null and not withdrawn order by id");
        SUBJECTS.put("/api/v1/runs/{id}/footprint", "select distinct run_id from run_footprint order by run_id");
        SUBJECTS.put("/api/v1/runs", "select id from run where not withdrawn order by id");
        SUBJECTS.put("/machines/{code}/screen/photos", "select id from screen_photo where false");
        SUBJECTS.put("/machines", "select code from machine order by id");
        SUBJECTS.put("/api/v1/machines", "select code from machine order by id");
        SUBJECTS.put("/evidence", "select code from machine order by id");
        SUBJECTS.put("/api/v1/evidence", "select code from machine order by id");
        SUBJECTS.put("/instruments", "select code from machine order by id");
        SUBJECTS.put("/help", "values ('fleet'), ('programs')");
        SUBJECTS.put("/emergency", "values ('leak'), ('skin-or-eye')");
        SUBJECTS.put("/knowledge/causes", "values ('film-worn')");
    }

    private List<String> byPlace(String pattern) {
        Optional<List<String>> names = SUBJECTS.entrySet().stream()
                .filter(s -> pattern.startsWith(s.getKey()))
                .findFirst()
                .map(s -> codes(s.getValue()));
        return everyPlace
                ? names.orElseThrow(() -> new AssertionError("What stands in " + pattern + "? Say it here."))
                : names.orElse(List.of());
    }

    private List<String> codes(String sql) {
        List<String> all = jdbc.sql(sql).query(String.class).list();
        if (all.size() <= 2 * MOST) {
            return all;
        }
        List<String> few = new ArrayList<>(all.subList(0, MOST));
        few.addAll(all.subList(all.size() - MOST, all.size()));
        return few;
    }

    private static List<String> names(Enum<?>[] values) {
        return Arrays.stream(values).map(Enum::name).toList();
    }
}
