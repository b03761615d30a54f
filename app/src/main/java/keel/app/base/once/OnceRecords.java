package keel.app.base.once;

import java.time.Instant;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface OnceRecords extends JpaRepository<WrittenOnce, Long> {

    Optional<WrittenOnce> findByWhoAndCode(String who, String code);

    @Modifying
    @Query("delete from WrittenOnce w where w.at < :before")
    void forgetBefore(Instant before);
}
