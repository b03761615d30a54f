package keel.app.bench;

import org.springframework.data.jpa.repository.JpaRepository;

interface ServiceRecords extends JpaRepository<ServiceRecord, Long> {}
