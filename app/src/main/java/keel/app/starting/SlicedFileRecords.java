package keel.app.starting;

import org.springframework.data.jpa.repository.JpaRepository;

/** Sliced files that were read. */
interface SlicedFileRecords extends JpaRepository<SlicedFile, String> {}
