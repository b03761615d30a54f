package keel.app.starting.web;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.core.Findings;

/**
 * How many pieces of which parts, as it is typed: a number for each part's id, beside one another.
 *
 * @param order id of the order, null for none
 */
record PiecesForm(Long order, List<Long> part, List<String> pieces) {

    boolean any() {
        return order != null && part != null && !part.isEmpty();
    }

    /**
     * By the parts' ids; a field left empty is {@code ifEmpty}.
     *
     * @throws Refused if something is no whole number
     */
    Map<Long, Integer> read(Integer ifEmpty) {
        Findings findings = new Findings();
        Map<Long, Integer> read = new LinkedHashMap<>();
        for (int i = 0; part != null && i < part.size(); i++) {
            Integer count = Typed.whole(at(i), "pieces", findings);
            read.put(part.get(i), count == null ? ifEmpty : count);
        }
        Refused.unless(findings);
        return read;
    }

    private String at(int i) {
        return pieces == null || i >= pieces.size() ? "" : pieces.get(i);
    }

    /** What was typed for a part, null where nothing was. */
    public String typed(long id) {
        int i = part == null ? -1 : part.indexOf(id);
        return i < 0 ? null : at(i);
    }
}
