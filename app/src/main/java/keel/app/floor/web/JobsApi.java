package keel.app.floor.web;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Instant;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.app.base.Refused;
import keel.app.prints.JobEntry;
import keel.app.prints.WantedJobs;
import keel.app.prints.WantedView;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Jobs that wait, for programs. */
@RestController
@RequestMapping("/api/v1/jobs")
class JobsApi {

    private static final Pattern SIDES = Pattern.compile("\\s*([\\d.]+)\\s*[x×,;]\\s*([\\d.]+)\\s*");

    private final WantedJobs jobs;

    JobsApi(WantedJobs jobs) {
        this.jobs = jobs;
    }

    /**
     * @param footprint what it covers of a plate: rectangles {@code [{"xMm","yMm","lengthMm","widthMm"}]}, one of
     *     {@code {"lengthMm","widthMm"}} or {@code {"widthMm","depthMm"}}, or "lengthMm x widthMm"
     */
    record Entry(
            String name,
            Double hours,
            String resin,
            Double resinMl,
            List<String> machineModels,
            Instant dueAt,
            JsonNode footprint,
            Double heightMm,
            String note) {}

    record Made(long id) {}

    record Fixed(String machine, Instant at) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Made ask(@RequestBody Entry e) {
        return new Made(jobs.ask(new JobEntry(
                e.name(),
                e.hours(),
                e.resin(),
                e.resinMl(),
                e.machineModels(),
                e.dueAt(),
                size(e.footprint(), e.heightMm()),
                e.note())));
    }

    /** Those that wait or are printing, the oldest first. */
    @GetMapping
    List<WantedView> waiting() {
        return jobs.waiting();
    }

    @GetMapping("/{id}")
    WantedView one(@PathVariable long id) {
        return jobs.one(id);
    }

    /** Says where somebody wants it, and when; without a machine it is free again. */
    @PostMapping("/{id}/fix")
    WantedView fix(@PathVariable long id, @RequestBody Fixed fixed) {
        jobs.fix(id, fixed.machine(), fixed.at());
        return jobs.one(id);
    }

    /** The rectangle around all of it. */
    private static JobEntry.Size size(JsonNode footprint, Double height) {
        if (footprint == null || footprint.isNull() || footprint.isArray() && footprint.isEmpty()) {
            return new JobEntry.Size(null, null, height);
        }
        if (footprint.isTextual()) {
            Matcher sides = SIDES.matcher(footprint.asText());
            if (sides.matches()) {
                return new JobEntry.Size(number(sides.group(1)), number(sides.group(2)), height);
            }
        } else if (footprint.isObject()) {
            boolean deep = footprint.has("depthMm");
            return new JobEntry.Size(
                    side(footprint, deep ? "widthMm" : "lengthMm"),
                    side(footprint, deep ? "depthMm" : "widthMm"),
                    height);
        } else if (footprint.isArray()) {
            return new JobEntry.Size(across(footprint, "xMm", "lengthMm"), across(footprint, "yMm", "widthMm"), height);
        }
        throw unreadable();
    }

    private static double across(JsonNode parts, String at, String side) {
        double from = Double.POSITIVE_INFINITY;
        double to = Double.NEGATIVE_INFINITY;
        for (JsonNode part : parts) {
            double half = side(part, side) / 2;
            double middle = part.path(at).isNumber() ? part.get(at).asDouble() : 0;
            from = Math.min(from, middle - half);
            to = Math.max(to, middle + half);
        }
        return to - from;
    }

    private static double side(JsonNode part, String name) {
        if (!part.path(name).isNumber()) {
            throw unreadable();
        }
        return part.get(name).asDouble();
    }

    private static double number(String text) {
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw unreadable();
        }
    }

    private static Refused unreadable() {
        return new Refused(
                "footprint",
                "A footprint is a list of rectangles with xMm, yMm, lengthMm and widthMm, or a length and a width.");
    }
}
