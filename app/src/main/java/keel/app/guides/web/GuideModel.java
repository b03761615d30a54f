package keel.app.guides.web;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.film.FilmTones;
import keel.app.film.Vats;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Fleet;
import keel.app.fleet.Parts;
import keel.app.fleet.Shelf;
import keel.app.guides.SessionView;
import keel.app.screen.DryRuns;
import keel.app.standing.MachineNow;
import keel.app.standing.OpenCases;
import keel.app.standing.Standings;
import keel.app.stores.Bookings;
import keel.app.stores.BottlePours;
import keel.app.stores.Bottles;
import keel.app.stores.FilmPacks;
import keel.app.stores.Seats;
import keel.app.stores.Stock;
import keel.app.stores.VatDepth;
import keel.core.Plain;
import keel.core.bolts.VatFrame;
import keel.core.film.FilmSeat;
import keel.core.guide.LeftAlone;
import keel.core.guide.Procedure;
import keel.core.guide.Step;
import keel.core.standing.HoldCode;
import keel.core.standing.MachineTraits;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;
import keel.core.stock.Consumable;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/**
 * What the pages of a guide show: a step with its questions and drawings, the summary with what was used, what follows.
 */
@Component
class GuideModel {

    private final Fleet fleet;
    private final Parts parts;
    private final Vats vats;
    private final Seats seats;
    private final FilmTones tones;
    private final Stock stock;
    private final Bookings bookings;
    private final FilmPacks packs;
    private final Standings standings;
    private final Shelf shelf;
    private final OpenCases cases;
    private final DryRuns dryRuns;
    private final Bottles bottles;
    private final BottlePours pours;
    private final HoleWays holes;
    private final Clock clock;

    GuideModel(
            Fleet fleet,
            Parts parts,
            Vats vats,
            Seats seats,
            FilmTones tones,
            Stock stock,
            Bookings bookings,
            FilmPacks packs,
            Standings standings,
            Shelf shelf,
            OpenCases cases,
            DryRuns dryRuns,
            Bottles bottles,
            BottlePours pours,
            HoleWays holes,
            Clock clock) {
        this.fleet = fleet;
        this.parts = parts;
        this.vats = vats;
        this.seats = seats;
        this.tones = tones;
        this.stock = stock;
        this.bookings = bookings;
        this.packs = packs;
        this.standings = standings;
        this.shelf = shelf;
        this.cases = cases;
        this.dryRuns = dryRuns;
        this.bottles = bottles;
        this.pours = pours;
        this.holes = holes;
        this.clock = clock;
    }

    /** Something used up, with the item of the stores that it is booked from, chosen or only proposed. */
    record UseLine(Consumable kind, String what, double quantity, String item, boolean chosen, int number) {}

    /**
     * Puts all that a session's page shows into the model, and answers its template: a step, the summary, or what
     * follows; {@code typed} was typed and did not go.
     */
    String page(SessionView session, Map<String, String> typed, Model model) {
        model.addAttribute("s", session);
        if (session.state() != SessionView.State.OPEN) {
            return after(session, model);
        }
        Map<String, String> form = new LinkedHashMap<>(session.answers());
        form.putAll(typed);
        model.addAttribute("form", form);
        model.addAttribute("items", stock.all(false));
        model.addAttribute("packs", packs.inUse());
        if (session.atEnd()) {
            model.addAttribute(
                    "uses", uses(session.procedure(), session.others().size()));
            model.addAttribute("answered", answered(session));
            return "guides/summary";
        }
        defaults(session, form);
        choices(session, form, model);
        model.addAttribute("tool", ToolLink.of(session, session.vat() != null ? session.vat() : vatOn(session)));
        draw(session, model);
        List<Step> path = path(session);
        model.addAttribute(
                "caution",
                session.step()
                        .caution()
                        .after(path.stream()
                                .limit(Math.max(0, session.number() - 1))
                                .map(Step::caution)
                                .toList()));
        if (session.step().advice() == Step.Advice.HOLE) {
            String vat = session.vat() != null ? session.vat() : vatOn(session);
            model.addAttribute("ways", holes.of(session, vat == null ? null : vats.one(vat), session.answers()));
        }
        model.addAttribute(
                "left",
                LeftAlone.words(path, session.step(), Duration.between(session.touchedAt(), clock.instant()))
                        .orElse(null));
        return "guides/step";
    }

