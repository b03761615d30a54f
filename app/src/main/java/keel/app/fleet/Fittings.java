package keel.app.fleet;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Fittings extends JpaRepository<Fitting, Long> {

    @Query("select f from Fitting f, Component c where c.id = f.componentId and c.kind = ?2 and f.machineId = ?1 "
            + "and f.removedAt is null")
    Optional<Fitting> onMachine(long machineId, ComponentKind kind);

    @Query("select f from Fitting f where f.vatId = ?1 and f.removedAt is null")
    Optional<Fitting> inVat(long vatId);

    @Query("select f from Fitting f where f.componentId = ?1 and f.removedAt is null")
    Optional<Fitting> of(long componentId);

    List<Fitting> findByFittedBy(long serviceId);

    List<Fitting> findByRemovedBy(long serviceId);

    /**
     * The last moment at which something was fitted to or taken from these carriers, or this component itself moved.
     */
    @Query(
            """
            select max(case when f.removedAt is null then f.fittedAt else f.removedAt end) from Fitting f, Component c
            where c.id = f.componentId and (f.componentId = ?1 or f.vatId = ?1 or (f.machineId = ?2
            and c.kind = ?3))""")
    Instant lastChange(Long componentId, Long machineId, ComponentKind kind);
}
