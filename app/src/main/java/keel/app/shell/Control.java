package keel.app.shell;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.ConnectException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.util.HexFormat;
import java.util.List;
import javax.net.ssl.SSLContext;
import javax.net.ssl.TrustManagerFactory;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.servlet.context.ServletWebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;

/**
 * How commands reach the running application: its address and a secret stand in a file that only the owner of the
 * process may read. Nothing else is done here than a backup.
 */
@Controller
class Control {

    private static final String FILE = "control";

    private final Path home;
    private final boolean https;
    private final DataSource database;
    private final Clock clock;
    private final String secret;

    Control(
            @Value("${keel.home}") Path home,
            @Value("${keel.https:false}") boolean https,
            DataSource database,
            Clock clock) {
        this.home = home;
        this.https = https;
        this.database = database;
        this.clock = clock;
        byte[] bits = new byte[32];
        new SecureRandom().nextBytes(bits);
        this.secret = HexFormat.of().formatHex(bits);
    }

    @EventListener
    void writeAddress(ServletWebServerInitializedEvent started) throws IOException {
        Home.writeSecret(
                home.resolve(FILE),
                (https ? "https" : "http") + "://127.0.0.1:"
                        + started.getWebServer().getPort() + "\n" + secret + "\n");
    }

    @PostMapping("/control/backup")
    void backup(
            @RequestHeader(name = "Keel-Control", defaultValue = "") String given,
            HttpServletRequest request,
            HttpServletResponse response)
            throws IOException, SQLException {
        if (!MessageDigest.isEqual(given.getBytes(StandardCharsets.UTF_8), secret.getBytes(StandardCharsets.UTF_8))) {
            response.sendError(HttpServletResponse.SC_NOT_FOUND);
            return;
        }
        response.setContentType("application/zip");
        try (Connection connection = database.getConnection()) {
            Backup.write(connection, home, clock.instant(), response.getOutputStream());
        }
    }

    /** Fetches a backup from the application running in this home; false if none is. */
    static boolean fetchBackup(Path home, Path to) throws IOException {
        Path file = home.resolve(FILE);
        if (!Files.exists(file)) {
            return false;
        }
        List<String> lines = Files.readAllLines(file);
        HttpRequest request = HttpRequest.newBuilder(URI.create(lines.get(0) + "/control/backup"))
                .header("Keel-Control", lines.get(1))
                .timeout(Duration.ofMinutes(10))
                .POST(HttpRequest.BodyPublishers.noBody())
                .build();
        try {
            HttpResponse<Path> answer = client(home).send(request, HttpResponse.BodyHandlers.ofFile(to));
            if (answer.statusCode() != 200) {
                throw new IOException("The running application refused the backup (" + answer.statusCode() + ").");
            }
            return true;
        } catch (ConnectException e) {
            return false;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Interrupted.", e);
        }
    }

    private static HttpClient client(Path home) throws IOException {
        HttpClient.Builder client = HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5));
        Path store = home.resolve("keel.p12");
        if (!Files.exists(store)) {
            return client.build();
        }
        try {
            KeyStore own = KeyStore.getInstance(
                    store.toFile(),
                    Files.readString(home.resolve("keel.p12.password")).toCharArray());
            KeyStore trusted = KeyStore.getInstance(KeyStore.getDefaultType());
            trusted.load(null, null);
            trusted.setCertificateEntry("keel", own.getCertificate("keel"));
            TrustManagerFactory trust = TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
            trust.init(trusted);
            SSLContext context = SSLContext.getInstance("TLS");
            context.init(null, trust.getTrustManagers(), null);
            return client.sslContext(context).build();
        } catch (GeneralSecurityException e) {
            throw new IOException("The certificate in " + home + " cannot be read.", e);
        }
    }
}
