package keel.app.base;

import java.util.List;
import java.util.stream.Collectors;
import keel.core.Finding;
import keel.core.Findings;

/** An entry that is readable but wrong (422). Nothing was written. */
public final class Refused extends RuntimeException {

    private final transient List<Finding> findings;

    public Refused(List<Finding> findings) {
        super(findings.stream().map(Finding::message).collect(Collectors.joining(" ")));
        this.findings = List.copyOf(findings);
    }

    public Refused(String field, String message) {
        this(List.of(new Finding(field, message)));
    }

    /** Throws unless nothing was found. */
    public static void unless(Findings findings) {
        unless(findings.list());
    }

    /** Throws unless the list is empty. */
    public static void unless(List<Finding> findings) {
        if (!findings.isEmpty()) {
            throw new Refused(findings);
        }
    }

    public List<Finding> findings() {
        return findings;
    }
}
