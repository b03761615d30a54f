package keel.app.prints;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface ProfileVersions extends JpaRepository<ProfileVersion, Long> {

    List<ProfileVersion> findByProfileIdOrderByNumberDesc(Long profileId);
}
