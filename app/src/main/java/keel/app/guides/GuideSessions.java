package keel.app.guides;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface GuideSessions extends JpaRepository<GuideSession, Long> {

    Optional<GuideSession> findFirstByMachineIdAndProcedureCodeAndFinishedAtIsNullAndGivenUpAtIsNull(
            Long machineId, String procedureCode);

    Optional<GuideSession> findFirstByAirPartIdAndFinishedAtIsNullAndGivenUpAtIsNull(Long airPartId);
}
