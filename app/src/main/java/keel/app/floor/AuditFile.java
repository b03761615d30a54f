package keel.app.floor;

import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.datatype.jsr310.JavaTimeModule;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** The last audit, kept beside the records so that it is still there after a restart. */
@Component
class AuditFile {

    private static final Logger LOG = LoggerFactory.getLogger(AuditFile.class);
    private static final ObjectMapper JSON = new ObjectMapper()
            .registerModule(new JavaTimeModule())
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES);

    private final Path file;

    AuditFile(@Value("${keel.home}") Path home) {
        this.file = home.resolve("audit.json");
    }

    void keep(Audit.Report report) {
        try {
            Path fresh = file.resolveSibling("audit.json.new");
            Files.createDirectories(file.getParent());
            JSON.writeValue(fresh.toFile(), report);
            Files.move(fresh, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            throw new UncheckedIOException("The audit could not be kept.", e);
        }
    }

    /** Empty where none was made, or it cannot be read any more. */
    Optional<Audit.Report> last() {
        try {
            return Files.exists(file)
                    ? Optional.of(JSON.readValue(file.toFile(), Audit.Report.class))
                    : Optional.empty();
        } catch (IOException e) {
            LOG.warn("The last audit cannot be read: {}", e.getMessage());
            return Optional.empty();
        }
    }
}
