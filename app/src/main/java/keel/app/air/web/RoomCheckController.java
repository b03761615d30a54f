package keel.app.air.web;

import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** What a room and its stores should be like, to be looked through and printed. Common practice, no source. */
@Controller
class RoomCheckController {

    /** What belongs together. */
    record Part(String name, List<String> checks) {}

    private static final List<Part> PARTS = List.of(
            new Part(
                    "The room",
                    List.of(
                            "Away from offices and living rooms; the door shuts by itself.",
                            "Out of daylight: blinds that close, no sun on a machine, a vat or a bottle at any hour.",
                            "Temperature steady, 20 °C or more; no vent, window or heater that blows on a machine.",
                            "The fan runs, its mesh is clear, a strip of paper is drawn in.",
                            "No flame, spark or hot thing where alcohol stands open.",
                            "Way out free; extinguisher seen and in date; eye rinse within reach, sealed, in date.")),
            new Part(
                    "Each machine",
                    List.of(
                            "On a raised-edge tray or a silicone mat that lies flat; it does not rock.",
                            "Room above for the cover and behind for the plug; the plug can be reached at once.",
                            "Wiped down: no tacky places on housing, buttons or door.",
                            "Cover whole and closed.")),
            new Part(
                    "Resin, vats and alcohol",
                    List.of(
                            "Bottles and spare vats dark and cool, lids tight, labels readable, in date.",
                            "Spare vats on a smooth, clean surface, lid on, nothing on top: grit pierces film.",
                            "Alcohol closed, no more of it in the room than local rules allow.",
                            "Safety data sheets of every resin at hand, on paper too.")),
            new Part(
                    "For people",
                    List.of(
                            "Nitrile gloves in each size; long sleeves; glasses rated for the machines' wavelength.",
                            "Respirator with organic-vapour cartridges, sealed when unused, dated; particulate filter "
                                    + "for sanding. It does not replace moving air.",
                            "Soap and water near; no alcohol at the basin.")),
            new Part(
                    "Waste",
                    List.of(
                            "Wet towels in a metal bin with a lid.",
                            "What alcohol clings to airs outdoors first, away from lamp and flame; then it is cured.",
                            "Cured in the sun or under a lamp, thin, until nothing is tacky; lids loose in the sun.",
                            "Dirty alcohol is left to settle, decanted and used again, or handed in; never left to "
                                    + "evaporate.",
                            "Rinse water of water-washable resin is resin waste. Nothing down a drain.")));

    @GetMapping("/air/room-check")
    String check(Model model) {
        model.addAttribute("parts", PARTS);
        return "air/room-check";
    }
}
