package keel.app.starting;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface FileDecisionRecords extends JpaRepository<FileDecision, Long> {

    /** The latest first; those that were taken back are left out. */
    @Query(
            """
            select d from FileDecision d where d.hash = ?1 and d.takenBackAt is null
            order by d.decidedAt desc, d.id desc""")
    List<FileDecision> of(String hash);

    /** The same of several files. */
    @Query(
            """
            select d from FileDecision d where d.hash in ?1 and d.takenBackAt is null
            order by d.decidedAt desc, d.id desc""")
    List<FileDecision> ofAll(Collection<String> hashes);
}
