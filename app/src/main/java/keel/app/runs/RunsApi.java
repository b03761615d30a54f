package keel.app.runs;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.time.Instant;
import java.util.List;
import keel.app.problems.Paging;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/v1/runs")
class RunsApi {

    private final Runs runs;

    RunsApi(Runs runs) {
        this.runs = runs;
    }

    record Override(String reason) {}

    record Entry(String machine, String job, Instant startedAt, Instant endedAt, Integer layers, Double layerExposureS, Double resinMl,
                 String outcome, Integer reachedLayer, @JsonProperty("override") Override override, Long againOf) {}

    record Finish(Instant endedAt, String outcome, Integer reachedLayer, Double resinMl) {}

    record Correction(String reason, String machine, String job, Instant startedAt, Instant endedAt, Integer layers, Double layerExposureS,
                      Double resinMl, String outcome, Integer reachedLayer, Boolean withdrawn) {}

    /** Logs a run after the fact, or starts one where {@code endedAt} is missing. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    RunView enter(@RequestBody Entry entry) {
        return runs.enter(new RunEntry(entry.machine(), entry.job(), entry.startedAt(), entry.endedAt(), entry.layers(),
                entry.layerExposureS(), entry.resinMl(), entry.outcome(), entry.reachedLayer(),
                entry.override() == null ? null : entry.override().reason(), null, entry.againOf()));
    }

    @PostMapping("/{id}/finish")
    RunView finish(@PathVariable long id, @RequestBody Finish finish) {
        return runs.finish(id, finish.endedAt(), finish.outcome(), finish.reachedLayer(), finish.resinMl());
    }

    /** Corrects what is given and leaves the rest; {@code withdrawn} takes the run out of all sums. */
    @PostMapping("/{id}/corrections")
    RunView correct(@PathVariable long id, @RequestBody Correction c) {
        return runs.correct(id, new RunChange(c.machine(), c.job(), c.startedAt(), c.endedAt(), c.layers(), c.layerExposureS(), c.resinMl(),
                c.outcome(), c.reachedLayer(), c.withdrawn()), c.reason());
    }

    @GetMapping("/{id}")
    RunView one(@PathVariable long id) {
        return runs.one(id);
    }

    /** Newest first; {@code from} inclusive, {@code to} exclusive, by their start. */
    @GetMapping
    List<RunView> list(@RequestParam(required = false) String machine, @RequestParam(required = false) Instant from,
                       @RequestParam(required = false) Instant to, @RequestParam(defaultValue = "0") int page,
                       @RequestParam(defaultValue = "200") int size) {
        return runs.list(machine, from, to, null, Paging.of(page, size));
    }
}
