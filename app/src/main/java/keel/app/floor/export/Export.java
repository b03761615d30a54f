package keel.app.floor.export;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.Role;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * All that was written as a Frictionless Data Package: {@code datapackage.json} with every table's fields, a CSV a
 * table, photographs by the hash of what is in them.
 */
@Service
public class Export {

    private static final String PHOTOS = "photos";

    private final ExportTables tables;
    private final ShopSettings settings;
    private final ObjectMapper json;
    private final Path home;
    private final Clock clock;

    Export(
            ExportTables tables,
            ShopSettings settings,
            ObjectMapper json,
            @Value("${keel.home}") Path home,
            Clock clock) {
        this.tables = tables;
        this.settings = settings;
        this.json = json;
        this.home = home;
        this.clock = clock;
    }

    /** Writes it as a ZIP; the stream stays open. */
    @Transactional(readOnly = true)
    public void write(OutputStream out) throws IOException {
        Actor.require(Role.OWNER);
        ZipOutputStream zip = new ZipOutputStream(out);
        Map<String, List<ExportTables.Field>> all = tables.tables();
        zip.putNextEntry(new ZipEntry("datapackage.json"));
        zip.write(json.writerWithDefaultPrettyPrinter().writeValueAsBytes(described(all)));
        for (Map.Entry<String, List<ExportTables.Field>> table : all.entrySet()) {
            zip.putNextEntry(new ZipEntry(path(table.getKey())));
            table(table.getKey(), table.getValue(), zip);
        }
        photos(zip);
        zip.finish();
    }

    private static String path(String table) {
        return "data/" + table + ".csv";
    }

    private Map<String, Object> described(Map<String, List<ExportTables.Field>> all) {
        List<Map<String, Object>> resources = new ArrayList<>();
        all.forEach((table, fields) -> {
            Map<String, Object> resource = new LinkedHashMap<>();
            resource.put("name", table.replace('_', '-'));
            resource.put("path", path(table));
            resource.put("profile", "tabular-data-resource");
            resource.put("format", "csv");
            resource.put("mediatype", "text/csv");
            resource.put("encoding", "utf-8");
            resource.put(
                    "schema",
                    Map.of("fields", fields.stream().map(Export::field).toList()));
            resources.add(resource);
        });
        Map<String, Object> described = new LinkedHashMap<>();
        described.put("profile", "tabular-data-package");
        described.put("name", "vigilant-keel");
        described.put("title", settings.name());
        described.put("created", clock.instant().toString());
        described.put("resources", resources);
        return described;
    }

    private static Map<String, Object> field(ExportTables.Field f) {
        Map<String, Object> field = new LinkedHashMap<>();
        field.put("name", f.name());
        field.put("type", f.type());
        UnitOfField.of(f.name()).ifPresent(unit -> field.put("unit", unit));
        return field;
    }

    private void table(String name, List<ExportTables.Field> fields, ZipOutputStream zip) throws IOException {
        Writer text = new OutputStreamWriter(zip, StandardCharsets.UTF_8);
        CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180);
        csv.printRecord(fields.stream().map(ExportTables.Field::name).toList());
        tables.rows(name, fields, row -> {
            try {
                csv.printRecord(row);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        csv.flush();
    }

    private void photos(ZipOutputStream zip) throws IOException {
        Path folder = home.resolve(PHOTOS);
        if (!Files.isDirectory(folder)) {
            return;
        }
        List<Path> files;
        try (Stream<Path> all = Files.walk(folder)) {
            files = all.filter(Files::isRegularFile)
                    .filter(f -> !f.toString().endsWith(".part"))
                    .sorted()
                    .toList();
        }
        for (Path file : files) {
            zip.putNextEntry(new ZipEntry(
                    PHOTOS + "/" + folder.relativize(file).toString().replace('\\', '/')));
            Files.copy(file, zip);
        }
    }
}
