package keel.app.floor.bring;

import org.springframework.data.jpa.repository.JpaRepository;

interface BroughtRows extends JpaRepository<BroughtRow, Long> {}
