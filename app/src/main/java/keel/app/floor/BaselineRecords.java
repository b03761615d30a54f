package keel.app.floor;

import java.util.List;
import keel.core.standing.Baseline;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BaselineRecords extends JpaRepository<BaselineWaived, Baseline> {

    @Query("select t from BaselineTaken t")
    List<BaselineTaken> taken();
}
