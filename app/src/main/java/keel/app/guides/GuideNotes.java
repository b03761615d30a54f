package keel.app.guides;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface GuideNotes extends JpaRepository<GuideNote, Long> {

    List<GuideNote> findBySessionIdOrderById(Long sessionId);
}
