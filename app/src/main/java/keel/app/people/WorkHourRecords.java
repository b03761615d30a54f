package keel.app.people;

import java.time.LocalDate;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface WorkHourRecords extends JpaRepository<WorkHour, Long> {

    List<WorkHour> findByPersonId(long person);

    @Query(
            """
            select a from DaysAway a where a.takenBackAt is null and a.toDay >= ?1 order by a.fromDay, a.id""")
    List<DaysAway> away(LocalDate from);

    @Query("select a from DaysAway a where a.id = ?1")
    DaysAway awayOne(long id);
}
