package keel.app.prints;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface ProfileRecords extends JpaRepository<Profile, Long> {

    Optional<Profile> findByMachineIdAndResinId(Long machineId, Long resinId);
}
