package keel.app.floor.web;

import java.util.ArrayList;
import java.util.List;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.floor.begin.ShopBegins;
import keel.core.Findings;

/** The list of what a store begins with, as it was ticked and counted. */
record BeginStoresForm(List<Integer> items, List<String> onHand) {

    /** Whether a thing is ticked, and how much of it was typed. */
    public boolean ticked(int item) {
        return items != null && items.contains(item);
    }

    public String onHand(int item) {
        return onHand == null || item < 0 || item >= onHand.size() || onHand.get(item) == null ? "" : onHand.get(item);
    }

    List<ShopBegins.Counted> read() {
        Findings findings = new Findings();
        List<ShopBegins.Counted> counted = new ArrayList<>();
        for (int item : items == null ? List.<Integer>of() : items) {
            counted.add(new ShopBegins.Counted(item, Typed.number(onHand(item), "onHand" + item, findings)));
        }
        Refused.unless(findings);
        return counted;
    }
}
