package keel.app.people;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.DayOfWeek;
import java.time.LocalTime;
import keel.core.week.WorkHours;

/** A time of each week in which a person is there. */
@Entity
@Table(name = "work_hours")
class WorkHour {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long personId;

    @Enumerated(EnumType.STRING)
    DayOfWeek weekday;

    int fromMinute;
    int toMinute;

    WorkHours.Hours hours() {
        return new WorkHours.Hours(weekday, time(fromMinute), time(toMinute));
    }

    private static LocalTime time(int minute) {
        return LocalTime.ofSecondOfDay(60L * minute);
    }

    static int minute(LocalTime time) {
        return time.toSecondOfDay() / 60;
    }
}
