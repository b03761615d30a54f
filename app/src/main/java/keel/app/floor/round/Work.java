package keel.app.floor.round;

import java.time.Instant;
import java.util.Comparator;
import keel.core.round.Chore;
import keel.core.round.ChoreKind;
import keel.core.standing.ServiceKind;

/**
 * A chore with the service that it ends with, null where it ends with none.
 */
record Work(Chore chore, ServiceKind service) {

    /** The same for all that asks for the same hands. */
    String does() {
        return service == null || chore.machine() == null ? chore.key() : chore.machine() + ":" + service;
    }

    /** What is for now before what is not, what holds a machine before what does not, then what costs more. */
    Work weightier(Work other) {
        Comparator<Work> weight = Comparator.<Work, Boolean>comparing(
                        w -> w.chore().today())
                .thenComparing(w -> w.chore().kind() == ChoreKind.HOLD)
                .thenComparing(w -> w.chore().waiting().all());
        return weight.compare(other, this) > 0 ? other : this;
    }

    static Sheet of(ChoreKind kind, String key, String what) {
        return new Sheet(kind, key, what);
    }

    /** One that is being filled in; what is not said of it does not hold. */
    static final class Sheet {

        private final ChoreKind kind;
        private final String key;
        private final String what;
        private String machine;
        private String name = "";
        private String text = "";
        private double minutes;
        private int usual;
        private String room;
        private Instant from;
        private Instant deadline;
        private Chore.Waiting waiting = new Chore.Waiting(0, 0, "");
        private double tail;
        private boolean today = true;
        private ServiceKind service;

        private Sheet(ChoreKind kind, String key, String what) {
            this.kind = kind;
            this.key = key;
            this.what = what;
            this.minutes = kind.minutes();
            this.usual = kind.minutes();
        }

        /** At a machine of this code and name, in its room. */
        Sheet at(String code, String called, String place) {
            this.machine = code;
            this.name = called;
            this.room = place;
            return this;
        }

        /** About something that is no machine; room null where it makes no difference. */
        Sheet about(String called, String place) {
            this.name = called;
            this.room = place;
            return this;
        }

        Sheet because(String sentence) {
            this.text = sentence;
            return this;
        }

        Sheet takes(double mean, int median) {
            this.minutes = mean;
            this.usual = median;
            return this;
        }

        Sheet from(Instant moment) {
            this.from = moment;
            return this;
        }

        Sheet by(Instant moment) {
            this.deadline = moment;
            return this;
        }

        /** Money an hour of its own, money an hour of the machine that stands, and why. */
        Sheet costs(double perHour, double idlePerHour, String why) {
            this.waiting = new Chore.Waiting(perHour, idlePerHour, why);
            return this;
        }

        /** Somebody must be there so many minutes more. */
        Sheet tail(double more) {
            this.tail = more;
            return this;
        }

        Sheet notToday() {
            this.today = false;
            return this;
        }

        Sheet endsWith(ServiceKind done) {
            this.service = done;
            return this;
        }

        Work doneAt(String path) {
            return new Work(
                    new Chore(
                            kind + ":" + key,
                            kind,
                            machine,
                            name,
                            what,
                            text,
                            minutes,
                            usual,
                            room,
                            from,
                            deadline,
                            waiting,
                            tail,
                            today,
                            path),
                    service);
        }
    }
}
