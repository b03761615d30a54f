package keel.app.stores;

import org.springframework.data.jpa.repository.JpaRepository;

interface Pours extends JpaRepository<Pour, Long> {}
