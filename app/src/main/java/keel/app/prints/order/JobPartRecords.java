package keel.app.prints.order;

import org.springframework.data.jpa.repository.JpaRepository;

interface JobPartRecords extends JpaRepository<WantedJobPart, WantedJobPart.Key> {}
