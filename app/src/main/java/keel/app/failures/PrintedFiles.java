package keel.app.failures;

import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What the file of a print that failed has where it failed; answered by whoever keeps the files. */
public interface PrintedFiles {

    /**
     * A file at a layer.
     *
     * @param layer where the print failed; null where nobody knows, then it is about the whole file
     * @param facts codes of facts of history
     * @param lines what it has there, in sentences; none where it has nothing
     * @param findings how many there are in all of it
     */
    record There(String hash, String name, Integer layer, Set<String> facts, List<String> lines, int findings) {}

    /** Empty where nobody said which file the run printed. */
    Optional<There> at(long run, Integer layer);
}
