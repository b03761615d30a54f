package keel.app.air;

import org.springframework.data.jpa.repository.JpaRepository;

interface RoomReadings extends JpaRepository<RoomReading, Long> {}
