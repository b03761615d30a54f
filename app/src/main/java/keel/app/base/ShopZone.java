package keel.app.base;

import java.time.ZoneId;

/** In which zone the shop's days begin and end. */
public interface ShopZone {

    ZoneId zone();
}
