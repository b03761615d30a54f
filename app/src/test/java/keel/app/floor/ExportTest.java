package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import keel.app.people.Role;
import keel.app.prints.RunView;
import keel.app.support.AppTest;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/**
 * What is taken along is a data package: as specs.frictionlessdata.io say, a name and resources with paths, each with a
 * schema whose fields are the headings of its CSV (RFC 4180), read here by another reader than wrote it.
 */
class ExportTest extends AppTest {

    @Autowired
    private MockMvc mvc;

    private final ObjectMapper json = new ObjectMapper();

    private MockHttpServletResponse fetch(Role role) throws Exception {
        shop.people();
        String token = shop.token(role);
        SecurityContextHolder.clearContext();
        return mvc.perform(MockMvcRequestBuilders.get("/api/v1/export").header("Authorization", "Bearer " + token))
                .andReturn()
                .getResponse();
    }

    private static Map<String, byte[]> unpacked(byte[] zip) throws IOException {
        Map<String, byte[]> files = new HashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                files.put(e.getName(), in.readAllBytes());
            }
        }
        return files;
    }

    private static List<CSVRecord> rows(byte[] csv) throws IOException {
        return CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new InputStreamReader(new ByteArrayInputStream(csv), StandardCharsets.UTF_8))
                .getRecords();
    }

    @Test
    void everyTableIsDescribedAndHoldsWhatWasWritten() throws Exception {
        String machine = shop.maskMachine();
        RunView run = shop.run(machine, 1, 4);
        MockHttpServletResponse answer = fetch(Role.OWNER);

        assertThat(answer.getStatus()).isEqualTo(200);
        Map<String, byte[]> files = unpacked(answer.getContentAsByteArray());
        JsonNode described = json.readTree(files.get("datapackage.json"));
        assertThat(described.get("name").asText()).matches("[a-z0-9._-]+");
        assertThat(described.get("resources").size()).isGreaterThan(50);
        for (JsonNode resource : described.get("resources")) {
            assertThat(resource.get("name").asText()).matches("[a-z0-9._-]+");
            String first = new String(files.get(resource.get("path").asText()), StandardCharsets.UTF_8)
                    .lines()
                    .findFirst()
                    .orElseThrow();
            assertThat(first.split(","))
                    .containsExactlyElementsOf(
                            resource.get("schema").get("fields").findValuesAsText("name"));
            assertThat(resource.get("schema").get("fields").findValuesAsText("type"))
                    .allMatch(List.of("string", "integer", "number", "boolean", "date", "datetime")::contains);
        }
        CSVRecord row = rows(files.get("data/run.csv")).stream()
                .filter(r -> r.get("id").equals(Long.toString(run.id())))
                .findFirst()
                .orElseThrow();
        assertThat(row.get("job")).isEqualTo("Latch pattern");
        assertThat(row.get("started_at")).isEqualTo(run.startedAt().toString());
        assertThat(row.get("layers")).isEqualTo("1000");
    }

    @Test
    void noSecretGoesAlongAndOnlyTheOwnerMayTakeIt() throws Exception {
        MockHttpServletResponse answer = fetch(Role.OWNER);
        Map<String, byte[]> files = unpacked(answer.getContentAsByteArray());

        assertThat(files).doesNotContainKey("data/api_token.csv");
        assertThat(new String(files.get("data/person.csv"), StandardCharsets.UTF_8))
                .contains("sign_in")
                .doesNotContain("hash")
                .doesNotContain("$2")
                .doesNotContain("argon");
        assertThat(fetch(Role.OPERATOR).getStatus()).isEqualTo(403);
    }
}
