package keel.app.failures;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface Photos extends JpaRepository<Photo, Long> {

    List<Photo> findByFailureIdOrderById(long failureId);

    int countByFailureId(long failureId);
}
