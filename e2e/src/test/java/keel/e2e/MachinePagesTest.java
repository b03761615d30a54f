package keel.e2e;

import java.util.List;

/** Pages about a machine, its vat, its runs and failures. */
class MachinePagesTest extends PagesWalk {

    private static final List<List<String>> PAGES = List.of(
            List.of("/machines/avocet", "/machines/bittern", "/machines/fulmar", "/machines/godwit"),
            List.of("/runs"),
            List.of("/runs/new", "/runs/new?machine=bittern&after=true"),
            List.of("/machines/egret/start", "/machines/bittern/start", "/machines/godwit/start"),
            List.of("/runs/1"),
            List.of("/failures"),
            List.of("/failures/new?machine=egret"),
            List.of("/failures/1", "/failures/12?look=page-file"),
            List.of("/knowledge"),
            List.of("/knowledge/causes/film-worn"),
            List.of("/quirks"),
            List.of("/vats/V3", "/vats/V8"),
            List.of("/vats/V3/inspect?take=uv"),
            List.of("/vats/V3/tone", "/vats/V8/tone"),
            List.of("/machines/curlew/plate?footprint=60x40", "/machines/godwit/plate?show=FILM"),
            List.of("/machines/avocet/screen", "/machines/curlew/screen?photo=2"),
            List.of("/machines/fulmar/uv?take=all"),
            List.of("/machines/curlew/layers"),
            List.of("/machines/curlew/smoothing?x=true&y=false&between=false"),
            List.of(
                    "/machines/bittern/services/DRY_RUN",
                    "/machines/curlew/services/FILM_CHANGE",
                    "/machines/godwit/services/TANK_CHANGE",
                    "/machines/avocet/services/LEVELLING"),
            List.of("/runs/40/footprint"),
            List.of("/bench/models/tern-144", "/bench/models/needle-115"),
            List.of(
                    "/machines/curlew/guides/resin-change",
                    "/machines/curlew/guides/pour",
                    "/air/parts/1/guide",
                    "/machines/bittern/guides/clean-up",
                    "/machines/godwit/guides/tank-swap",
                    "/machines/dunlin/guides/commissioning"),
            List.of("/machines/avocet/pour"),
            List.of(
                    "/machines/avocet/level",
                    "/machines/fulmar/level?by=drag&side=5",
                    "/machines/curlew/level?take=all"),
            List.of("/machines/avocet/first-layer"),
            List.of("/machines/dunlin/run"),
            List.of("/machines/egret/after"),
            List.of("/machines/curlew/stance"),
            List.of("/machines/egret/tilt?length=110&height=26"),
            List.of("/machines/fulmar/not-known", "/emergency/leak/after", "/air/room-check"),
            List.of("/machines/bittern/profiles"),
            List.of("/machines/bittern/profiles/reed-grey"),
            List.of("/machines/egret/profiles/new?resin=silt-tough"),
            List.of("/machines/fulmar/profiles/cast-amber/curve"),
            List.of("/machines/fulmar/profiles/cast-amber/shortest"),
            List.of("/machines/fulmar/profiles/cast-amber/scale"));

    @Override
    List<List<String>> pages() {
        return PAGES;
    }
}
