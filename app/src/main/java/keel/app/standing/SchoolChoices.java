package keel.app.standing;

import org.springframework.data.jpa.repository.JpaRepository;

interface SchoolChoices extends JpaRepository<SchoolChoice, Long> {}