    private String after(SessionView session, Model model) {
        List<MachineNow> machines = session.others().stream()
                .filter(o -> o.machine() != null)
                .map(o -> standings.of(o.machine()))
                .toList();
        boolean unlevelled =
                machines.stream().flatMap(m -> m.holds().stream()).anyMatch(h -> h.code() == HoldCode.NOT_LEVELLED);
        List<String> follows = session.procedure().follows();
        model.addAttribute("after", machines);
        model.addAttribute(
                "follows",
                unlevelled || session.machine() == null
                        ? follows
                        : session.procedure()
                                .mustFollow(fleet.machine(session.machine()).traits()));
        return "guides/after";
    }

    private List<Step> path(SessionView session) {
        return session.procedure().path(traits(session), session.answers());
    }

    private MachineTraits traits(SessionView session) {
        return session.machine() == null
                ? null
                : fleet.machine(session.machine()).traits();
    }

    /** What the questions of this step can be answered with; of spares the oldest is offered first. */
    private void choices(SessionView session, Map<String, String> form, Model model) {
        boolean readings = false;
        for (ServiceField ask : session.step().asks()) {
            if (ask.type() == ServiceField.Type.SPARE) {
                List<Shelf.Spare> spares = shelf.spares(
                        fleet.machine(session.machine()).id(),
                        session.procedure()
                                        .service()
                                        .filter(k -> k == ServiceKind.LIGHT_CHANGE)
                                        .isPresent()
                                ? ComponentKind.LIGHT
                                : ComponentKind.SCREEN);
                spares.stream().findFirst().ifPresent(s -> form.putIfAbsent(ask.name(), s.code()));
                model.addAttribute("spares", spares);
            } else if (ask.type() == ServiceField.Type.BOTTLE) {
                String resin = standings.of(session.machine()).resin();
                List<Bottles.Bottle> atHand = session.procedure().ending() == Procedure.Ending.POUR
                        ? bottles.atHand(resin)
                        : bottles.withRoom(resin);
                atHand.stream().findFirst().ifPresent(b -> form.putIfAbsent(ask.name(), b.code()));
                model.addAttribute("bottles", atHand);
            } else if (ask.type() == ServiceField.Type.VAT && ask.required()) {
                model.addAttribute("vats", vatsToFit(session));
            } else if (ask.type() == ServiceField.Type.CASE) {
                model.addAttribute("cases", cases.of(session.machine()));
            }
            readings |= ask.type() == ServiceField.Type.NUMBERS;
        }
        if (session.procedure().ending() == Procedure.Ending.POUR
                && session.step().asks().stream().anyMatch(a -> a.name().equals("ml"))) {
            inTheVat(session, form, model);
        }
        if (readings) {
            model.addAttribute("expected", dryRuns.expected(session.machine(), clock.instant()));
        }
    }

    /** Those of its model that stand on the shelf. */
    private List<Vats.Vat> vatsToFit(SessionView session) {
        long model = fleet.machine(session.machine()).modelId();
        return vats.all(false).stream()
                .filter(v ->
                        v.machine() == null && v.endedAt() == null && v.model().id() == model)
                .toList();
    }

    /** What is in the vat that is poured into or out of, and how much is likely. */
    private void inTheVat(SessionView session, Map<String, String> form, Model model) {
        MachineNow now = standings.of(session.machine());
        Parts.PartRef vat = parts.vatOn(fleet.machine(session.machine()).id());
        Double most = vat == null ? null : pours.most(vat).orElse(null);
        Double room = most == null ? null : Double.valueOf(Math.max(0, Math.floor(most - now.resinMl())));
        model.addAttribute("now", now);
        model.addAttribute("most", most);
        model.addAttribute("room", room);
        model.addAttribute("depth", VatDepth.of(fleet.machine(session.machine()), now.resinMl(), most));
        Double likely = "OUT".equals(form.get("way")) ? Double.valueOf(Math.floor(now.resinMl())) : room;
        if (likely != null && likely >= 1) {
            form.putIfAbsent("ml", Plain.number(likely));
        }
    }

