package keel.app.runs;

import org.springframework.data.jpa.repository.JpaRepository;

interface RunRecords extends JpaRepository<Run, Long> {}
