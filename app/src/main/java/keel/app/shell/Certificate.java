package keel.app.shell;

import java.io.IOException;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;

/** The shop's own certificate, made once with keytool for this machine's names and addresses. */
record Certificate(Path store, Path certificate, String password) {

    static Certificate in(Path home) throws IOException {
        Path store = home.resolve("keel.p12");
        Path secret = home.resolve("keel.p12.password");
        Path certificate = home.resolve("keel.crt");
        Files.createDirectories(home);
        if (!Files.exists(store)) {
            byte[] bits = new byte[16];
            new SecureRandom().nextBytes(bits);
            Home.writeSecret(secret, HexFormat.of().formatHex(bits));
            String password = Files.readString(secret);
            keytool(
                    "-genkeypair",
                    "-alias",
                    "keel",
                    "-keyalg",
                    "EC",
                    "-groupname",
                    "secp256r1",
                    "-validity",
                    "820",
                    "-storetype",
                    "PKCS12",
                    "-keystore",
                    store.toString(),
                    "-storepass",
                    password,
                    "-dname",
                    "CN=Vigilant Keel",
                    "-ext",
                    "SAN=" + String.join(",", names()));
            keytool(
                    "-exportcert",
                    "-rfc",
                    "-alias",
                    "keel",
                    "-keystore",
                    store.toString(),
                    "-storepass",
                    password,
                    "-file",
                    certificate.toString());
        }
        return new Certificate(store, certificate, Files.readString(secret));
    }

    Map<String, Object> properties() {
        return Map.of(
                "server.ssl.key-store",
                store.toAbsolutePath().toString(),
                "server.ssl.key-store-password",
                password,
                "server.ssl.key-store-type",
                "PKCS12",
                "server.ssl.key-alias",
                "keel");
    }

    private static List<String> names() throws IOException {
        List<String> names = new ArrayList<>(List.of("dns:localhost", "ip:127.0.0.1"));
        names.add("dns:" + InetAddress.getLocalHost().getHostName());
        for (NetworkInterface network : Collections.list(NetworkInterface.getNetworkInterfaces())) {
            Collections.list(network.getInetAddresses()).stream()
                    .filter(a -> a.getAddress().length == 4 && !a.isLoopbackAddress())
                    .forEach(a -> names.add("ip:" + a.getHostAddress()));
        }
        return names;
    }

    private static void keytool(String... arguments) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "keytool").toString()));
        command.addAll(List.of(arguments));
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        process.getOutputStream().close();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        try {
            if (process.waitFor() != 0) {
                throw new IOException("keytool could not make the certificate: " + said.strip());
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("keytool was interrupted.", e);
        }
    }
}
