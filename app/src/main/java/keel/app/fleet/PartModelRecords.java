package keel.app.fleet;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PartModelRecords extends JpaRepository<PartModel, Long> {

    @EntityGraph(attributePaths = "fits")
    @Query("select p from PartModel p order by p.kind desc, p.name, p.revision")
    List<PartModel> inOrder();

    Optional<PartModel> findByCode(String code);
}
