package keel.app.base;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Files of pictures outside the web root, named by the hash of what was brought. */
@Component
public class PictureFiles {

    private final Path folder;

    /** @param home folder of the shop's data */
    public PictureFiles(@Value("${keel.home}") Path home) {
        this.folder = home.resolve("photos");
    }

    public static String hash(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** @param suffix behind the hash, empty for the picture itself */
    public Path file(String hash, String suffix) {
        return folder.resolve(hash.substring(0, 2)).resolve(hash + suffix);
    }

    /** Whole or not at all. */
    public void write(String hash, String suffix, byte[] bytes) throws IOException {
        Path to = file(hash, suffix);
        Files.createDirectories(to.getParent());
        Path written = Files.createTempFile(to.getParent(), "new", ".part");
        Files.write(written, bytes);
        try {
            Files.move(written, to, StandardCopyOption.ATOMIC_MOVE);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(written, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    public byte[] read(String hash, String suffix) {
        try {
            return Files.readAllBytes(file(hash, suffix));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
