package keel.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import nu.validator.client.EmbeddedValidator;

/** The Nu Html Checker of the W3C's validator, run in this process: what is no HTML is told, line by line. */
final class NuChecker {

    /** What htmx adds and every browser ignores. */
    private static final List<String> MEANT = List.of("Attribute “hx-");

    private NuChecker() {}

    /** Fails unless the page, as it was sent, is HTML. */
    static void valid(String path, String html) {
        EmbeddedValidator validator = new EmbeddedValidator();
        validator.setOutputFormat(EmbeddedValidator.OutputFormat.GNU);
        try (InputStream in = new ByteArrayInputStream(html.getBytes(StandardCharsets.UTF_8))) {
            List<String> wrong = Arrays.stream(validator.validate(in).split("\n"))
                    .filter(line -> line.contains(": error:"))
                    .filter(line -> MEANT.stream().noneMatch(line::contains))
                    .distinct()
                    .toList();
            assertThat(wrong).as("HTML of %s", path).isEmpty();
        } catch (java.io.IOException | org.xml.sax.SAXException e) {
            throw new IllegalStateException(e);
        }
    }
}
