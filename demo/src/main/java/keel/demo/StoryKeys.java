package keel.demo;

import java.util.HashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Numbers in the records of what the story calls by its own keys. */
@Component
class StoryKeys {

    private final Map<String, Long> runs = new HashMap<>();
    private final Map<String, Long> failures = new HashMap<>();

    void run(String key, long id) {
        runs.put(key, id);
    }

    /** Null for no key. */
    Long run(String key) {
        return runs.get(key);
    }

    void failure(String key, long id) {
        failures.put(key, id);
    }

    Long failure(String key) {
        return failures.get(key);
    }
}
