package keel.app.prints;

import org.springframework.data.jpa.repository.JpaRepository;

interface RunRecords extends JpaRepository<Run, Long> {}
