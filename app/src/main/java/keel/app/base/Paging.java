package keel.app.base;

import keel.core.Findings;

/** Which page of a list, checked: page from 0, size 1 to 1000. */
public record Paging(int page, int size) {

    /** @throws Refused if either is out of range */
    public static Paging of(int page, int size) {
        Findings findings = new Findings();
        findings.range((double) page, 0, 1_000_000, "page", "The page", "");
        findings.range((double) size, 1, 1000, "size", "The size of a page", "");
        Refused.unless(findings);
        return new Paging(page, size);
    }

    /** Everything on one page, to take along. */
    public static Paging all() {
        return new Paging(0, Integer.MAX_VALUE);
    }

    public long skip() {
        return (long) page * size;
    }
}
