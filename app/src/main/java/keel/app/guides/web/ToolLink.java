package keel.app.guides.web;

import keel.app.guides.SessionView;

/** The page beside a step that judges or measures something. */
record ToolLink(String path, String words) {

    /** Null where the step has none. {@code vat} is the one on the machine, null if there is none. */
    static ToolLink of(SessionView session, String vat) {
        String machine = "/machines/" + session.machine();
        return switch (session.step().tool()) {
            case NONE -> null;
            case STANCE -> new ToolLink(machine + "/stance", "Which foot, how thick a shim");
            case LEVELLING -> new ToolLink(machine + "/guides/levelling", "Level it step by step");
            case LEVEL -> new ToolLink(machine + "/level", "Judge readings of the plate");
            case FIRST_LAYER -> new ToolLink(machine + "/first-layer", "Tap which patches held");
            case PROFILES -> new ToolLink(machine + "/profiles", "Its print profiles");
            case TONE ->
                vat == null ? null : new ToolLink("/vats/" + vat + "/tone", "By the microphone: tension from the tone");
            case LOOK -> vat == null ? null : new ToolLink("/vats/" + vat + "/inspect", "Write down how it looks");
            case SCREEN -> new ToolLink(machine + "/screen", "By photograph: spots, and what became of them");
            case LAYERS -> new ToolLink(machine + "/layers", "Pictures for it, and all layers over one another");
            case UV -> new ToolLink(machine + "/uv", "Readings over the plate");
            case DRY_RUN -> new ToolLink(machine + "/guides/dry-run", "Run it dry, step by step");
            case LUBRICATION -> new ToolLink(machine + "/guides/lubrication", "How it is lubricated");
        };
    }
}
