package keel.app.stores;

import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/v1")
class StoresApi {

    private final Stock stock;
    private final Resins resins;

    StoresApi(Stock stock, Resins resins) {
        this.stock = stock;
        this.resins = resins;
    }

    record Movement(String item, Double quantity, String reason) {}

    record Pour(String resin, Double ml, Instant at) {}

    @GetMapping("/stock")
    List<Stock.ItemView> stock() {
        return stock.all(false);
    }

    /** {@code quantity} is signed: positive came in, negative went out. */
    @PostMapping("/stock/movements")
    @ResponseStatus(HttpStatus.CREATED)
    Stock.ItemView move(@RequestBody Movement movement) {
        return stock.move(movement.item(), movement.quantity(), movement.reason());
    }

    @GetMapping("/resins")
    List<Resins.ResinView> resins() {
        return resins.all(false);
    }

    @PostMapping("/vats/{vat}/pours")
    @ResponseStatus(HttpStatus.CREATED)
    Resins.PourView pour(@PathVariable String vat, @RequestBody Pour pour) {
        return resins.pour(vat, pour.resin(), pour.ml(), pour.at());
    }
}
