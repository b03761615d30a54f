package keel.app.stores;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface FilmPackRecords extends JpaRepository<FilmPack, Long> {

    /** A pack with how many films were made from it, how many of them ended, and how many of those by damage. */
    record Used(FilmPack pack, long films, long ended, long damaged) {}

    @Query(
            """
            select p, (select count(c.id) from PartCard c where c.packId = p.id),
            (select count(c.endedAt) from PartCard c where c.packId = p.id),
            (select count(c.id) from PartCard c where c.packId = p.id and c.endReason in ('DENTED', 'PIERCED'))
            from FilmPack p order by p.id desc""")
    List<Used> all();

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select p from FilmPack p where p.code = ?1")
    Optional<FilmPack> lock(String code);

    @Query(nativeQuery = true, value = "select next value for pack_number")
    long nextNumber();
}
