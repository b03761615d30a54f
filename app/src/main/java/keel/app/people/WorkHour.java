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

    LocalTime fromTime;
    LocalTime toTime;
}
