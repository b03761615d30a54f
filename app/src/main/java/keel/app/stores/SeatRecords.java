package keel.app.stores;

import org.springframework.data.jpa.repository.JpaRepository;

interface SeatRecords extends JpaRepository<FilmSeatRecord, Long> {}
