package keel.app.starting;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface GateQuestionRecords extends JpaRepository<GateQuestion, Long> {

    List<GateQuestion> findByRetiredAtIsNullOrderById();

    Optional<GateQuestion> findByIdAndRetiredAtIsNull(long id);
}
