package keel.e2e;

import java.util.List;

/** Pages about the shop: fleet, bench, stores, air, set-up. */
class ShopPagesTest extends PagesWalk {

    private static final List<List<String>> PAGES = List.of(
            List.of("/fleet"),
            List.of("/bench", "/bench?ended=true"),
            List.of("/bench/batch", "/bench/batch?procedure=film-cleaning&vats=V8"),
            List.of("/bench/films"),
            List.of("/bench/packs", "/bench/packs/roll?rollWidthMm=300&rollLengthMm=3000"),
            List.of("/bench/baselines"),
            List.of("/bench/lives"),
            List.of("/bench/screens?q=S2"),
            List.of("/bench/screens/S6"),
            List.of("/bench/spares?leadDays=30"),
            List.of("/orders", "/orders/1"),
            List.of("/orders/new"),
            List.of("/patterns"),
            List.of("/patterns/compare", "/evidence/machine/curlew"),
            List.of("/setup/bring"),
            List.of("/month/2026-02"),
            List.of("/begin"),
            List.of("/begin/machines"),
            List.of("/begin/known?small=Wren,Twite"),
            List.of("/begin/stores"),
            List.of("/begin/people"),
            List.of("/stores"),
            List.of("/stores/nitrile-gloves"),
            List.of("/stores/bottles"),
            List.of("/stores/buying"),
            List.of("/stores/count"),
            List.of("/costs?days=365&machine=curlew&resinMl=85&hours=5.5"),
            List.of("/costs/runs/40"),
            List.of("/stores/resins/cast-amber"),
            List.of("/stores/bottles/B1"),
            List.of("/wash"),
            List.of("/waste"),
            List.of("/waste/sheet"),
            List.of("/incidents"),
            List.of("/incidents/SPILL"),
            List.of("/air"),
            List.of("/air/rooms/long-room", "/air/rooms/annexe?span=month"),
            List.of("/air/rooms/annexe/plan"),
            List.of("/air/panel"),
            List.of("/logbook"),
            List.of("/setup"),
            List.of("/setup/models/new"),
            List.of("/setup/machines/avocet"),
            List.of("/setup/people"),
            List.of("/account"),
            List.of("/hand-over"),
            List.of("/nowhere"),
            List.of("/guides"),
            List.of("/labels"),
            List.of("/quick?line=d"),
            List.of("/setup/gate"),
            List.of("/how-a-layer-is-made"),
            List.of("/instruments/curlew"));

    @Override
    List<List<String>> pages() {
        return PAGES;
    }
}
