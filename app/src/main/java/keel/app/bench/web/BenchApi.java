package keel.app.bench.web;

import com.fasterxml.jackson.annotation.JsonAnySetter;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.Refused;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.bench.ServiceView;
import keel.app.standing.Standings;
import keel.core.Finding;
import keel.core.standing.ServiceKind;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/v1/services")
class BenchApi {

    private final Bench bench;
    private final Standings standings;

    BenchApi(Bench bench, Standings standings) {
        this.bench = bench;
        this.standings = standings;
    }

    static final class Entry {
        public String machine;
        public String kind;
        public Instant at;
        public String note;
        private final Map<String, Object> values = new LinkedHashMap<>();

        @JsonAnySetter
        void value(String name, Object value) {
            values.put(name, value);
        }
    }

    record Answer(
            long id,
            String kind,
            String machine,
            Instant at,
            String text,
            String note,
            Map<String, Object> values,
            List<HoldView> holds) {}

    record HoldView(String code, String text) {}

    record Withdrawal(String reason) {}

    /**
     * Records a service; the fields of its kind stand beside {@code machine}, {@code kind}, {@code at} and
     * {@code note}.
     */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Answer record(@RequestBody Entry entry) {
        Refused.unless(unknown(entry));
        ServiceView done =
                bench.record(new ServiceEntry(entry.machine, entry.kind, entry.at, entry.note, entry.values));
        List<HoldView> holds = done.machine() == null
                ? List.of()
                : standings.of(done.machine()).holds().stream()
                        .map(h -> new HoldView(h.code().code(), h.text()))
                        .toList();
        return new Answer(
                done.id(),
                done.kind().name(),
                done.machine(),
                done.at(),
                done.text(),
                done.note(),
                done.values(),
                holds);
    }

    /** Fields that no service of the kind has. */
    private static List<Finding> unknown(Entry entry) {
        return ServiceKind.named(entry.kind)
                .map(kind -> entry.values.keySet().stream()
                        .filter(name -> kind.field(name).isEmpty() && !(kind.onSpareVat() && name.equals("vat")))
                        .map(name -> new Finding(name, kind + " has no field " + name + "."))
                        .toList())
                .orElse(List.of());
    }

    /** Takes a service back, with a reason; what it fitted comes out again. */
    @PostMapping("/{id}/withdrawal")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable long id, @RequestBody Withdrawal withdrawal) {
        bench.withdraw(id, withdrawal.reason());
    }
}
