package keel.app.fleet;

import org.springframework.data.jpa.repository.JpaRepository;

interface ShopDefaults extends JpaRepository<ShopDefault, String> {}
