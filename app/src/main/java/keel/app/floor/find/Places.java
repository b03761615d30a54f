package keel.app.floor.find;

import java.util.List;
import keel.core.find.Findable;

/** Pages that are about no one thing, with the words by which they may be meant. */
final class Places {

    static final List<Findable> ALL = List.of(
            page("Fleet", "/fleet", "machines overview home"),
            page("Round", "/round", "tasks to do next plan today"),
            page("Week", "/week", "plan schedule jobs calendar days"),
            page("What the week brought", "/week/brought", "idle standing machine hours looks missed utilisation"),
            page("Jobs that wait", "/jobs", "queue wanted to print"),
            page("A new job", "/jobs/new", "queue want print"),
            page("Orders of several parts", "/orders", "parts pieces plates set project still to print"),
            page("A new order", "/orders/new", "parts pieces set"),
            page("Patterns", "/patterns", "trends statistics why fails most change point money"),
            page("Two things compared", "/patterns/compare", "difference better worse which machine resin film"),
            page("Files before they are printed", "/files", "sliced preflight islands layers zip"),
            page("When people are there", "/week/hours", "working hours holidays away night shifts"),
            page("Reminders", "/reminders/choose", "notification mail alert quiet hours escalation"),
            page("Upkeep", "/bench/upkeep", "maintenance rules lubricate bolts fans"),
            page("Runs", "/runs", "prints jobs"),
            page("Start a run", "/runs/new", "print begin"),
            page("Failures", "/failures", "failed prints causes"),
            page("Log a failure", "/failures/new", "failed print went wrong"),
            page("Bench", "/bench", "vats films"),
            page("All films", "/bench/films", "release film register"),
            page("Sheets and packs", "/bench/packs", "film stock"),
            page("Screens and lights", "/bench/screens", "register lcd uv"),
            page("Change films in one sitting", "/bench/batch", "batch film change"),
            page("How long parts last", "/bench/lives", "life wear weibull"),
            page("How many spares", "/bench/spares", "stock of parts"),
            page("Baselines", "/bench/baselines", "reference first readings"),
            page("Step by step", "/guides", "guides procedures how to"),
            page("Stores", "/stores", "stock items gloves"),
            page("Buying", "/stores/buying", "order reorder supplier"),
            page("Wash place", "/wash", "bath alcohol drying cure finishing"),
            page("Waste", "/waste", "hand in cured raw"),
            page("Incidents", "/incidents", "accident skin eye spill"),
            page("What prints cost", "/costs", "money price"),
            page("The month", "/month", "report owner paper summary pdf"),
            page("The first hour", "/begin", "begin set up new shop"),
            page("Air", "/air", "ventilation fan filter rooms temperature humidity"),
            page("Logbook", "/logbook", "entries history"),
            page("Labels", "/labels", "qr codes print"),
            page("Emergency", "/emergency/", "leak fall spill skin eye smoke fire"),
            page("Set-up", "/setup", "settings figures models machines people"),
            page("Bring in a table", "/setup/bring", "import csv xlsx spreadsheet excel"),
            page("Backups", "/setup/backups", "restore save"),
            page("People", "/setup/people", "sign-in users passwords pin"),
            page("Quirks", "/quirks", "workarounds"),
            page("Handbook", "/help", "manual documentation"));

    private Places() {}

    private static Findable page(String name, String url, String words) {
        return new Findable("page", name, url, words);
    }
}
