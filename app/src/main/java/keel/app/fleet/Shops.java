package keel.app.fleet;

import org.springframework.data.jpa.repository.JpaRepository;

interface Shops extends JpaRepository<Shop, Integer> {}
