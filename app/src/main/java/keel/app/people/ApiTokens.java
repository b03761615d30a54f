package keel.app.people;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface ApiTokens extends JpaRepository<ApiToken, Long> {

    Optional<ApiToken> findByTokenHashAndRevokedAtNull(String tokenHash);

    List<ApiToken> findAllByOrderByMadeAtDesc();
}
