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

    /** Why such a model of part is not for such a model of machine; empty where it is. */
    @Query(
            nativeQuery = true,
            value =
                    """
            select case when not exists (select 1 from part_model_fits f where f.part_model_id = p.id
            and f.machine_model_id = m.id) then 'it is not for a ' || m.name
              else 'it has ' || p.pixels_x || ' × ' || p.pixels_y || ' pixels, a ' || m.name || ' shows ' ||
              m.pixels_x || ' × ' || m.pixels_y end
            from part_model p, machine_model m where p.id = ?1 and m.id = ?2 and (p.pixels_x <> m.pixels_x
            or p.pixels_y <> m.pixels_y
              or not exists (select 1 from part_model_fits f where f.part_model_id = p.id
              and f.machine_model_id = m.id))""")
    Optional<String> unfit(long partModel, long machineModel);

    /** Number of a pack of film sheets. */
    @Query(nativeQuery = true, value = "select id from film_pack where code = ?1")
    Optional<Long> packCalled(String code);

    @Query("select coalesce(max(c.number), 0) from Component c where c.kind = ?1")
    int highestNumber(ComponentKind kind);
}
