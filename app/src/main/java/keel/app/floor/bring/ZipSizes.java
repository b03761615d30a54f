package keel.app.floor.bring;

import java.io.IOException;
import java.io.InputStream;
import java.util.Collections;
import java.util.List;
import keel.app.base.Refused;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;

/** Holds what a workbook unpacks to against a limit, before anybody keeps it. */
final class ZipSizes {

    private static final int MOST_ENTRIES = 2000;
    private static final int BUFFER = 65_536;

    private ZipSizes() {}

    static void check(byte[] bytes, long most) {
        try (ZipFile zip = ZipFile.builder()
                .setSeekableByteChannel(new SeekableInMemoryByteChannel(bytes))
                .get()) {
            List<ZipArchiveEntry> entries = Collections.list(zip.getEntries());
            if (entries.size() > MOST_ENTRIES) {
                throw new Refused("file", "This is no workbook: it holds too many files.");
            }
            long left = most;
            for (ZipArchiveEntry entry : entries) {
                left -= unpacked(zip, entry, left);
                if (left < 0) {
                    throw new Refused("file", "This workbook unpacks to more than 400 MB.");
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new Refused("file", "This is no workbook that can be read: save it as .xlsx, or as CSV.");
        }
    }

    /** What an entry really unpacks to, whatever it says of itself; a little more than the limit where it is more. */
    private static long unpacked(ZipFile zip, ZipArchiveEntry entry, long most) throws IOException {
        byte[] buffer = new byte[BUFFER];
        long sum = 0;
        try (InputStream in = zip.getInputStream(entry)) {
            for (int n = in.read(buffer); n >= 0 && sum <= most; n = in.read(buffer)) {
                sum += n;
            }
        }
        return sum;
    }
}
