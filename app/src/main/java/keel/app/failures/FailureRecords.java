package keel.app.failures;

import org.springframework.data.jpa.repository.JpaRepository;

interface FailureRecords extends JpaRepository<Failure, Long> {}
