package keel.app.fleet;

import java.util.Optional;

/** Where instruments come from: a stand-in, or a driver for real ones. */
public interface ToolCase {

    /** The instruments laid to a machine now; empty where none can measure it. */
    Optional<MachineTools> at(String machine);
}
