package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;

/** A text that the shop keeps under a code. */
@Entity
class ShopText {

    @Id
    String code;

    String text;
    Instant at;

    protected ShopText() {}

    ShopText(String code, String text, Instant at) {
        this.code = code;
        this.text = text;
        this.at = at;
    }
}
