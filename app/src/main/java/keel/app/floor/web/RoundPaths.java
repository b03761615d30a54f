package keel.app.floor.web;

import keel.app.base.Figures;

/**
 * Addresses of the round as it is asked for now, with one thing changed.
 *
 * @param minutes at hand, null where nobody said
 */
record RoundPaths(Double minutes, int people) {

    private static final Figures FIG = new Figures();

    public String with(Number other) {
        return path("/round", other, people);
    }

    public String wholeDay() {
        return path("/round", null, people);
    }

    public String nextPeople() {
        return path("/round", minutes, people % RoundController.MOST_PEOPLE + 1);
    }

    public String sheet() {
        return path("/round/sheet", minutes, people);
    }

    private static String path(String page, Number minutes, int people) {
        String time = minutes == null ? "" : "minutes=" + FIG.plain(minutes);
        String who = people == 1 ? "" : "people=" + people;
        String between = time.isEmpty() || who.isEmpty() ? "" : "&";
        return page + (time.isEmpty() && who.isEmpty() ? "" : "?" + time + between + who);
    }
}
