package keel.app.floor.find;

import static org.assertj.core.api.Assertions.assertThat;

import keel.app.support.PageTest;
import org.junit.jupiter.api.Test;

/** Each place that can be found is there. */
class PlacesTest extends PageTest {

    @Test
    void everyPlaceIsThere() {
        shop.as("owner");
        assertThat(Places.ALL)
                .allSatisfy(p -> assertThat(status(p.url())).as(p.url()).isIn(200, 302));
        assertThat(page("/find?q=backups")).contains("/setup/backups");
        assertThat(page("/find?q=zzqqxx")).contains("Nothing here is called zzqqxx");
        assertThat(page("/find")).contains("What you look for");
        shop.as("keeper");
    }
}
