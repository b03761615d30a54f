package keel.app.prints;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Calibrated extends JpaRepository<CalibrationRecord, Long> {

    @Query("select c.at, c.result from CalibrationRecord c where c.profileId = ?1 order by c.at desc")
    List<Calibrations.Kept> of(long profile, Limit most);
}
