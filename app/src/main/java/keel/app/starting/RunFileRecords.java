package keel.app.starting;

import org.springframework.data.jpa.repository.JpaRepository;

interface RunFileRecords extends JpaRepository<RunFile, Long> {}
