package keel.app.floor;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface QuickEntries extends JpaRepository<QuickEntry, Long> {

    /** What else the same line wrote, the latest first. */
    List<QuickEntry> findByFirstIdOrderByIdDesc(Long firstId);
}
