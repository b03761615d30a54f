package keel.app.floor.web;

import java.util.ArrayList;
import java.util.List;
import keel.app.people.NewHands;
import keel.app.people.Role;

/** People as they are typed, a list for each column. */
record BeginPeopleForm(List<String> names, List<Role> roles, List<String> pins) {

    static final BeginPeopleForm EMPTY = new BeginPeopleForm(null, null, null);

    public String name(int row) {
        return names == null || row >= names.size() ? "" : names.get(row);
    }

    public Role role(int row) {
        return roles == null || row >= roles.size() || roles.get(row) == null ? Role.OPERATOR : roles.get(row);
    }

    public String pin(int row) {
        return pins == null || row >= pins.size() ? "" : pins.get(row);
    }

    List<NewHands.Hand> read() {
        List<NewHands.Hand> hands = new ArrayList<>();
        for (int row = 0; names != null && row < names.size(); row++) {
            if (!name(row).isBlank() || !pin(row).isBlank()) {
                hands.add(new NewHands.Hand(row, name(row).strip(), role(row), pin(row).strip()));
            }
        }
        return hands;
    }
}
