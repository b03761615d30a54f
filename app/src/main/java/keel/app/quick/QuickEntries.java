package keel.app.quick;

import org.springframework.data.jpa.repository.JpaRepository;

interface QuickEntries extends JpaRepository<QuickEntry, Long> {}
