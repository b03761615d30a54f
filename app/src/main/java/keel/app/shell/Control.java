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
import java.util.Optional;
import javax.net.ssl.SSLContext;
import javax.net.ssl.TrustManagerFactory;
import javax.sql.DataSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.servlet.context.ServletWebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;

/**
 * How commands reach the running application: its address and a secret stand in a file that only the owner of the
 * process may read. Nothing else is done here than a backup and an audit.
 */
@Controller
class Control {

    private static final String FILE = "control";

    private final Path home;
    private final boolean https;
    private final DataSource database;
    private final ObjectProvider<ShopAudit> audit;
    private final Clock clock;
    private final String secret;

    Control(
            @Value("${keel.home}") Path home,
            @Value("${keel.https:false}") boolean https,
            DataSource database,
            ObjectProvider<ShopAudit> audit,
            Clock clock) {
        this.home = home;
        this.https = https;
        this.database = database;
        this.audit = audit;
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
        if (!mayAsk(given)) {
            response.sendError(HttpServletResponse.SC_NOT_FOUND);
            return;
        }
        response.setContentType("application/zip");
        try (Connection connection = database.getConnection()) {
            Backup.write(connection, home, clock.instant(), response.getOutputStream());
        }
    }

    /** The answer of the audit; 200 where nothing was found, 409 otherwise. */
    @PostMapping("/control/audit")
    void audit(@RequestHeader(name = "Keel-Control", defaultValue = "") String given, HttpServletResponse response)
            throws IOException {
        if (!mayAsk(given)) {
            response.sendError(HttpServletResponse.SC_NOT_FOUND);
            return;
        }
        ShopAudit.Answer answer = audit.getObject().answer();
        response.setStatus(answer.clean() ? HttpServletResponse.SC_OK : HttpServletResponse.SC_CONFLICT);
        response.setContentType("text/plain;charset=UTF-8");
        response.getWriter().write(answer.words());
    }

    private boolean mayAsk(String given) {
        return MessageDigest.isEqual(given.getBytes(StandardCharsets.UTF_8), secret.getBytes(StandardCharsets.UTF_8));
    }

    /** Asks the application running in this home to audit itself; empty if none is. */
    static Optional<ShopAudit.Answer> fetchAudit(Path home) throws IOException {
        return asked(home, "/control/audit", HttpResponse.BodyHandlers.ofString())
                .map(answer -> {
                    if (answer.statusCode() != HttpServletResponse.SC_OK
                            && answer.statusCode() != HttpServletResponse.SC_CONFLICT) {
                        throw new IllegalArgumentException(
                                "The running application refused the audit (" + answer.statusCode() + ").");
                    }
                    return new ShopAudit.Answer(answer.statusCode() == HttpServletResponse.SC_OK, answer.body());
                });
    }

    /** Fetches a backup from the application running in this home; false if none is. */
    static boolean fetchBackup(Path home, Path to) throws IOException {
        Optional<HttpResponse<Path>> answer = asked(home, "/control/backup", HttpResponse.BodyHandlers.ofFile(to));
        if (answer.isPresent() && answer.get().statusCode() != HttpServletResponse.SC_OK) {
            throw new IOException("The running application refused the backup ("
                    + answer.get().statusCode() + ").");
        }
        return answer.isPresent();
    }

    /** Empty if no application runs in this home. */
    private static <T> Optional<HttpResponse<T>> asked(Path home, String what, HttpResponse.BodyHandler<T> into)
            throws IOException {
        Path file = home.resolve(FILE);
        if (!Files.exists(file)) {
            return Optional.empty();
        }
        List<String> lines = Files.readAllLines(file);
        HttpRequest request = HttpRequest.newBuilder(URI.create(lines.get(0) + what))
                .header("Keel-Control", lines.get(1))
                .timeout(Duration.ofMinutes(10))
                .POST(HttpRequest.BodyPublishers.noBody())
                .build();
        try {
            return Optional.of(client(home).send(request, into));
        } catch (ConnectException e) {
            return Optional.empty();
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
