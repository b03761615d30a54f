package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;

/** A figure of the shop in place of the usual one. */
@Entity
class ShopDefault {

    @Id
    String code;

    double amount;

    protected ShopDefault() {}

    ShopDefault(String code, double amount) {
        this.code = code;
        this.amount = amount;
    }
}
