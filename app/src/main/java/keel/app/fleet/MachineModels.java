package keel.app.fleet;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface MachineModels extends JpaRepository<MachineModel, Long> {
    @Query("select x from MachineModel x where x.code = ?1")
    Optional<MachineModel> findByCode(String code);

    @Modifying
    @Query("delete from MachineModel x where x.id = ?1")
    void remove(long id);
}
