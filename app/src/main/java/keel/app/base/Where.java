package keel.app.base;

import jakarta.persistence.EntityManager;
import jakarta.persistence.TypedQuery;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Conditions of a search, as many as were asked for; those of which nothing was asked are left out. */
public final class Where {

    private final List<String> conditions = new ArrayList<>();
    private final List<Object> values = new ArrayList<>();

    /** @param condition in HQL, without values */
    public Where and(String condition) {
        conditions.add(condition);
        return this;
    }

    /**
     * @param condition in HQL, the value at its end, like {@code "r.startedAt >="}
     * @param value null: nothing was asked
     */
    public Where and(String condition, Object value) {
        if (value != null) {
            values.add(value);
            conditions.add(condition + " ?" + values.size());
        }
        return this;
    }

    /** Each word of a text stands somewhere in {@code what}, an expression in HQL in lower case. */
    public Where words(String what, String text) {
        if (text != null) {
            for (String word : text.toLowerCase(Locale.ROOT).strip().split("\\s+")) {
                if (!word.isEmpty()) {
                    values.add("%" + word.replaceAll("([%_!])", "!$1") + "%");
                    conditions.add(what + " like ?" + values.size() + " escape '!'");
                }
            }
        }
        return this;
    }

    /** A page of what matches. */
    public <T> List<T> list(EntityManager entities, String select, String order, Class<T> type, long skip, int most) {
        TypedQuery<T> query = entities.createQuery(
                select + (conditions.isEmpty() ? "" : " where " + String.join(" and ", conditions)) + " order by "
                        + order,
                type);
        for (int i = 0; i < values.size(); i++) {
            query.setParameter(i + 1, values.get(i));
        }
        return query.setFirstResult(Math.toIntExact(skip)).setMaxResults(most).getResultList();
    }
}
