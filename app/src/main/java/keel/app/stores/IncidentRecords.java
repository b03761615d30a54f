package keel.app.stores;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface IncidentRecords extends JpaRepository<IncidentRecord, Long> {

    @Query(
            """
            select i.id, i.kind, i.at, i.who, i.happened, i.done, i.after, p.name
            from IncidentRecord i join PersonName p on p.id = i.personId order by i.at desc, i.id desc""")
    List<Incidents.Incident> latest(Limit most);
}
