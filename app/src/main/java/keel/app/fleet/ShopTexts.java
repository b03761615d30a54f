package keel.app.fleet;

import org.springframework.data.jpa.repository.JpaRepository;

interface ShopTexts extends JpaRepository<ShopText, String> {}
