package keel.app.floor.web;

import java.time.Instant;
import java.util.List;
import keel.app.standing.MachineNow;
import keel.app.standing.NotKnown;
import keel.app.standing.PartView;
import keel.app.standing.Standings;
import keel.core.standing.Concern;
import keel.core.wear.Usage;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/v1/machines")
class MachinesApi {

    private final Standings standings;

    MachinesApi(Standings standings) {
        this.standings = standings;
    }

    record Hold(String code, String text, Instant since, String clearedBy) {}

    record Film(
            String id,
            double hours,
            long layers,
            long prints,
            double uvHours,
            String material,
            Double thicknessMm,
            Instant since) {}

    record Screen(String id, double uvHours, double hours, String serial, Instant since) {}

    record FittedPart(String id, double hours, long prints, Instant since) {}

    record Brief(
            String code,
            String name,
            String model,
            String kind,
            String room,
            String state,
            String reason,
            List<Hold> holds,
            Film film,
            Screen screen) {}

    record Full(
            String code,
            String name,
            String model,
            String kind,
            String room,
            String state,
            String reason,
            List<Hold> holds,
            Film film,
            Screen screen,
            FittedPart vat,
            FittedPart plate,
            FittedPart light,
            String resin,
            double resinMl,
            Usage total,
            Double hoursSinceLubrication,
            Double hoursSinceAbrading,
            Long printsSinceLevelling,
            Instant levelledAt,
            double hoursPerDay,
            boolean holdNextPartToLight,
            MachineNow.OpenRun run,
            List<Concern> concerns,
            Instant since,
            List<String> notKnown) {}

    @GetMapping
    List<Brief> all() {
        return standings.all().stream()
                .map(m -> new Brief(
                        m.code(),
                        m.name(),
                        m.model(),
                        m.kind().name(),
                        m.room(),
                        m.standing().state().name(),
                        m.standing().sentence(),
                        holds(m),
                        film(m),
                        screen(m)))
                .toList();
    }

    @GetMapping("/{code}")
    Full one(@PathVariable String code) {
        MachineNow m = standings.of(code);
        return new Full(
                m.code(),
                m.name(),
                m.model(),
                m.kind().name(),
                m.room(),
                m.standing().state().name(),
                m.standing().sentence(),
                holds(m),
                film(m),
                screen(m),
                part(m.vat()),
                part(m.plate()),
                part(m.light()),
                m.resin(),
                m.resinMl(),
                m.total(),
                m.knows(NotKnown.About.LUBRICATED)
                        ? Double.valueOf(m.sinceLubricated().hours())
                        : null,
                m.knows(NotKnown.About.ABRADED)
                        ? Double.valueOf(m.sinceAbraded().hours())
                        : null,
                m.knows(NotKnown.About.LEVELLED)
                        ? Long.valueOf(m.sinceLevelled().prints())
                        : null,
                m.levelledAt(),
                m.hoursPerDay(),
                m.holdNextPartToLight(),
                m.run(),
                m.standing().concerns(),
                m.since(),
                m.notKnown().stream().map(n -> n.about().words()).toList());
    }

    private static List<Hold> holds(MachineNow m) {
        return m.holds().stream()
                .map(h ->
                        new Hold(h.code().code(), h.text(), h.since(), h.next().name()))
                .toList();
    }

    private static Film film(MachineNow m) {
        PartView f = m.film();
        return f == null
                ? null
                : new Film(
                        f.code(),
                        f.usage().hours(),
                        f.usage().layers(),
                        f.usage().prints(),
                        f.usage().uvHours(),
                        f.material(),
                        f.thicknessMm(),
                        f.since());
    }

    private static Screen screen(MachineNow m) {
        PartView s = m.screen();
        return s == null
                ? null
                : new Screen(s.code(), s.usage().uvHours(), s.usage().hours(), s.serial(), s.since());
    }

    private static FittedPart part(PartView p) {
        return p == null
                ? null
                : new FittedPart(p.code(), p.usage().hours(), p.usage().prints(), p.since());
    }
}
