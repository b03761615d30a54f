package keel.app.fleet;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Components extends JpaRepository<Component, Long> {

    @Query("select x from Component x where x.code = ?1 and not x.withdrawn")
    Optional<Component> findByCodeAndWithdrawnFalse(String code);

    List<Component> findByMadeBy(long serviceId);

    /** By its code, or by the serial number that its maker gave it; codes first. */
    @Query(
            """
            select x from Component x where x.kind = ?1 and not x.withdrawn and (x.code = upper(?2)
            or lower(x.serial) = lower(?2))
            order by case when x.code = upper(?2) then 0 else 1 end, case when x.endedAt is null then 0
            else 1 end, x.number desc""")
    List<Component> called(ComponentKind kind, String codeOrSerial);

    @Query("select coalesce(max(c.number), 0) from Component c where c.kind = ?1")
    int highestNumber(ComponentKind kind);

    /** Number of a pack of film sheets. */
    @Query("select p.id from FilmPackCard p where p.code = ?1")
    Optional<Long> packCalled(String code);

    /** A part that is fitted nowhere and has not ended; {@code model} null where it has none of its own. */
    record OnShelf(Component part, PartModel model) {}

    @Query(
            """
            select c, p from Component c left join PartModel p on p.id = c.partModelId
            where c.kind = ?1 and not c.withdrawn and c.endedAt is null
            and not exists (select 1 from Fitting f where f.componentId = c.id and f.removedAt is null)
            order by c.boughtOn, c.number""")
    List<OnShelf> onShelf(ComponentKind kind);

    @Query("select m.modelId from Machine m where m.id = ?1")
    long modelOf(long machineId);
}