    private void defaults(SessionView session, Map<String, String> form) {
        for (ServiceField ask : session.step().asks()) {
            switch (ask.name()) {
                case "material" -> form.putIfAbsent("material", "FEP");
                case "thicknessMm" -> form.putIfAbsent("thicknessMm", "0.127");
                case "school" ->
                    form.putIfAbsent(
                            "school",
                            session.machine() == null
                                    ? "PAPER"
                                    : fleet.machine(session.machine()).levellingSchool());
                case "tone" -> measured(session).ifPresent(v -> form.put("tone", v));
                case "boltSchool" -> form.putIfAbsent("boltSchool", "STAR");
                default -> {}
            }
        }
    }

    private void draw(SessionView session, Model model) {
        if (session.machine() == null && session.vat() == null) {
            return;
        }
        Vats.Vat vat = session.vat() != null
                ? vats.one(session.vat())
                : vatOn(session) == null ? null : vats.one(vatOn(session));
        VatFrame frame = vat != null
                ? vat.model().frame()
                : fleet.frame(fleet.machine(session.machine()).id());
        FilmSeat seat = vat == null ? FilmSeat.UNKNOWN : seats.of(vat.model().id());
        model.addAttribute("counted", frame.counted());
        model.addAttribute("seat", seat);
        if (session.tightening() != null) {
            model.addAttribute("frame", FrameDrawing.of(session.tightening(), session.boltsDone()));
        } else if (session.step().drawing().startsWith("clamp-")
                || session.step().drawing().equals("frame-bolts")) {
            model.addAttribute(
                    "frame",
                    FrameDrawing.plain(
                            session.step().drawing().equals("frame-bolts") ? frame.bolts() : frame.clamp(),
                            session.step().drawing().equals("clamp-corners")));
        } else if (session.step().drawing().equals("spacer")) {
            double span = frame.windowWidthMm() != null
                    ? frame.windowWidthMm()
                    : vat != null
                            ? vat.model().window().widthMm()
                            : fleet.machine(session.machine()).plateDepthMm();
            model.addAttribute("spacer", seat.slack(span, thickness(session)));
        }
    }

    /** What the microphone says of the film that is being fitted, where it was asked since this was begun. */
    private Optional<String> measured(SessionView session) {
        String code = session.vat() != null ? session.vat() : vatOn(session);
        return code == null
                ? Optional.empty()
                : tones.since(vats.one(code), session.startedAt(), thickness(session))
                        .filter(c -> c.cents() != null)
                        .map(c -> switch (c.verdict()) {
                            case SLACK -> "LOWER";
                            case TIGHT -> "HIGHER";
                            default -> "SAME";
                        });
    }

    private static double thickness(SessionView session) {
        return Double.parseDouble(
                session.answers().getOrDefault("thicknessMm", "0.127").replace(',', '.'));
    }

    private String vatOn(SessionView session) {
        Parts.PartRef vat = session.machine() == null
                ? null
                : parts.vatOn(fleet.machine(session.machine()).id());
        return vat == null ? null : vat.code();
    }

    private List<UseLine> uses(Procedure procedure, int times) {
        Map<Consumable, Bookings.From> from = bookings.all();
        List<UseLine> lines = new ArrayList<>();
        for (Procedure.Use use : procedure.uses()) {
            Bookings.From item = from.get(use.kind());
            lines.add(new UseLine(
                    use.kind(), use.what(), times * use.quantity(), item.item(), item.chosen(), lines.size()));
        }
        return lines;
    }

    /** What was answered for each, by its name. */
    private static Map<String, Map<String, String>> answered(SessionView session) {
        Map<String, Map<String, String>> all = new LinkedHashMap<>();
        session.others().forEach(o -> all.put(o.name(), answered(session, o.answers())));
        return all;
    }

    /** In words, in the order in which it was asked. */
    private static Map<String, String> answered(SessionView session, Map<String, String> answers) {
        Map<String, String> answered = new LinkedHashMap<>();
        session.procedure().steps().stream().flatMap(s -> s.asks().stream()).forEach(a -> {
            String value = answers.getOrDefault(a.name(), "");
            if (!value.isEmpty()) {
                answered.put(
                        a.label(),
                        switch (a.type()) {
                            case CHOICE -> a.words(value);
                            case YES_NO -> value.equals("true") ? "Yes" : "No";
                            default -> value + (a.unit().isEmpty() ? "" : " " + a.unit());
                        });
            }
        });
        return answered;
    }
}
