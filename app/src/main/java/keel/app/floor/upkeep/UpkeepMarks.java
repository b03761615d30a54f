package keel.app.floor.upkeep;

import org.springframework.data.jpa.repository.JpaRepository;

interface UpkeepMarks extends JpaRepository<UpkeepMark, Long> {}
