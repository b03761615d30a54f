package keel.app.starting.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopTime;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.prints.JobEntry;
import keel.app.prints.WantedJobs;
import keel.app.prints.order.OnPlate;
import keel.app.prints.order.OrderPlates;
import keel.app.prints.order.OrderView;
import keel.app.prints.order.Orders;
import keel.app.starting.OrderLayouts;
import keel.app.stores.Resins;
import keel.core.Findings;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Pages of orders: what is wanted, how far it is, and the plates that come next. */
@Controller
class OrdersController {

    private final Orders orders;
    private final OrderPlates plates;
    private final OrderLayouts layouts;
    private final WantedJobs jobs;
    private final Fleet fleet;
    private final Resins resins;
    private final Logbook logbook;
    private final ShopTime times;

    OrdersController(
            Orders orders,
            OrderPlates plates,
            OrderLayouts layouts,
            WantedJobs jobs,
            Fleet fleet,
            Resins resins,
            Logbook logbook,
            ShopTime times) {
        this.orders = orders;
        this.plates = plates;
        this.layouts = layouts;
        this.jobs = jobs;
        this.fleet = fleet;
        this.resins = resins;
        this.logbook = logbook;
        this.times = times;
    }

    @GetMapping("/orders")
    String all(Model model) {
        model.addAttribute(
                "open", orders.open().stream().sorted(OrderForm.byDate()).toList());
        model.addAttribute("over", orders.over());
        return "starting/orders";
    }

    @GetMapping("/orders/new")
    String fresh(Model model) {
        return form(OrderForm.empty(), null, model);
    }

    private String form(OrderForm typed, OrderView order, Model model) {
        model.addAttribute("f", typed);
        model.addAttribute("rows", typed.rows());
        model.addAttribute("order", order);
        return "starting/order-form";
    }

    @PostMapping("/orders/new")
    String make(OrderForm typed, Model model, HttpServletResponse response) {
        long[] made = {0};
        String page = PageErrors.tried(
                () -> made[0] = orders.make(typed.read(times)),
                "/orders/",
                model,
                response,
                () -> form(typed, null, model));
        return made[0] == 0 ? page : page + made[0];
    }

    @GetMapping("/orders/{id}/change")
    String change(@PathVariable long id, Model model) {
        OrderView order = orders.one(id);
        return form(OrderForm.of(order, times), order, model);
    }

    @PostMapping("/orders/{id}/change")
    String changed(
            @PathVariable long id,
            OrderForm typed,
            @RequestParam(required = false) Integer version,
            Model model,
            HttpServletResponse response) {
        return PageErrors.tried(
                () -> orders.change(id, typed.read(times), version),
                "/orders/" + id,
                model,
                response,
                () -> form(typed, orders.one(id), model));
    }

    /** @param machine whose plates are shown; null for the one that takes the fewest */
    @GetMapping("/orders/{id}")
    String one(@PathVariable long id, @RequestParam(required = false) String machine, Model model) {
        OrderView order = orders.one(id);
        List<OrderLayouts.Layout> on = order.open() && order.unplanned() > 0 ? layouts.of(order) : List.of();
        OrderLayouts.Layout layout = on.stream()
                .filter(l -> l.m().code().equals(machine))
                .findFirst()
                .orElse(on.isEmpty() ? null : on.get(0));
        model.addAttribute("o", order);
        model.addAttribute(
                "letters",
                IntStream.range(0, order.parts().size())
                        .mapToObj(OrderDrawing::letter)
                        .toList());
        model.addAttribute("layouts", on);
        model.addAttribute("layout", layout);
        model.addAttribute(
                "drawings",
                layout == null
                        ? List.of()
                        : layout.plates().stream()
                                .map(p -> OrderDrawing.of(order, layout, p))
                                .toList());
        model.addAttribute(
                "unsized",
                order.parts().stream()
                        .filter(p -> !p.entry().sized() && p.unplanned() > 0)
                        .map(OrderView.PartLine::name)
                        .toList());
        List<OnPlate.Print> prints = orders.prints(id);
        model.addAttribute("prints", prints);
        model.addAttribute(
                "names",
                names(order, prints, layout == null ? 0 : layout.plates().size()));
        model.addAttribute("machines", fleet.refs());
        model.addAttribute("resins", resins.all(false));
        model.addAttribute("lines", logbook.lines(LogFilter.ofSubject("ORDER", id)));
        return "starting/order";
    }

    /** Names for plates to come that nothing of this order is called yet. */
    private List<String> names(OrderView order, List<OnPlate.Print> prints, int plates) {
        Set<String> used = new HashSet<>(prints.stream().map(OnPlate.Print::job).toList());
        jobs.waiting().forEach(j -> used.add(j.name()));
        return IntStream.iterate(1, n -> n + 1)
                .mapToObj(n -> order.name() + ", plate " + n)
                .filter(name -> !used.contains(name))
                .limit(plates)
                .toList();
    }

    /** A plate as it waits: how long it prints, of which resin, how much of it, and under which name. */
    record WaitForm(String job, String hours, String resin, String resinMl) {

        JobEntry read(Instant dueAt) {
            Findings findings = new Findings();
            Double printed = Typed.number(hours, "hours", findings);
            Double ml = Typed.number(resinMl, "resinMl", findings);
            Refused.unless(findings);
            return new JobEntry(job, printed, Typed.orNull(resin), ml, List.of(), dueAt, null, null);
        }
    }

    /** A plate is put among the jobs that wait, so that the week finds its place. */
    @PostMapping("/orders/{id}/wait")
    String letWait(
            @PathVariable long id,
            PiecesForm pieces,
            WaitForm job,
            @RequestParam(required = false) String machine,
            Model model,
            HttpServletResponse response) {
        Map<String, String> typed = Map.of(
                "hours", job.hours() == null ? "" : job.hours(), "resinMl", job.resinMl() == null ? "" : job.resinMl());
        return PageErrors.tried(
                () -> plates.letWait(id, pieces.read(0), job.read(orders.one(id).dueAt())),
                "/orders/" + id + (machine == null ? "" : "?machine=" + machine),
                model,
                response,
                () -> {
                    model.addAttribute("typed", typed);
                    return one(id, machine, model);
                });
    }

    /** Parts by hand, for a plate that no reckoning laid out: on to the gate of a machine. */
    @GetMapping("/orders/{id}/start")
    String start(@PathVariable long id, PiecesForm pieces, @RequestParam(required = false) String machine) {
        if (machine == null) {
            return "redirect:/orders/" + id;
        }
        StringBuilder to =
                new StringBuilder("/machines/" + fleet.machine(machine).code() + "/start?order=" + id);
        pieces.read(0).forEach((part, count) -> {
            if (count > 0) {
                to.append("&part=").append(part).append("&pieces=").append(count);
            }
        });
        return "redirect:" + to;
    }

    @PostMapping("/orders/{id}/close")
    String close(@PathVariable long id) {
        orders.close(id);
        return "redirect:/orders/" + id;
    }

    @PostMapping("/orders/{id}/back")
    String back(@PathVariable long id) {
        orders.putBack(id);
        return "redirect:/orders/" + id;
    }
}
