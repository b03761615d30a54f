package keel.app.prints;

import java.util.Optional;

/** Which sliced file a run printed; answered by whoever keeps the files. */
public interface RunFiles {

    /** A file by the hash of what is in it. */
    record Ref(String hash, String name) {}

    /** Empty where nobody said. */
    Optional<Ref> fileOf(long run);
}
