package keel.app.people;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface LogEntries extends Repository<LogEntry, Long> {

    @Query("select max(e.id) from LogEntry e where e.subjectKind = ?1 and e.subjectId = ?2 and e.kind in ?3")
    Long latest(String subjectKind, long subjectId, Collection<LogKind> kinds);

    @Query("select m.code, m.name from LogMachine m order by m.name")
    List<Logbook.Named> machines();
}
