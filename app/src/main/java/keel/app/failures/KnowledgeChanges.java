package keel.app.failures;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface KnowledgeChanges extends JpaRepository<KnowledgeChange, Long> {

    Optional<KnowledgeChange> findFirstByOrderByIdDesc();

    @Query("select coalesce(max(k.id), 0) from KnowledgeChange k")
    long latest();

    @Query("select k.id, k.madeAt, p.name, k.why from KnowledgeChange k join PersonName p on p.id = k.personId "
            + "order by k.id desc")
    List<TunedKnowledge.Change> changes(Limit most);
}
