package keel.app.stores;

import java.time.Instant;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface ResinWarmths extends JpaRepository<ResinWarmth, Long> {

    List<ResinWarmth> findByMachineIdAndAtAfterOrderByAtDesc(long machine, Instant after, Limit limit);
}
