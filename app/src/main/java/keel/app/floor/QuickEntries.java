package keel.app.floor;

import org.springframework.data.jpa.repository.JpaRepository;

interface QuickEntries extends JpaRepository<QuickEntry, Long> {}
