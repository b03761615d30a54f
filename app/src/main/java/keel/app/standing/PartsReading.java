package keel.app.standing;

import static java.util.stream.Collectors.toList;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.fleet.ComponentKind;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads parts with where they are and what they have been through. */
@Service
@Transactional(readOnly = true)
public class PartsReading {

    private final PartQueries queries;

    PartsReading(PartQueries queries) {
        this.queries = queries;
    }

    /** What is fitted to each machine, the film in its vat included; to all machines if {@code only} is null. */
    public Map<Long, List<PartView>> fitted(Long only) {
        return queries.fitted(only).stream()
                .collect(Collectors.groupingBy(p -> p.machineId, Collectors.mapping(PartFitted::view, toList())));
    }

    /** Parts on machines, or on one, of which nobody said what they had done before; by the machine's number. */
    Map<Long, List<PartQueries.Unsaid>> unsaid(Long only) {
        return queries.unsaid(only).stream().collect(Collectors.groupingBy(PartQueries.Unsaid::machine));
    }

    /** All parts of a kind, newest first; those that ended only if asked for. */
    public List<PartView> all(ComponentKind kind, boolean ended) {
        return queries.all(kind, ended).stream().map(PartAnywhere::view).toList();
    }

    /** Everything that was on a machine and when: films by way of the vat they were in. Oldest first. */
    public List<PartSpan> spans(long machineId) {
        return queries.spansOn(machineId).stream().map(PartQueries.Span::view).toList();
    }

    /** All parts of a kind that were on machines and when, by the machine's number, films in vats too. Oldest first. */
    public Map<Long, List<PartSpan>> spans(ComponentKind kind) {
        return queries.spansOf(kind).stream()
                .collect(Collectors.groupingBy(
                        PartQueries.Span::machine, Collectors.mapping(PartQueries.Span::view, toList())));
    }
}
