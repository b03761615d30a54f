package keel.app.standing;

import java.util.Map;
import keel.core.standing.PartCondition;

/** A room that looks at parts says through this in which condition those on machines are. */
public interface SeenParts {

    /** By the part's number; those that nobody looked at are left out. */
    Map<Long, ? extends PartCondition> fitted();
}
