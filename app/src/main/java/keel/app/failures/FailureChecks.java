package keel.app.failures;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface FailureChecks extends JpaRepository<FailureCheck, Long> {

    List<FailureCheck> findByFailureIdAndWithdrawnFalseOrderByAt(long failureId);

    List<FailureCheck> findByServiceIdAndWithdrawnFalse(long serviceId);
}
