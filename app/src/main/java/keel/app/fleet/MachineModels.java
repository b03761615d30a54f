package keel.app.fleet;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface MachineModels extends JpaRepository<MachineModel, Long> {
    Optional<MachineModel> findByCode(String code);
}
