package keel.app.prints.order;

import org.springframework.data.jpa.repository.JpaRepository;

interface RunPartRecords extends JpaRepository<RunPart, RunPart.Key> {}
