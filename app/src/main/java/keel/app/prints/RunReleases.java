package keel.app.prints;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface RunReleases extends JpaRepository<RunRelease, Long> {

    List<RunRelease> findByRunIdOrderById(long run);
}
